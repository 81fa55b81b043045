import { existsSync, readdirSync } from 'node:fs';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import type { KindSample } from '../../src/core/kinds/contract';
import { KIND_NAMES, type KindName } from '../../src/core/kinds/names';
import { kinds } from '../../src/core/kinds/registry';

/** A slot of every kind there is, from the kinds' own folders. */
const root = path.resolve(import.meta.dirname, '../../src/core/kinds');
const folders = readdirSync(root, { withFileTypes: true })
  .filter((entry) => entry.isDirectory() && existsSync(path.join(root, entry.name, 'sample.ts')))
  .map((entry) => entry.name);
const found = new Map<string, KindSample<unknown>>();
for (const folder of folders) {
  const { sample } = (await import(pathToFileURL(path.join(root, folder, 'sample.ts')).href)) as {
    sample: KindSample<unknown>;
  };
  found.set(
    folder.replace(/-(.)/g, (_, letter: string) => letter.toUpperCase()),
    sample,
  );
}

export function sampleOf(kind: KindName): KindSample<unknown> {
  const sample = found.get(kinds[kind].name);
  if (!sample) throw new Error(`The kind ${kind} has no sample`);
  return sample;
}

export const SAMPLES = KIND_NAMES.map((kind) => ({ kind, ...sampleOf(kind) }));
