import type { PlacesResponse, PlacesSheet } from '@/core/kinds/formula-with-places/formula-with-places';
import type { KindSide } from '../contract';
import { words } from './words';
import { filledFormula } from './filled';

export const formulaWithPlacesSide: KindSide<PlacesSheet, PlacesResponse> = {
  words,
  answered: (response) => Object.values(response?.places ?? {}).some((typed) => typed.trim() !== ''),
  formulas: (response, { formula }) => [filledFormula(formula, response)],
};
