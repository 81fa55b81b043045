import type { LabelResponse, LabelSheet } from '@/core/kinds/label/label';
import type { KindSide } from '../contract';
import { words } from './words';

export const labelSide: KindSide<LabelSheet, LabelResponse> = {
  words,
  answered: (response) =>
    (response?.placed.length ?? 0) > 0 || (response?.typed ?? []).some(({ text }) => text.trim() !== ''),
};
