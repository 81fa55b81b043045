import { wordsHold } from '../content/anchors';
import type { Judged } from './contract';

const FIRST_WORD = /\S+/;

/** Remarks are pinned to words of a text. */
export const judgedWords: Judged<unknown, { text: string }> = {
  text: ({ text }) => text,
  holds: (_, { text }, anchor) => wordsHold(text, anchor),
  somewhere(_, { text }) {
    const word = FIRST_WORD.exec(text);
    return word ? { at: 'words', from: word.index, to: word.index + word[0].length, quote: word[0] } : null;
  },
};
