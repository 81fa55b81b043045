import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { expect, it } from 'vitest';
import { FINDING_CODES } from '@/ui/words/findings';
import { REFUSAL_CODES } from '@/ui/words/refusals';
import { TRACE_CODES } from '@/ui/words/traces';

const src = path.resolve(import.meta.dirname, '../../src');
const files = (folder: string): string[] =>
  readdirSync(path.join(src, folder), { recursive: true, encoding: 'utf8' })
    .filter((f) => f.endsWith('.ts') && !f.endsWith('.test.ts'))
    .map((f) => readFileSync(path.join(src, folder, f), 'utf8'));
const found = (texts: string[], pattern: RegExp): string[] => [
  ...new Set(texts.flatMap((t) => [...t.matchAll(pattern)].map((m) => m[1] ?? ''))),
];

const core = files('core');
const server = files('server');

it('every finding that the core can make has its sentence', () => {
  const made = [...found(core, /\b(?:stops|warns)\(\s*'([a-z-]+)'/g), ...found(core, /\{ code: '([a-z-]+)', weight/g)];
  expect(made.length).toBeGreaterThan(20);
  expect(made.filter((code) => !FINDING_CODES.includes(code))).toEqual([]);
});

it('every refusal that the server can give has its sentence', () => {
  const made = found([...server, ...core], /\brefuse\(\s*'([a-z-]+)'/g);
  expect(made.length).toBeGreaterThan(20);
  expect(made.filter((code) => !REFUSAL_CODES.includes(code))).toEqual([]);
});

it('every step of a trace has its sentence', () => {
  const made = found([...core, ...server], /code: '([a-z-]+)'(?!, weight)/g).filter((c) => c !== 'custom');
  expect(made.length).toBeGreaterThan(15);
  expect(made.filter((code) => !TRACE_CODES.includes(code) && !FINDING_CODES.includes(code))).toEqual([]);
});
