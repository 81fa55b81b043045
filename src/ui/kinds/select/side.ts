import type { SelectResponse, SelectSheet } from '@/core/kinds/select/select';
import type { KindSide } from '../contract';
import { words } from './words';

export const selectSide: KindSide<SelectSheet, SelectResponse> = {
  words,
  answered: (response) => (response?.selected.length ?? 0) > 0,
};
