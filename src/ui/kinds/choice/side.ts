import type { ChoiceResponse, ChoiceSheet } from '@/core/kinds/choice/choice';
import type { KindSide } from '../contract';
import { words } from './words';

export const choiceSide: KindSide<ChoiceSheet, ChoiceResponse> = {
  words,
  answered: (response) => (response?.chosen.length ?? 0) > 0,
};
