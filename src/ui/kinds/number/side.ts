import type { NumberResponse, NumberSheet } from '@/core/kinds/number/number';
import type { KindSide } from '../contract';
import { words } from './words';

export const numberSide: KindSide<NumberSheet, NumberResponse> = {
  words,
  answered: (response) => (response?.number.trim() ?? '') !== '',
};
