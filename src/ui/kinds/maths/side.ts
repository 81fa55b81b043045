import type { MathsResponse, MathsSheet } from '@/core/kinds/maths/maths';
import type { KindSide } from '../contract';
import { words } from './words';

export const mathsSide: KindSide<MathsSheet, MathsResponse> = {
  words,
  answered: (response) => (response?.formula.trim() ?? '') !== '',
  formulas: ({ formula }) => [formula.trim()],
};
