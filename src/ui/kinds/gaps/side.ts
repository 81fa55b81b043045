import type { GapsSheet } from '@/core/kinds/gaps/gaps';
import type { PlacedResponse } from '@/core/rules/placing/placed';
import type { KindSide } from '../contract';
import { words } from './words';

export const gapsSide: KindSide<GapsSheet, PlacedResponse> = {
  words,
  answered: (response) => (response?.placed.length ?? 0) > 0,
};
