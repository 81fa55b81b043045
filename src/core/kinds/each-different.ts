import { type Finding, stops } from '../base/finding';
import type { Shown } from '../content/shown';
import { plainReading } from '../rules/text/normalise';

/** What is wrong with lines of which each must say something, and something else: options, items, groups, names. */
export function eachDifferent(rows: readonly Shown[], at: string): Finding[] {
  const seen = new Set<string>();
  return rows.flatMap(({ id, text, media }) => {
    const plain = plainReading(text);
    if (plain === '') return [stops(media ? 'line-unsaid' : 'line-empty', [at, id])];
    if (seen.has(plain)) return [stops('line-twice', [at, id], { text: plain })];
    seen.add(plain);
    return [];
  });
}
