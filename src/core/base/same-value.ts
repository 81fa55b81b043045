/**
 * Whether two plain values say the same: the order of fields does not count,
 * and a field that is null or undefined counts as not there.
 */
export function sameValue(a: unknown, b: unknown): boolean {
  return a === b || canonical(a) === canonical(b);
}

function canonical(value: unknown): string {
  return (
    JSON.stringify(value, (_, v: unknown) =>
      v !== null && typeof v === 'object' && !Array.isArray(v)
        ? Object.fromEntries(
            Object.entries(v)
              .filter(([, field]) => field !== null && field !== undefined)
              .sort(([x], [y]) => (x < y ? -1 : 1)),
          )
        : v,
    ) ?? ''
  );
}
