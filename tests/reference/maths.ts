import { readFileSync } from 'node:fs';
import path from 'node:path';
import { type Comparison, compareMaths, type Mode } from '@/core/rules/maths/compare';

interface Pair {
  mode: Mode;
  key: string;
  answer: string;
  options: Record<string, unknown>;
  expected: string;
  accept: string[];
}

export interface MathsRow {
  name: string;
  mode: Mode;
  expected: string;
  accept: string[];
  got: string;
  /** What the processor took for it. */
  ms: number;
}

/** What a verdict counts as: a marker that hands an answer to a person counts as "false". */
const COUNTS = { right: 'true', wrong: 'false', unreadable: 'invalid', undecided: 'false' } as const;

/**
 * Pairs of key and answer with the verdict, by the conventions in the fixtures' README; verdicts by
 * construction and cross-checked with SymPy 1.11. `file` is a JSON-lines file or its folder (pairs.jsonl).
 */
export function mathsRows(file: string): MathsRow[] {
  const lines = readFileSync(file.endsWith('.jsonl') ? file : path.join(file, 'pairs.jsonl'), 'utf8').split('\n');
  return lines
    .filter((line) => line.trim() !== '')
    .map((line) => {
      const { mode, key, answer, options, expected, accept } = JSON.parse(line) as Pair;
      const from = process.cpuUsage();
      let got: string;
      try {
        got = COUNTS[compareMaths(key, answer, comparisonOf(mode, options)).verdict];
      } catch (error) {
        got = `threw ${(error as Error).message}`;
      }
      const { user, system } = process.cpuUsage(from);
      return {
        name: `${mode}: ${key} — ${answer.slice(0, 60)}`,
        mode,
        expected,
        accept,
        got,
        ms: (user + system) / 1000,
      };
    });
}

function comparisonOf(mode: Mode, options: Record<string, unknown>): Comparison {
  const tolerance = options.tolerance as Record<string, number> | undefined;
  const [[by, amount] = []] = Object.entries(tolerance ?? {});
  const read = by === 'sigfigs' ? tolerance : by ? { [by]: String(amount) } : undefined;
  return { ...options, mode, ...(read ? { tolerance: read } : {}) } as Comparison;
}

export const agreed = (row: MathsRow): boolean => row.accept.includes(row.got);

/** The figures over all rows and per mode. */
export function mathsFigures(rows: readonly MathsRow[]): Record<string, unknown> {
  const times = rows.map((r) => r.ms).sort((a, b) => a - b);
  const falseAccept = (r: MathsRow): boolean => r.got === 'true' && !r.accept.includes('true');
  const falseRefuse = (r: MathsRow): boolean => r.got !== 'true' && r.expected === 'true' && !agreed(r);
  const of = (part: readonly MathsRow[]) => ({
    rows: part.length,
    agree: part.filter(agreed).length,
    falseAccept: part.filter(falseAccept).length,
    falseRefuse: part.filter(falseRefuse).length,
    threw: part.filter((r) => r.got.startsWith('threw')).length,
  });
  const modes = [...new Set(rows.map((r) => r.mode))];
  const rounded = (ms: number): number => Math.round(ms * 100) / 100;
  return {
    ...of(rows),
    medianms: rounded(times[Math.floor(times.length / 2)] ?? 0),
    p95ms: rounded(times[Math.floor(times.length * 0.95)] ?? 0),
    maxms: rounded(times.at(-1) ?? 0),
    modes: Object.fromEntries(modes.map((mode) => [mode, of(rows.filter((r) => r.mode === mode))])),
  };
}
