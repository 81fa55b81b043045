import { type Exact, parseExact } from '../../base/exact';
import { plainDigits, plainQuotes } from '../text/normalise';

/**
 * How a typed number can be read. `other` is set when a single mark with three
 * digits behind it ("1.234") can also be a thousands separator.
 */
export interface NumberReading {
  value: Exact;
  other?: Exact;
  /** What stood behind the number: a unit, or nothing. */
  rest: string;
}

const SUPERSCRIPT_DIGITS = '⁰¹²³⁴⁵⁶⁷⁸⁹';

/** Signs of one meaning in one spelling; spaces inside digit groups removed. */
function tidy(text: string): string {
  return (
    plainQuotes(plainDigits(text.normalize('NFC')))
      .replace(/[\u200b\ufeff\u00ad]/g, '')
      .replace(/\u066b/g, '.')
      .replace(/\u066c/g, ' ')
      .replace(
        /[⁰¹²³⁴⁵⁶⁷⁸⁹⁻]+/g,
        (run) => `^${[...run].map((c) => (c === '⁻' ? '-' : SUPERSCRIPT_DIGITS.indexOf(c))).join('')}`,
      )
      // A fraction in one sign (Unicode, Number Forms) falls into its two numbers.
      .replace(/[¼-¾⅐-⅞↉]/g, (sign) => ` ${sign.normalize('NFKC').replace('⁄', '/')}`)
      .replace(/[\s\u00a0\u202f]+/g, ' ')
      .trim()
      .replace(/(\d)['  ](?=\d{3}(?!\d))/g, '$1')
  );
}

const NUMBER = /^([+-]?\s?)(\d[\d.,]*|[.,]\d+)/;
const POWER = /^\s?(?:[eE]([+-]?\d{1,6})(?![\d.])|[x×*·⋅]\s?10\s?\^?\s?\(?([+-]?\d{1,6})\)?)/;
const MIXED = /^ (\d{1,6})\/(\d{1,6})(?![\d/])/;
const OVER = /^\s?\/\s?(\d{1,12})(?![\d.,])/;

/**
 * Reads a number as people type it: comma or point, thousands, powers of ten,
 * fractions, a percent sign, digits of other scripts; then whatever follows as
 * a unit. Null when it does not start with a number, when its separators make
 * no sense, or when it is beyond the range of numbers here (1e±300).
 */
export function readNumber(text: string): NumberReading | null {
  if (text.length > 400) return null;
  const source = tidy(text);
  const match = NUMBER.exec(source);
  if (!match) return null;
  const sign = match[1]?.trim() === '-' ? '-' : '';
  const written = (match[2] ?? '').replace(/[.,]$/, '');
  let rest = source.slice((match[1] ?? '').length + written.length);
  const readings = separators(written);
  if (!readings) return null;

  let scale = '';
  const power = POWER.exec(rest);
  if (power) {
    scale = `e${power[1] ?? power[2]}`;
    rest = rest.slice(power[0].length);
  }
  const over = scale === '' ? OVER.exec(rest) : null;
  const mixed = scale === '' && /^\d+$/.test(written) ? MIXED.exec(rest) : null;
  const [first, second] = readings;
  let value = parseExact(`${sign}${first}${scale}`);
  if (over && value) {
    const below = parseExact(over[1] ?? '');
    if (!below || below.equals(0)) return null;
    value = value.div(below);
    rest = rest.slice(over[0].length);
  } else if (mixed && value) {
    const part = parseExact(`${mixed[1]}/${mixed[2]}`);
    if (!part) return null;
    value = sign === '-' ? value.sub(part) : value.add(part);
    rest = rest.slice(mixed[0].length);
  }
  if (!value) return null;
  const other = second && !over ? parseExact(`${sign}${second}${scale}`) : null;
  return { value, ...(other ? { other } : {}), rest: rest.trim() };
}

/** The number that a whole text is: "1½", "2,5", "3/4". Null when anything else stands in it ("2 apples"). */
export function wholeNumber(text: string): Exact | null {
  const reading = readNumber(text);
  return reading?.rest === '' ? reading.value : parseExact(text.trim());
}

/** Digits with a decimal point, in the likeliest reading first; null when the separators contradict each other. */
function separators(written: string): [string, string?] | null {
  const marks = written.replace(/\d/g, '');
  if (marks === '') return [written];
  const kinds = new Set(marks);
  const last = written.lastIndexOf(marks.slice(-1));
  const behind = written.length - last - 1;
  if (kinds.size === 2) {
    const decimal = marks.slice(-1);
    const thousands = decimal === '.' ? ',' : '.';
    if (marks.indexOf(decimal) !== marks.length - 1) return null;
    const whole = written.slice(0, last);
    return groups(whole, thousands) ? [`${whole.replaceAll(thousands, '')}.${written.slice(last + 1)}`] : null;
  }
  if (marks.length > 1) return groups(written, marks.charAt(0)) ? [written.replaceAll(marks.charAt(0), '')] : null;
  const decimal = written.replace(',', '.');
  const maybeThousands = behind === 3 && last >= 1 && last <= 3 && !written.startsWith('0');
  return maybeThousands ? [decimal, written.replace(/[.,]/, '')] : [decimal];
}

function groups(text: string, separator: string): boolean {
  const [head = '', ...tail] = text.split(separator);
  return head.length >= 1 && head.length <= 3 && tail.every((part) => part.length === 3);
}
