import { ENGLISH_WORDS } from './lists/english';

let words: Set<string> | null = null;

function unfolded(): Set<string> {
  const all = new Set<string>();
  let before = '';
  for (const [, shared = 'A', rest = ''] of ENGLISH_WORDS.matchAll(/([A-Z])([a-z]*)/g)) {
    before = before.slice(0, shared.charCodeAt(0) - 65) + rest;
    all.add(before);
  }
  return all;
}

/** Whether it is a word of English, in small letters; of about 118,000, without names. */
export function isEnglishWord(word: string): boolean {
  words ??= unfolded();
  return words.has(word);
}

const OUR =
  /^(?!hour|four|tour|pour|sour|your|flour|devour|contour|detour|scour)(\w{2,})our(s|ed|ing|al|able|less|ful)?$/;
const RE = /^(cent|met|\w+met|lit|\w+lit|fib|theat|calib|spect|lust|somb|meag|sab)re(s|d)?$/;
const SAME: Readonly<Record<string, string>> = {
  aluminium: 'aluminum',
  grey: 'gray',
  tyre: 'tire',
  tyres: 'tires',
  programme: 'program',
  programmes: 'programs',
  sceptical: 'skeptical',
  mould: 'mold',
  plough: 'plow',
  cheque: 'check',
  kerb: 'curb',
  storey: 'story',
  draught: 'draft',
};

/** One spelling for the British and the American one of a word in small letters: colour → color, centre → center (common practice, no source). */
export function oneSpelling(word: string): string {
  const same = Object.hasOwn(SAME, word) ? SAME[word] : undefined;
  if (same) return same;
  return word
    .replace(OUR, '$1or$2')
    .replace(RE, '$1er$2')
    .replace(/^(\w{4,})is(e|ed|es|er|ers|ing|ation|ations)$/, '$1iz$2')
    .replace(/^(\w{3,})ys(e|ed|es|er|ing)$/, '$1yz$2')
    .replace(/^(\w{3,}[aeiou])ll(ed|ing|er|ers)$/, '$1l$2')
    .replace(/^(\w{3,})ogue(s?)$/, '$1og$2')
    .replace(/^(an|p|h|f)ae/, '$1e')
    .replace(/sulph/, 'sulf');
}
