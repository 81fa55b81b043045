import type { LongAnswerResponse, LongAnswerSheet } from '@/core/kinds/long-answer/long-answer';
import type { KindSide } from '../contract';
import { words } from './words';

export const longAnswerSide: KindSide<LongAnswerSheet, LongAnswerResponse> = {
  words,
  answered: (response) => (response?.text.trim() ?? '') !== '' || (response?.files?.length ?? 0) > 0,
  formulas: ({ text }) => [...text.matchAll(/\$([^$]+)\$/g)].map((match) => match[1] ?? ''),
};
