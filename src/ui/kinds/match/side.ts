import type { MatchSheet } from '@/core/kinds/match/match';
import type { PlacedResponse } from '@/core/rules/placing/placed';
import type { KindSide } from '../contract';
import { words } from './words';

export const matchSide: KindSide<MatchSheet, PlacedResponse> = {
  words,
  answered: (response) => (response?.placed.length ?? 0) > 0,
};
