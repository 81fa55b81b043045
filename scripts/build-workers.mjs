import { readdirSync } from 'node:fs';
import path from 'node:path';
import { build } from 'esbuild';

/** Compiles what runs outside the framework into `.next/workers`, one file each: the server itself (`door/serve.ts`), and its threads (`*.worker.ts` under `src/server`). Packages stay outside. */
const root = path.resolve(import.meta.dirname, '..');
const source = path.join(root, 'src/server');

export async function buildWorkers() {
  const entryPoints = readdirSync(source, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.worker.ts') || file.endsWith('door/serve.ts'))
    .map((file) => path.join(source, file));
  await build({
    absWorkingDir: root,
    entryPoints,
    entryNames: '[name]',
    outdir: path.join(root, '.next/workers'),
    bundle: true,
    packages: 'external',
    platform: 'node',
    format: 'esm',
    target: 'node20',
    outExtension: { '.js': '.mjs' },
    logLevel: 'warning',
  });
}

if (process.argv[1] === import.meta.filename) await buildWorkers();
