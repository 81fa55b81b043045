import type { KindWords } from '../contract';
import { quoted } from '../../words/quoted';

export const words: KindWords = {
  name: 'long answer',
  sign: '¶',
  findings: {
    'no-example': () => 'No example answer yet. One helps everybody who marks to mark alike.',
    'words-turned-round': (v) => `At least ${v.least} and at most ${v.most} words leaves nothing. Turn them round.`,
  },
  traces: {
    'long-answer': () => 'a person reads it',
    'files-beside': (v) => `${v.files === 1 ? 'one file' : `${v.files} files`} beside it`,
    'words-too-few': (v) => `${v.words} words, at least ${v.least} were asked for`,
    'words-too-many': (v) => `${v.words} words, at most ${v.most} were asked for`,
    'words-noticed': (_, e) => `noticed ${quoted(e)}`,
  },
};
