import type { StoryStep } from '@/core/sittings/story';
import { plural } from './marks';
import { timeOnly } from './time';

/** A step of the story of an attempt as a sentence, without its beginning time. */
export function storyText({ what, until, by, note, count = 0 }: StoryStep, zone: string): string {
  const reason = note ? `: ${note}` : '';
  const to = until === undefined ? '' : until === null ? ', and still' : ` until ${timeOnly(until, zone)}`;
  const who = by ?? 'a teacher';
  switch (what) {
    case 'began':
      return 'began';
    case 'handed in':
      return 'handed in';
    case 'handed in by the clock':
      return 'was handed in by the clock';
    case 'another device':
      return 'wrote on another device';
    case 'offline':
      return `wrote without a connection; ${plural(count, 'change')} had arrived${until ? ` by ${timeOnly(until, zone)}` : ''}`;
    case 'more minutes':
      return `${who} gave ${plural(count, 'more minute')}${reason}`;
    case 'paused':
      return `${who} stopped the clock${to}`;
    case 'server away':
      return `the server was away${to}`;
    case 'wrote while paused':
      return `wrote ${plural(count, 'change')} while the clock stood still`;
    case 'break':
      return `took a break${to}`;
    case 'hint':
      return `asked for hint ${count} of question ${note}`;
    case 'let back in':
      return `${who} let them back in${reason}`;
    case 'set aside':
      return `${who} set it aside${reason}`;
    case 'brought back':
      return `${who} brought it back`;
    case 'told':
      return `${who} said${reason}`;
    case 'read what was said':
      return 'read what was said';
  }
}
