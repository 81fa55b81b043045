import type { RecordResponse, RecordSheet } from '@/core/kinds/record/record';
import type { KindSide } from '../contract';
import { words } from './words';

export const recordSide: KindSide<RecordSheet, RecordResponse> = {
  words,
  answered: (response) => response !== undefined && response.file !== null,
};
