import type { PlacesResponse } from '@/core/kinds/formula-with-places/formula-with-places';

/** The formula with what was answered in its places, each in a box. */
export function filledFormula(formula: string, { places }: PlacesResponse): string {
  const filled = formula.replace(
    /\\placeholder\[([a-z0-9]+)\]\{\}/g,
    (_, id: string) => `\\boxed{${places[id]?.trim() || '\\;'}}`,
  );
  return `\\displaystyle ${filled}`;
}
