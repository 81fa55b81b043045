import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { cruise, type ICruiseResult, type IModule } from 'dependency-cruiser';
import extractDepcruiseOptions from 'dependency-cruiser/config-utl/extract-depcruise-options';
import extractTSConfig from 'dependency-cruiser/config-utl/extract-ts-config';
import { beforeAll, describe, expect, it } from 'vitest';

/** Which room imports what, as compiled; the rules stand in `.dependency-cruiser.cjs`. */
const root = path.resolve(import.meta.dirname, '../..');
let result: ICruiseResult;
let modules: Map<string, IModule>;
beforeAll(async () => {
  const options = await extractDepcruiseOptions(path.join(root, '.dependency-cruiser.cjs'));
  const tsConfig = extractTSConfig(path.join(root, 'tsconfig.json'));
  const { output } = await cruise(['src'], { ...options, baseDir: root }, undefined, { tsConfig });
  if (typeof output === 'string') throw new Error('A graph was asked for');
  result = output;
  modules = new Map(output.modules.map((module) => [module.source, module]));
}, 300_000);

const textOf = (file: string): string => readFileSync(path.join(root, file), 'utf8');
const isClient = (file: string): boolean => file.startsWith('src/') && textOf(file).startsWith("'use client'");

/** Everything that a module brings with it. */
function reach(from: string, follow: (file: string, dynamic: boolean) => boolean): Set<string> {
  const found = new Set<string>();
  const visit = (file: string): void => {
    if (found.has(file)) return;
    found.add(file);
    for (const { resolved, dynamic } of modules.get(file)?.dependencies ?? [])
      if (follow(resolved, dynamic)) visit(resolved);
  };
  visit(from);
  return found;
}

describe('boundaries', () => {
  it('are read from a real number of imports', () => {
    expect(result.summary.totalDependenciesCruised).toBeGreaterThan(2000);
  });

  it('are kept: rooms import only what they may, every room is known, and nothing goes in a circle', () => {
    expect(result.summary.violations.map(({ rule, from, to }) => `${rule.name}: ${from} → ${to}`)).toEqual([]);
  });

  it('core reads no clock, no chance and no locale', () => {
    const impure = /\bDate\.now\(|new Date\(\)|Math\.random\(|toLocale|Intl\.|process\.|crypto\./;
    const files = [...modules.keys()].filter((file) => file.startsWith('src/core/'));
    expect(files.length).toBeGreaterThan(100);
    expect(files.filter((file) => impure.test(textOf(file)))).toEqual([]);
  });

  it('the server reads nothing of a module marked for the client but components, which it only passes on', () => {
    const starts = [...modules.keys()].filter((file) => /^src\/app\/.*\.tsx?$|^src\/instrumentation\.ts$/.test(file));
    const onServer = new Set(
      starts
        .filter((file) => !isClient(file))
        .flatMap((file) => [...reach(file, (next) => next.startsWith('src/') && !isClient(next))]),
    );
    expect(onServer.has('src/ui/sheet/QuestionView.tsx')).toBe(true);
    const read = [...onServer].flatMap((file) => {
      const client = new Set(
        (modules.get(file)?.dependencies ?? []).filter(({ resolved }) => isClient(resolved)).map((d) => d.module),
      );
      return namedImports(file)
        .filter(({ target, name }) => client.has(target) && !/^[A-Z][A-Za-z]*[a-z]/.test(name))
        .map(({ name }) => `${file}: ${name}`);
    });
    expect(read).toEqual([]);
  });

  it('what every student needs pulls in no kind, no rules, no editor and no formula engine; a formula to write fetches its own', () => {
    const heavy =
      /^src\/(core\/(kinds|rules|bank)|ui\/(bench|rules))|node_modules\/(katex|mathlive|decimal\.js|@tiptap|d3|fraction\.js|zod|react-bootstrap)\//;
    const needed = reach('src/ui/room/Room.tsx', (_, dynamic) => !dynamic);
    expect(needed.size).toBeGreaterThan(15);
    expect([...needed].filter((file) => heavy.test(file))).toEqual([]);
  });

  it('lists of questions and plans of exams name kinds, and pull in nothing that marks', () => {
    const marks =
      /^src\/core\/(kinds\/registry|text\/lists)|node_modules\/(snowball-stemmers|franc-min|re2js|decimal\.js)\//;
    for (const list of ['src/ui/bank/BankDesk.tsx', 'src/ui/exams/ExamDesk.tsx']) {
      // An action stays on the server.
      const needed = reach(list, (file, dynamic) => !dynamic && !file.startsWith('src/actions/'));
      expect(needed.has('src/core/kinds/names.ts')).toBe(true);
      expect([...needed].filter((file) => marks.test(file))).toEqual([]);
    }
  });

  it('whatever belongs to a kind stands in its two folders, and is named in the registries alone', () => {
    const kinds = readdirSync(path.join(root, 'src/core/kinds'), { withFileTypes: true })
      .filter((entry) => entry.isDirectory())
      .map(({ name }) => name);
    expect(kinds.length).toBeGreaterThan(5);
    const homes = new RegExp(`^src/(core|ui)/kinds/(${kinds.join('|')})/`);
    const registries = [
      'core/kinds/registry.ts',
      'ui/kinds/registry.ts',
      'ui/kinds/editors.ts',
      'ui/kinds/SlotView.tsx',
      'ui/kinds/PrintedSlot.tsx',
    ].map((file) => `src/${file}`);
    const elsewhere = [...modules.values()]
      // The demo writes questions of known kinds.
      .filter(({ source }) => !homes.test(source) && !registries.includes(source) && !source.startsWith('src/demo/'))
      .flatMap(({ source, dependencies }) =>
        dependencies.filter(({ resolved }) => homes.test(resolved)).map(({ resolved }) => `${source} → ${resolved}`),
      );
    expect(elsewhere).toEqual([]);
  });
});

/** The values that a file imports by name. */
function namedImports(file: string): { target: string; name: string }[] {
  return [...textOf(file).matchAll(/^import\s+(?!type\s)[^'"]*?\{([^}]*)\}\s+from\s+['"]([^'"]+)['"]/gm)].flatMap(
    ([, braces = '', target = '']) =>
      braces
        .split(',')
        .map((name) => name.trim())
        .filter((name) => name !== '' && !name.startsWith('type '))
        .map((name) => ({ target, name: name.split(' as ')[0] ?? name })),
  );
}
