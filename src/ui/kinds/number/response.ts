import type { NumberResponse, NumberSheet } from '@/core/kinds/number/number';
import type { ResponseSide } from '../contract';

export const numberResponse: ResponseSide<NumberSheet, NumberResponse> = {
  answered: (response) => (response?.number.trim() ?? '') !== '',
};
