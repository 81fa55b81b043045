import dynamic from 'next/dynamic';
import type { MathsResponse, MathsSheet } from '@/core/kinds/maths/maths';
import type { KindSide } from '../contract';
import { words } from './words';

export const mathsSide: KindSide<MathsSheet, MathsResponse> = {
  words,
  Student: dynamic(() => import('./student').then((half) => half.Student)),
  Review: dynamic(() => import('./student').then((half) => half.Review)),
  half: () => import('./student'),
  answered: (response) => (response?.formula.trim() ?? '') !== '',
  formulas: ({ formula }) => [formula.trim()],
};
