import dynamic from 'next/dynamic';
import type { ScaleResponse, ScaleSheet } from '@/core/kinds/scale/scale';
import type { KindSide } from '../contract';
import { words } from './words';

export const scaleSide: KindSide<ScaleSheet, ScaleResponse> = {
  words,
  Student: dynamic(() => import('./student').then((half) => half.Student)),
  Review: dynamic(() => import('./student').then((half) => half.Review)),
  half: () => import('./student'),
  answered: (response) => (response?.value ?? null) !== null,
};
