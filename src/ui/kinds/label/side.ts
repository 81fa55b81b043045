import type { LabelSheet } from '@/core/kinds/label/label';
import type { PlacedResponse } from '@/core/rules/placing/placed';
import type { KindSide } from '../contract';
import { words } from './words';

export const labelSide: KindSide<LabelSheet, PlacedResponse> = {
  words,
  answered: (response) => (response?.placed.length ?? 0) > 0,
};
