import dynamic from 'next/dynamic';
import type { ShortTextResponse, ShortTextSheet } from '@/core/kinds/short-text/short-text';
import type { KindSide } from '../contract';
import { words } from './words';

export const shortTextSide: KindSide<ShortTextSheet, ShortTextResponse> = {
  words,
  Student: dynamic(() => import('./student').then((half) => half.Student)),
  Review: dynamic(() => import('./student').then((half) => half.Review)),
  half: () => import('./student'),
  answered: (response) => (response?.text.trim() ?? '') !== '',
};
