import { quoted } from '../../words/quoted';
import type { KindWords } from '../contract';

export const words: KindWords = {
  name: 'label a picture',
  sign: '↗',
  traces: {
    'label-unread': (v, e) => `${v.at}: ${quoted(e)} is none of the names; a person decides`,
  },
  findings: {
    'label-no-picture': () => 'There is no picture to label yet. Choose one on the sheet.',
    'label-no-place': () => 'No name has a place yet. Click the picture where the first one belongs.',
    'label-place-empty': (v) => `No name belongs to place ${v.number}.`,
    'label-name-used': (v) =>
      `The name of place ${v.number} belongs to an earlier place, too. Let names be used again.`,
    'label-places-near': (v) => `Places ${v.other} and ${v.number} stand on top of each other.`,
    'label-no-distractor': () =>
      'Every name has a place: the last one is found without knowing it. Add a name that is left over.',
  },
};
