import { sum } from './numbers';

/** Two persons who gave the same wrong answers. */
export interface AlikePair {
  /** Rows of the two. */
  persons: [number, number];
  /** How many items both had wrong, and in how many of those they gave the same answer. */
  bothWrong: number;
  same: number;
  /** How many such pairs are to be expected in the whole group if all had answered on their own. */
  expected: number;
}

/** Of more persons pairs are not compared: half a million of them take about a second. */
export const MOST_COMPARED = 1000;

/** Pairs with fewer common wrong answers are not looked at. */
const FEWEST_SAME = 3;

/**
 * Pairs of persons with more common wrong answers than answering on one's own
 * explains. `wrong` holds, for each person and item, the wrong answer that was
 * given, and null where it was right, empty or not met. Two who are both wrong
 * are taken to give the same answer with the chance Σp², p being the shares of
 * the wrong answers of that item; the number of common ones is then a sum of
 * independent chances, whose tail is reckoned exactly. Times the number of
 * pairs that is what is expected of a whole group (the correction of Bonferroni).
 * It is a hint to look, never a verdict: friends learn together, and slips are
 * common where they were taught. Null of more persons than are compared.
 */
export function alikeWrong(wrong: readonly (readonly (string | null)[])[], most = 0.05): AlikePair[] | null {
  if (wrong.length > MOST_COMPARED) return null;
  const items = wrong[0]?.length ?? 0;
  const chance = Array.from({ length: items }, (_, i) => {
    const given = wrong.flatMap((row) => row[i] ?? []);
    const counts = new Map<string, number>();
    for (const one of given) counts.set(one, (counts.get(one) ?? 0) + 1);
    return given.length === 0 ? 0 : sum([...counts.values()].map((n) => (n / given.length) ** 2));
  });
  const pairs = (wrong.length * (wrong.length - 1)) / 2;
  const found: AlikePair[] = [];
  wrong.forEach((row, a) => {
    for (let b = 0; b < a; b += 1) {
      const other = wrong[b] ?? [];
      const both = row.flatMap((one, i) => (one !== null && (other[i] ?? null) !== null ? [i] : []));
      const same = both.filter((i) => row[i] === other[i]).length;
      // Mostly alike is what a hint needs, and what keeps the reckoning short.
      if (same < FEWEST_SAME || same * 2 < both.length) continue;
      const expected =
        pairs *
        atLeast(
          same,
          both.map((i) => chance[i] ?? 0),
        );
      if (expected < most) found.push({ persons: [b, a], bothWrong: both.length, same, expected });
    }
  });
  return found.toSorted((a, b) => a.expected - b.expected);
}

/** The chance that at least so many of independent events happen. */
function atLeast(count: number, chances: readonly number[]): number {
  // At index n the chance of n so far; the last holds all from `count` on.
  const so = [1, ...new Array<number>(count).fill(0)];
  for (const p of chances) {
    so[count] = (so[count] ?? 0) + p * (so[count - 1] ?? 0);
    for (let n = count - 1; n >= 0; n -= 1) so[n] = (so[n] ?? 0) * (1 - p) + p * (n > 0 ? (so[n - 1] ?? 0) : 0);
  }
  return so[count] ?? 0;
}
