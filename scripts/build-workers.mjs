import { readdirSync } from 'node:fs';
import path from 'node:path';
import { build } from 'esbuild';

/**
 * Compiles what runs outside the framework into `.next/workers`, one file each: the server itself (`door/serve.ts`), and its
 * threads (`*.worker.ts` under `src/server`). The threads that mark and reckon begin sooner with their packages inside.
 */
const root = path.resolve(import.meta.dirname, '..');
const source = path.join(root, 'src/server');

const MACHINE_CODE = ['@libsql/client', '@node-rs/argon2'];
// Packages in the older form ask for what Node.js brings.
const REQUIRE = "import { createRequire as requiring } from 'node:module'; const require = requiring(import.meta.url);";

export async function buildWorkers() {
  const common = {
    absWorkingDir: root,
    entryNames: '[name]',
    outdir: path.join(root, '.next/workers'),
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    outExtension: { '.js': '.mjs' },
    logLevel: 'warning',
  };
  const threads = readdirSync(source, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.worker.ts'))
    .map((file) => path.join(source, file));
  const soon = threads.filter((file) => /^(mark-|reckon\.)/.test(path.basename(file)));
  const others = [path.join(source, 'door/serve.ts'), ...threads.filter((file) => !soon.includes(file))];
  await build({ ...common, entryPoints: others, packages: 'external' });
  await build({ ...common, entryPoints: soon, external: MACHINE_CODE, banner: { js: REQUIRE } });
}

if (process.argv[1] === import.meta.filename) await buildWorkers();
