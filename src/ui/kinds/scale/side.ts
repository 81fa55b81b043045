import type { ScaleResponse, ScaleSheet } from '@/core/kinds/scale/scale';
import type { KindSide } from '../contract';
import { words } from './words';

export const scaleSide: KindSide<ScaleSheet, ScaleResponse> = {
  words,
  answered: (response) => (response?.value ?? null) !== null,
};
