import type { HandInResponse, HandInSheet } from '@/core/kinds/hand-in/hand-in';
import type { KindSide } from '../contract';
import { words } from './words';

export const handInSide: KindSide<HandInSheet, HandInResponse> = {
  words,
  answered: (response) => (response?.pages.length ?? 0) > 0,
};
