import type { MathsResponse, MathsSheet } from '@/core/kinds/maths/maths';
import type { ResponseSide } from '../contract';

export const mathsResponse: ResponseSide<MathsSheet, MathsResponse> = {
  answered: (response) => (response?.formula.trim() ?? '') !== '',
  formulas: ({ formula }) => [formula.trim()],
};
