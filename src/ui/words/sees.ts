import { listed } from './marks';
import { type Aspect, ASPECTS, type Moment, MOMENTS, type Sees } from '@/core/exams/sees';

export const ASPECT_WORDS: Record<Aspect, string> = {
  marks: 'marks',
  right: 'right or not',
  key: 'the key',
  explanation: 'explanations',
  remarks: 'remarks',
};

export const MOMENT_WORDS: Record<Moment, string> = {
  'at once': 'when checked',
  'handed in': 'handed in',
  released: 'released',
  never: 'never',
};

const WHEN: Record<Moment, string> = {
  'at once': 'as soon as they check an answer',
  'handed in': 'when they have handed in',
  released: 'when you release the results',
  never: 'never',
};

/** The table as one sentence. */
export function seesSentence(sees: Sees): string {
  const parts = MOMENTS.flatMap((moment) => {
    const seen = ASPECTS.filter((aspect) => sees[aspect] === moment);
    return seen.length === 0 ? [] : [`${listed(seen.map((aspect) => ASPECT_WORDS[aspect]))} ${WHEN[moment]}`];
  });
  return `They see ${parts.join('; ')}.`;
}
