/**
 * How an English word sounds, roughly: letters that are heard alike are one,
 * doubled and silent ones go, and vowels between consonants are all alike
 * (after the idea of Russell's Soundex and Philips' Metaphone; the table is
 * ours). For small letters; words that sound alike may still be different.
 */
export function soundOf(word: string): string {
  return word
    .replace(/^(?:kn|gn|pn)/, 'n')
    .replace(/^wr/, 'r')
    .replace(/^ps/, 's')
    .replace(/^wh/, 'w')
    .replace(/tion|sion|cian/g, 'xn')
    .replace(/ph/g, 'f')
    .replace(/sch|sc(?=[eiy])/g, 's')
    .replace(/c(?=[eiy])/g, 's')
    .replace(/ck|ch|qu|q|c/g, 'k')
    .replace(/dg(?=[eiy])|g(?=[eiy])/g, 'j')
    .replace(/gh/g, '')
    .replace(/z/g, 's')
    .replace(/x/g, 'ks')
    .replace(/[aeiouyhw]+$/, '')
    .replace(/(?!^)[aeiouyhw]+/g, 'a')
    .replace(/(.)\1+/g, '$1');
}
