import { freshRubric } from '../../rules/rubric/rubric';
import type { KindSample } from '../contract';
import { judgeOwn, type JudgeOwnSetup } from './judge-own';

const plain = freshRubric('grid');
const rubric = {
  ...plain,
  title: 'Report',
  criteria: plain.criteria.map((one) => ({ ...one, cells: one.cells.map((cell) => ({ ...cell, words: 'as it is' })) })),
};
const keyed = (example: string): JudgeOwnSetup => ({ ...judgeOwn.fresh(), rubric, example });
const found = (level: number) => ({ level, marks: null, remark: '' });

export const sample: KindSample<JudgeOwnSetup> = {
  setup: keyed('secretkeyword'),
  otherKeys: [keyed('complete in every part'), keyed('')],
  responses: [
    { judgement: { c1: found(3), c2: found(1) }, words: 'The handover is short.' },
    { judgement: { c1: found(0) }, words: '' },
  ],
};
