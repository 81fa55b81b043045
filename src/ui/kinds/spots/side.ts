import type { SpotsResponse, SpotsSheet } from '@/core/kinds/spots/spots';
import type { KindSide } from '../contract';
import { words } from './words';

export const spotsSide: KindSide<SpotsSheet, SpotsResponse> = {
  words,
  answered: (response) => (response?.points.length ?? 0) > 0,
};
