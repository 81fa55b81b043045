import type { RecordSheet } from '@/core/kinds/record/record';
import { plural } from '../../words/marks';

/** How long it can be and how often it can be tried, in one sentence. */
export function askedFor({ takes, seconds, tries }: Pick<RecordSheet, 'takes' | 'seconds' | 'tries'>): string {
  const what = takes === 'film' ? 'A film' : 'Your voice';
  const long = seconds % 60 === 0 ? plural(seconds / 60, 'minute') : plural(seconds, 'second');
  const often = tries === null ? 'as often as you like' : tries === 1 ? 'once' : `up to ${tries} times`;
  return `${what}, up to ${long}, recorded ${often}.`;
}
