import type { SayResponse, SaySheet } from '@/core/kinds/say/say';
import type { KindSide } from '../contract';
import { words } from './words';

export const saySide: KindSide<SaySheet, SayResponse> = {
  words,
  answered: (response) => response !== undefined && response.file !== null,
};
