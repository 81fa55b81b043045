import { readFileSync } from 'node:fs';
import path from 'node:path';
import { convert, parseUnit, sameDimension } from '@/core/rules/number/units';
import { exact } from '@/core/base/exact';
import { type Row, within } from './compare';

/**
 * Conversions by SI Brochure (9th ed.) and NIST SP 811 definitions, cross-checked with GNU units 2.22;
 * columns value, from, to, expected, kind; "incompatible" must be refused. `file` is conversions.csv or its folder.
 */
export function unitRows(file: string): Row[] {
  const csv = file.endsWith('.csv') ? file : path.join(file, 'conversions.csv');
  const lines = readFileSync(csv, 'utf8').trim().split(/\r?\n/).slice(1);
  return lines.map((line) => {
    const [value = '', from = '', to = '', expected = '', kind = ''] = line.split(',');
    const got = convert(value, from, to);
    const name = `${value} ${from} → ${to}`;
    if (kind === 'incompatible') return { name, expected: 'refused', got: got === null ? 'refused' : got.toString() };
    return {
      name,
      expected: String(Number(expected)),
      got: got === null ? 'refused' : within(Number(expected), got.valueOf()),
    };
  });
}

interface Spellings {
  same: string[][];
  different: [string, string][];
}

/** Spellings that mean one unit, and pairs that must not be taken for one another. */
export function spellingRows(file: string): Row[] {
  const { same, different } = JSON.parse(readFileSync(file, 'utf8')) as Spellings;
  const equal = (a: string, b: string): string => {
    const [x, y] = [parseUnit(a), parseUnit(b)];
    if (!x || !y) return 'different';
    return sameDimension(x, y) && x.factor.equals(y.factor) && x.offset.equals(exact(0)) ? 'same' : 'different';
  };
  return [
    ...same.flatMap(([first = '', ...rest]) =>
      rest.map((other) => ({ name: `${first} = ${other}`, expected: 'same', got: equal(first, other) })),
    ),
    ...different.map(([a, b]) => ({ name: `${a} ≠ ${b}`, expected: 'different', got: equal(a, b) })),
  ];
}
