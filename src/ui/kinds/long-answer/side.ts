import dynamic from 'next/dynamic';
import type { LongAnswerResponse, LongAnswerSheet } from '@/core/kinds/long-answer/long-answer';
import type { KindSide } from '../contract';
import { words } from './words';

export const longAnswerSide: KindSide<LongAnswerSheet, LongAnswerResponse> = {
  words,
  Student: dynamic(() => import('./student').then((half) => half.Student)),
  Review: dynamic(() => import('./student').then((half) => half.Review)),
  half: () => import('./student'),
  answered: (response) => (response?.text.trim() ?? '') !== '' || (response?.files?.length ?? 0) > 0,
  formulas: ({ text }) => [...text.matchAll(/\$([^$]+)\$/g)].map((match) => match[1] ?? ''),
};
