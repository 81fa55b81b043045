import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, it } from 'vitest';

const root = path.resolve(import.meta.dirname, '../../src');
const sources = readdirSync(root, { recursive: true, encoding: 'utf8' })
  .filter((f) => /\.tsx?$/.test(f) && !/\.test\.tsx?$/.test(f))
  .map((file) => ({ file: file.split(path.sep).join('/'), text: readFileSync(path.join(root, file), 'utf8') }));

interface Import {
  file: string;
  /** Path below src, or a package. */
  target: string;
  typeOnly: boolean;
  /** The values that are imported by name. */
  names: string[];
  /** Fetched only when it is needed. */
  lazy: boolean;
}

const imports: Import[] = sources.flatMap(({ file, text }) =>
  [
    ...text.matchAll(
      /^(?:import|export)\s+(type\s)?[^'"]*?from\s+['"]([^'"]+)['"]|^import\s+['"]([^'"]+)['"]|import\(['"]([^'"]+)['"]\)/gm,
    ),
  ].map((m) => {
    const name = m[2] ?? m[3] ?? m[4] ?? '';
    const target = name.startsWith('@/')
      ? name.slice(2)
      : name.startsWith('.')
        ? path.posix.join(path.posix.dirname(file), name)
        : name;
    const [, braces = ''] = /\{([^}]*)\}/.exec(m[0]) ?? [];
    const names = braces
      .split(',')
      .map((n) => n.trim())
      .filter((n) => n !== '' && !n.startsWith('type '))
      .map((n) => n.split(' as ')[0] ?? n);
    return { file, target, names, typeOnly: m[1] !== undefined, lazy: m[4] !== undefined };
  }),
);
const from = (prefix: string): Import[] => imports.filter((i) => i.file.startsWith(prefix));
const room = (p: string): string => p.split('/')[1] ?? '';

describe('boundaries', () => {
  it('are read from a real number of imports', () => {
    expect(imports.length).toBeGreaterThan(400);
  });

  it('core imports only core and libraries that compute: schemas, exact and long numbers, stems, patterns, readers of Markdown, XML and zip', () => {
    const allowed = new Set([
      'zod',
      'fraction.js',
      'decimal.js',
      'snowball-stemmers',
      're2js',
      'commonmark',
      'fast-xml-parser',
      'fflate',
    ]);
    expect(from('core/').filter((i) => !i.target.startsWith('core/') && !allowed.has(i.target))).toEqual([]);
  });

  it('core reads no clock, no chance and no locale', () => {
    const impure = /\bDate\.now\(|new Date\(\)|Math\.random\(|toLocale|Intl\.|process\.|crypto\./;
    expect(sources.filter((s) => s.file.startsWith('core/') && impure.test(s.text)).map((s) => s.file)).toEqual([]);
  });

  it('rooms of the core import downwards only', () => {
    const order = [
      'base',
      'text',
      'content',
      'rules',
      'kinds',
      'bank',
      'exchange',
      'exams',
      'sittings',
      'results',
      'gradebook',
    ];
    const upward = from('core/').filter(
      (i) =>
        i.target.startsWith('core/') &&
        order.includes(room(i.file)) &&
        order.indexOf(room(i.target)) > order.indexOf(room(i.file)),
    );
    expect(upward).toEqual([]);
  });

  it('the server knows nothing of screens', () => {
    expect(
      from('server/').filter(
        (i) => i.target.startsWith('ui/') || i.target.startsWith('app/') || i.target === 'react-bootstrap',
      ),
    ).toEqual([]);
  });

  it('only the server touches the database library', () => {
    expect(imports.filter((i) => /^(drizzle-orm|@libsql)/.test(i.target) && !i.file.startsWith('server/'))).toEqual([]);
  });

  it('the interface takes only types from the server', () => {
    expect(from('ui/').filter((i) => i.target.startsWith('server/') && !i.typeOnly)).toEqual([]);
  });

  it('the server reads nothing of a module marked for the client but components, which it only passes on', () => {
    const client = (file: string): boolean => /^'use client'/.test(sources.find((s) => s.file === file)?.text ?? '');
    const sourceOf = (target: string): string | undefined =>
      sources.find((s) => [target, `${target}.ts`, `${target}.tsx`].includes(s.file))?.file;
    const starts = sources.filter((s) => /^app\/.*\.tsx?$/.test(s.file) || s.file === 'instrumentation.ts');
    const onServer = new Set<string>();
    const visit = (file: string): void => {
      if (onServer.has(file) || client(file)) return;
      onServer.add(file);
      for (const i of imports) {
        const hit = i.file === file && !i.typeOnly && sourceOf(i.target);
        if (hit) visit(hit);
      }
    };
    for (const { file } of starts) visit(file);
    expect(onServer.has('ui/sheet/QuestionView.tsx')).toBe(true);
    const read = [...onServer].flatMap((file) =>
      imports
        .filter((i) => i.file === file && !i.typeOnly)
        .filter((i) => client(sourceOf(i.target) ?? ''))
        .flatMap((i) => i.names.filter((name) => !/^[A-Z][A-Za-z]*[a-z]/.test(name)).map((name) => `${file}: ${name}`)),
    );
    expect(read).toEqual([]);
  });

  it('what every student needs pulls in no kind, no rules, no editor and no formula engine; a formula to write fetches its own', () => {
    const reach = new Set<string>();
    const visit = (file: string): void => {
      if (reach.has(file)) return;
      reach.add(file);
      for (const i of imports.filter((x) => x.file === file && !x.typeOnly && !x.lazy)) {
        const hit = sources.find(
          (s) => s.file === i.target || s.file === `${i.target}.ts` || s.file === `${i.target}.tsx`,
        );
        if (hit) visit(hit.file);
        else reach.add(i.target);
      }
    };
    visit('ui/room/Room.tsx');
    const heavy =
      /^(core\/(kinds|rules|bank)|ui\/(bench|rules)|katex|mathlive|decimal.js|@tiptap|d3|fraction\.js|zod|react-bootstrap)/;
    expect([...reach].filter((f) => heavy.test(f))).toEqual([]);
  });
});
