import type { SortSheet } from '@/core/kinds/sort/sort';
import type { PlacedResponse } from '@/core/rules/placing/placed';
import type { KindSide } from '../contract';
import { words } from './words';

export const sortSide: KindSide<SortSheet, PlacedResponse> = {
  words,
  answered: (response) => (response?.placed.length ?? 0) > 0,
};
