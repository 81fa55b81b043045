import type { JudgeOwnResponse, JudgeOwnSheet } from '@/core/kinds/judge-own/judge-own';
import type { KindSide } from '../contract';
import { words } from './words';

export const judgeOwnSide: KindSide<JudgeOwnSheet, JudgeOwnResponse> = {
  words,
  answered: (response) =>
    response !== undefined &&
    (response.words.trim() !== '' || Object.values(response.judgement).some(({ level }) => level !== null)),
};
