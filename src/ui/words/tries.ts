import type { Tries } from '@/core/sittings/tries';
import { plural } from './marks';

const COUNTS: Record<Tries['counts'], string> = {
  best: 'the best counts',
  last: 'the last counts',
  mean: 'their mean counts',
};

/** Which of several attempts counts. */
export const triesText = ({ counts }: Pick<Tries, 'counts'>): string => COUNTS[counts];

/** "Each may sit it 3 times, 10 minutes apart; the best counts; each time with another paper." */
export function triesSentence({ most, apart, counts, same }: Tries): string {
  const often = most === null ? 'as often as they like' : `${most} times`;
  const wait = apart > 0 ? `, ${plural(apart, 'minute')} apart` : '';
  return `Each may sit it ${often}${wait}; ${COUNTS[counts]}; ${same ? 'each time the same paper' : 'each time with draws and numbers of its own'}.`;
}
