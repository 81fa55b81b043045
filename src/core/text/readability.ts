/** How hard an English text is to read, with the counts behind it. */
export interface Readability {
  words: number;
  sentences: number;
  syllables: number;
  /** Flesch reading ease: 100 is very easy, 30 and below is for graduates. */
  ease: number;
  /** Flesch–Kincaid grade: years of schooling in English. */
  grade: number;
}

/** Reading ease from counts (Flesch, "A new readability yardstick", 1948). */
export function readingEase(words: number, sentences: number, syllables: number): number {
  return 206.835 - 1.015 * (words / sentences) - 84.6 * (syllables / words);
}

/** Grade level from counts (Kincaid et al., 1975). */
export function readingGrade(words: number, sentences: number, syllables: number): number {
  return 0.39 * (words / sentences) + 11.8 * (syllables / words) - 15.59;
}

/** An e before these endings is silent: care-ful, use-less, state-ment. */
const SILENT_INSIDE = /(?<=[^aeiouy])e(?=(ful|less|ly|ness|ment|some)(s|ly|ness)?$)/;
/** An e at the end is silent after a consonant or after a vowel with l or r: blade, rule, more. */
const SILENT_END = /(?<=[^aeiouylr]|[aeiouy][lr])e$/;
/** The e of -ed is silent but after t and d: turned, but tested. */
const SILENT_ED = /(?<=[^aeioutd])ed$/;
/** The e of -es is silent but after a hissing sound: blades, but boxes. */
const SILENT_ES = /(?<=[^aeioucsxzgh]|[^csxz]h|[^s]ch)es$(?<!ches|shes)/;
/** Vowels in a row that are said apart: vi-o-late, me-di-um, mu-tu-al, fly-ing, qui-et. */
const SAID_APART = /i(?:a(?!ge|ble$|l$)|o(?!u|n)|u(?=m))|[^aeiou]eo|ua(?=[lt])|[^q]ui(?=ty)|ying|iet|ism$|[aeiou]ing/g;
/** -le after a consonant is a syllable of its own: ca-ble, ca-bles. */
const OWN_LE = /[^aeiouy]les?$/;

/** Common words in which a written vowel is not said: temp(e)rature, ev(e)ry, bus(i)ness. */
const SAID_SHORTER = /^(temperature|every|business|evening|vegetable|comfortable)/;

/**
 * Syllables of an English word by rules over its spelling: groups of vowels,
 * less silent ones, plus what vowels in a row say apart. At least 1. Common
 * practice, no source; about nine of ten words come out right.
 */
export function syllables(word: string): number {
  const letters = word.toLowerCase().replace(/[^a-z]/g, '');
  if (letters.length <= 3) return letters === '' ? 0 : 1;
  const said = letters
    .replace(SILENT_INSIDE, '')
    .replace(SILENT_END, '')
    .replace(SILENT_ED, 'd')
    .replace(SILENT_ES, 's');
  const groups = (said.match(/[aeiouy]+/g) ?? []).length;
  const apart = (said.match(SAID_APART) ?? []).length;
  const le = OWN_LE.test(letters) && !/[^aeiouy]le$/.test(said) ? 1 : 0;
  return Math.max(1, groups + apart + le - (SAID_SHORTER.test(letters) ? 1 : 0));
}

/** How many words a text has: what stands between spaces and holds a letter or a digit. */
export function countWords(text: string): number {
  return text.split(/\s+/).filter((part) => /[\p{L}\p{N}]/u.test(part)).length;
}

/** Readability of a text; null when there are too few words to say anything (fewer than `least`). */
export function readability(text: string, least = 30): Readability | null {
  const words = text.match(/\p{L}[\p{L}’'-]*/gu) ?? [];
  if (words.length < least || words.length === 0) return null;
  const sentences = Math.max(1, text.split(/[.!?…]+(?=\s|$)|\n+/).filter((s) => /\p{L}/u.test(s)).length);
  const total = words.reduce((n, word) => n + Math.max(1, syllables(word)), 0);
  return {
    words: words.length,
    sentences,
    syllables: total,
    ease: readingEase(words.length, sentences, total),
    grade: readingGrade(words.length, sentences, total),
  };
}
