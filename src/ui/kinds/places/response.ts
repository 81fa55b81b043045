import type { PlacesResponse, PlacesSheet } from '@/core/kinds/places/places';
import type { ResponseSide } from '../contract';

/** The formula with what was answered in its places, each in a box. */
export function filledFormula(formula: string, { places }: PlacesResponse): string {
  const filled = formula.replace(
    /\\placeholder\[([a-z0-9]+)\]\{\}/g,
    (_, id: string) => `\\boxed{${places[id]?.trim() || '\\;'}}`,
  );
  return `\\displaystyle ${filled}`;
}

export const placesResponse: ResponseSide<PlacesSheet, PlacesResponse> = {
  answered: (response) => Object.values(response?.places ?? {}).some((typed) => typed.trim() !== ''),
  formulas: (response, { formula }) => [filledFormula(formula, response)],
};
