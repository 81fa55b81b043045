/**
 * The least number of insertions, deletions and replacements that turn one
 * sequence into the other (Levenshtein 1966); with `transpositions`, swapping
 * two neighbours counts as one step too, and no part is edited twice (optimal
 * string alignment). Works on any sequence: code points of a word, or words of
 * a text. Time and space grow with the product and the shorter length.
 */
export function editDistance<T>(
  a: readonly T[],
  b: readonly T[],
  { transpositions = false }: { transpositions?: boolean } = {},
): number {
  if (a.length < b.length) return editDistance(b, a, { transpositions });
  let before: number[] = [];
  let last = Array.from({ length: b.length + 1 }, (_, j) => j);
  for (let i = 1; i <= a.length; i++) {
    const row = [i];
    for (let j = 1; j <= b.length; j++) {
      const same = a[i - 1] === b[j - 1] ? 0 : 1;
      let best = Math.min(at(last, j) + 1, at(row, j - 1) + 1, at(last, j - 1) + same);
      if (transpositions && i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1]) {
        best = Math.min(best, at(before, j - 2) + 1);
      }
      row.push(best);
    }
    before = last;
    last = row;
  }
  return at(last, b.length);
}

function at(row: readonly number[], j: number): number {
  return row[j] ?? Number.POSITIVE_INFINITY;
}
