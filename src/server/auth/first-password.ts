import { randomInt } from 'node:crypto';

const CONSONANTS = 'bdfghjklmnprstvz';
const VOWELS = 'aeiou';

/** A password that can be read aloud: twelve letters drawn at random, some 38 bits. */
export function firstPassword(): string {
  const syllable = (): string => `${CONSONANTS[randomInt(CONSONANTS.length)]}${VOWELS[randomInt(VOWELS.length)]}`;
  const part = (): string => syllable() + syllable();
  return [part(), part(), part()].join('-');
}
