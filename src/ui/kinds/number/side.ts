import dynamic from 'next/dynamic';
import type { NumberResponse, NumberSheet } from '@/core/kinds/number/number';
import type { KindSide } from '../contract';
import { words } from './words';

export const numberSide: KindSide<NumberSheet, NumberResponse> = {
  words,
  Student: dynamic(() => import('./student').then((half) => half.Student)),
  Review: dynamic(() => import('./student').then((half) => half.Review)),
  half: () => import('./student'),
  answered: (response) => (response?.number.trim() ?? '') !== '',
};
