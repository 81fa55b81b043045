import type { DrawResponse, DrawSheet } from '@/core/kinds/draw/draw';
import type { KindSide } from '../contract';
import { words } from './words';

export const drawSide: KindSide<DrawSheet, DrawResponse> = {
  words,
  answered: (response) => response !== undefined && (response.shapes.length > 0 || response.words.trim() !== ''),
};
