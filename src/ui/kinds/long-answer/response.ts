import type { LongAnswerResponse, LongAnswerSheet } from '@/core/kinds/long-answer/long-answer';
import type { ResponseSide } from '../contract';

export const longAnswerResponse: ResponseSide<LongAnswerSheet, LongAnswerResponse> = {
  answered: (response) => (response?.text.trim() ?? '') !== '' || (response?.files?.length ?? 0) > 0,
  formulas: ({ text }) => [...text.matchAll(/\$([^$]+)\$/g)].map((match) => match[1] ?? ''),
};
