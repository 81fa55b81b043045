import { chmodSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { ffmpegConverter } from './converter';

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'zonda-tool-'));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

/** A tool that does what a shell says: "$given" is what is converted, "$made" where it goes. */
function tool(does: string): string {
  const file = path.join(folder, 'tool');
  const named = 'while [ $# -gt 1 ]; do [ "$1" = "-i" ] && given="$2"; shift; done; made="$1"';
  writeFileSync(file, `#!/bin/sh\necho "$@" > ${folder}/said\n${named}\n${does}\n`);
  chmodSync(file, 0o755);
  return file;
}
const bytes = new TextEncoder().encode('a recording');
const left = (): string[] => readdirSync(tmpdir()).filter((name) => name.startsWith('zonda-recording-'));

it('gives what the tool makes, and leaves nothing behind', async () => {
  const before = left();
  const made = await ffmpegConverter(tool('tr a-z A-Z < "$given" > "$made"')).convert(bytes, 'voice');
  expect(new TextDecoder().decode(made ?? undefined)).toBe('A RECORDING');
  expect(left()).toEqual(before);
});

it('gives nothing where the tool is missing, fails, makes nothing in time, or makes no file', async () => {
  for (const command of [path.join(folder, 'missing'), tool('exit 1')])
    expect(await ffmpegConverter(command).convert(bytes, 'film')).toBeNull();
  expect(await ffmpegConverter(tool('exec sleep 20'), 200).convert(bytes, 'voice')).toBeNull();
  expect(await ffmpegConverter(tool('exit 0')).convert(bytes, 'voice')).toBeNull();
});
