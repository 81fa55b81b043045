/**
 * Reading typed text as a marker would. Unicode normalisation follows UAX #15
 * (forms NFC and NFKC); folding of capitals follows the idea of the standard's
 * full case folding, never a locale.
 */

const INVISIBLE = /[\u200b\u200c\u2060\ufeff\u00ad]/g;
/** A joiner stays between two pictographs, where it makes one character of them. */
const STRAY_JOINER = /(?<!\p{Extended_Pictographic}\ufe0f?)\u200d|\u200d(?!\p{Extended_Pictographic})/gu;
const DASHES = /[\u2010-\u2015\u2212]/g;
const SINGLE_QUOTES = /[\u2018\u2019\u201a\u201b\u2032\u02bc]/g;
const DOUBLE_QUOTES = /[\u201c\u201d\u201e\u201f\u2033\u00ab\u00bb]/g;
const DIGIT_ZEROS = [0x0660, 0x06f0, 0x0966, 0x09e6, 0x0e50, 0xff10];

/** Digits of other scripts as 0–9. */
export function plainDigits(text: string): string {
  return text.replace(/\p{Nd}/gu, (digit) => {
    const code = digit.codePointAt(0) ?? 0;
    const zero = DIGIT_ZEROS.find((start) => code >= start && code < start + 10);
    return zero === undefined ? digit : String(code - zero);
  });
}

/** Straight quotes and plain hyphens for the typographic ones. */
export function plainQuotes(text: string): string {
  return text.replace(SINGLE_QUOTES, "'").replace(DOUBLE_QUOTES, '"').replace(DASHES, '-');
}

/** What most answers are made of: nothing in it is folded away but blanks. */
const PLAIN = /^[ -~]*$/;

/**
 * The text with everything taken away that a reader does not see: compatibility
 * forms (ﬁ, ², full width), invisible characters, other scripts' digits, typographic
 * quotes and dashes, runs of spaces. Capitals and accents stay.
 */
export function plainReading(text: string): string {
  if (PLAIN.test(text)) return text.replace(/ {2,}/g, ' ').trim();
  return plainQuotes(plainDigits(text.normalize('NFKC')))
    .replace(INVISIBLE, '')
    .replace(STRAY_JOINER, '')
    .replace(/\s+/g, ' ')
    .trim();
}

/** Capitals folded away, the same on every machine: Straße → strasse. */
export function foldCapitals(text: string): string {
  return text.replace(/[^ı]+/g, (part) => part.toUpperCase().toLowerCase()).replace(/ς/g, 'σ');
}

/** Accents taken off Latin, Greek and Cyrillic letters: é → e. Other scripts keep their marks, which are letters there. */
export function foldAccents(text: string): string {
  return text
    .normalize('NFD')
    .replace(/([\p{Script=Latin}\p{Script=Greek}\p{Script=Cyrillic}])[\u0300-\u036f]+/gu, '$1')
    .normalize('NFC');
}
