import dynamic from 'next/dynamic';
import type { ChoiceResponse, ChoiceSheet } from '@/core/kinds/choice/choice';
import type { KindSide } from '../contract';
import { words } from './words';

export const choiceSide: KindSide<ChoiceSheet, ChoiceResponse> = {
  words,
  Student: dynamic(() => import('./student').then((half) => half.Student)),
  Review: dynamic(() => import('./student').then((half) => half.Review)),
  half: () => import('./student'),
  answered: (response) => (response?.chosen.length ?? 0) > 0,
};
