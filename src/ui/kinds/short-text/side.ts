import type { ShortTextResponse, ShortTextSheet } from '@/core/kinds/short-text/short-text';
import type { KindSide } from '../contract';
import { words } from './words';

export const shortTextSide: KindSide<ShortTextSheet, ShortTextResponse> = {
  words,
  answered: (response) => (response?.text.trim() ?? '') !== '',
};
