import { type Exact, parseExact } from '../../base/exact';
import { plainDigits } from '../text/normalise';
import { FUNCTIONS, GREEK, GREEK_SIGNS, RELATIONS, type Reading, SAME_LETTER, SIGNS } from './words';

/** The longest text that is read as a formula, in characters. */
export const LONGEST = 2000;

export interface Token {
  type: 'number' | 'name' | 'function' | 'sign' | 'end';
  text: string;
  /** Of a number. */
  value?: Exact;
  /** The number can also be read otherwise: one group of three behind a point where the comma is decimal. */
  doubtful?: boolean;
  /** Whether something empty stood before it. */
  apart: boolean;
  /** Written as a LaTeX command, so that a single digit is its argument. */
  command?: boolean;
}

/** A text that cannot be read as a formula. */
export class Unreadable extends Error {}

const SUPER = '⁰¹²³⁴⁵⁶⁷⁸⁹';
const SUB = '₀₁₂₃₄₅₆₇₈₉';
/** Stands for a comma inside a number, as LaTeX writes it. */
const DIGIT_COMMA = '\ue000';

/** One spelling for signs of one meaning; marks that nobody sees are taken out. */
function tidy(text: string): string {
  let out = plainDigits(text.normalize('NFC'))
    .replace(/[\u200b-\u200f\u202a-\u202e\u2060-\u2064\u2066-\u2069\ufeff\u00ad]/g, '')
    .replace(/[⁰¹²³⁴⁵⁶⁷⁸⁹⁻⁺ⁿ]+/g, (run) => `^{${[...run].map(raised).join('')}}`)
    .replace(/[₀-₉]+/g, (run) => `_{${[...run].map((c) => SUB.indexOf(c)).join('')}}`)
    .replaceAll('{,}', DIGIT_COMMA);
  for (const [sign, plain] of Object.entries(SIGNS)) out = out.replaceAll(sign, plain);
  for (const [sign, name] of Object.entries(GREEK_SIGNS)) out = out.replaceAll(sign, `\\${name} `);
  return out
    .replace(/\\(?:left|right|bigl?|bigr?|Bigl?|Bigr?|displaystyle|textstyle|limits|nolimits)(?![A-Za-z])\s*/g, '')
    .replace(/\\[,;:! ]|~|\\(?:quad|qquad|thinspace|medspace|enspace)(?![A-Za-z])|[\u00a0\u2009\u202f\t\n\r]/g, ' ')
    .replace(/\s*\.\s*$/, '');
}

function raised(sign: string): string {
  return sign === '⁻' ? '-' : sign === '⁺' ? '+' : sign === 'ⁿ' ? 'n' : String(SUPER.indexOf(sign));
}

const POINT_NUMBER = new RegExp(
  `^(?:\\d{1,3}(?: \\d{3})+(?![\\d])|\\d{1,3}(?:[,${DIGIT_COMMA}]\\d{3})+(?!\\d)|\\d+)(?:\\.\\d*)?|^\\.\\d+`,
);
const LIST_NUMBER = /^(?:\d{1,3}(?: \d{3})+(?!\d)|\d+)(?:\.\d*)?|^\.\d+/;
const COMMA_NUMBER = new RegExp(
  `^(?:\\d{1,3}(?:[. ]\\d{3})+(?!\\d)|\\d+)(?:[,${DIGIT_COMMA}]\\d+)?|^[,${DIGIT_COMMA}]\\d+`,
);
const COMMA_LIST_NUMBER = new RegExp(`^(?:\\d{1,3}(?:[. ]\\d{3})+(?!\\d)|\\d+)(?:${DIGIT_COMMA}\\d+)?`);
const POWER_OF_TEN = /^[eE]([+-]?\d{1,6})(?![\d.])/;
const REPEATING = /^\\overline\s*\{(\d{1,30})\}/;

/** Commands of which the argument is upright text: a name, a word between solutions, or a unit. */
const UPRIGHT = /^\\(?:mathrm|operatorname\*?|text|textrm|mathit|mathbf|mbox|mathsf)\s*\{([^{}]*)\}/;

const COMMAND_SIGNS: Readonly<Record<string, string>> = {
  cdot: '*',
  times: '*',
  ast: '*',
  div: '/',
  cup: '∪',
  cap: '∩',
  setminus: '∖',
  backslash: '∖',
  pm: '±',
  mp: '∓',
  lor: 'or',
  vee: 'or',
  land: 'and',
  wedge: 'and',
  langle: '⟨',
  rangle: '⟩',
  lvert: '|',
  rvert: '|',
  vert: '|',
  mid: '|',
  lbrace: '{set',
  rbrace: '}set',
  '{': '{set',
  '}': '}set',
  lbrack: '[',
  rbrack: ']',
  degree: '°',
  circ: '°',
  infty: '∞',
  emptyset: '∅',
  varnothing: '∅',
  R: 'ℝ',
  reals: 'ℝ',
  lfloor: '⌊',
  rfloor: '⌋',
  lceil: '⌈',
  rceil: '⌉',
  frac: 'frac',
  dfrac: 'frac',
  tfrac: 'frac',
  cfrac: 'frac',
  sqrt: 'sqrt',
  cbrt: 'cbrt',
  binom: 'binom',
  dbinom: 'binom',
  tbinom: 'binom',
  sum: 'sum',
  prod: 'product',
  int: 'integral',
  iint: 'integral',
  oint: 'integral',
  '\\': 'row',
  prime: "'",
  '%': '%',
  to: '→',
  rightarrow: '→',
  lim: 'limit',
  partial: 'partial',
  colon: ':',
};

/** Words of plain typing, beside functions and Greek names. */
const PLAIN_SIGNS: Readonly<Record<string, string>> = {
  sqrt: 'sqrt',
  cbrt: 'cbrt',
  infinity: '∞',
  infty: '∞',
  inf: '∞',
  oo: '∞',
  binom: 'binom',
  emptyset: '∅',
  deg: '°',
  degrees: '°',
};

/** The tokens of a formula in LaTeX or plain typing. Throws `Unreadable`. */
export function tokensOf(text: string, reading: Reading): Token[] {
  if (text.length > LONGEST) throw new Unreadable('It is too long.');
  const declared = declaredNames(reading.variables ?? []);
  let rest = tidy(text);
  const tokens: Token[] = [];
  let apart = false;
  const push = (type: Token['type'], value: string, more: Partial<Token> = {}): void => {
    tokens.push({ type, text: value, apart, ...more });
    apart = false;
  };
  const take = (length: number): void => {
    rest = rest.slice(length);
  };
  const number = reading.decimalComma
    ? reading.commaSeparates
      ? COMMA_LIST_NUMBER
      : COMMA_NUMBER
    : reading.commaSeparates
      ? LIST_NUMBER
      : POINT_NUMBER;

  while (rest !== '') {
    if (rest.startsWith(' ')) {
      apart = true;
      take(1);
      continue;
    }
    const spoken = declared.find(({ pattern }) => pattern.test(rest));
    if (spoken) {
      push('name', spoken.name);
      take(spoken.pattern.exec(rest)?.[0].length ?? 1);
      continue;
    }
    const upright = UPRIGHT.exec(rest);
    if (upright) {
      for (const t of uprightTokens(upright[1] ?? '', reading)) push(t.type, t.text);
      take(upright[0].length);
      continue;
    }
    if (/^\d|^\.\d|^[,\ue000]\d/.test(rest)) {
      const digits = number.exec(rest)?.[0] ?? (reading.decimalComma ? LIST_NUMBER.exec(rest)?.[0] : undefined);
      if (digits) {
        // A point that no group of three follows is a decimal point even where the comma is one.
        const pointed =
          reading.decimalComma && !/^[.,]/.test(digits) ? /^\d+\.\d+(?![\d.,])/.exec(rest)?.[0] : undefined;
        const written = pointed && !/^\d{1,3}(\.\d{3})+$/.test(pointed) ? pointed : digits;
        take(written.length);
        const repeating = REPEATING.exec(rest);
        const scale = repeating ? null : POWER_OF_TEN.exec(rest);
        take((repeating ?? scale)?.[0].length ?? 0);
        const plain = plainNumber(written, Boolean(reading.decimalComma) && written !== pointed);
        const value = parseExact(`${plain}${scale ? `e${scale[1]}` : ''}`);
        if (!value) throw new Unreadable('A number is beyond what can be read.');
        const doubtful = Boolean(reading.decimalComma) && /^\d{1,3}\.\d{3}$/.test(written);
        push('number', `${plain}${scale?.[0] ?? ''}`, {
          value: repeating ? value.add(repeated(plain, repeating[1] ?? '')) : value,
          ...(doubtful ? { doubtful } : {}),
        });
        continue;
      }
    }
    const blackboard = /^\\mathbb\s*\{?\s*R\s*\}?/.exec(rest);
    if (blackboard) {
      push('sign', 'ℝ');
      take(blackboard[0].length);
      continue;
    }
    const environment = /^\\(begin|end)\s*\{([A-Za-z]+)\*?\}/.exec(rest);
    if (environment) {
      push('sign', environment[1] === 'end' ? 'end' : `begin ${environment[2]}`);
      take(environment[0].length);
      continue;
    }
    const command = /^\\([A-Za-z]+|.)/.exec(rest);
    if (command) {
      const word = command[1] ?? '';
      take(command[0].length);
      pushWord(word);
      continue;
    }
    const relation = /^(?:==|!=|<>|<=|=<|>=|=>|=|<|>)/.exec(rest);
    if (relation) {
      push('sign', RELATIONS[relation[0]] ?? '=');
      take(relation[0].length);
      continue;
    }
    const between = /^U(?=\s*[([\]{])/.exec(rest);
    if (between && /^[)\]}[]$/.test(tokens.at(-1)?.text ?? '') && !reading.known?.has('U')) {
      push('sign', '∪');
      take(1);
      continue;
    }
    const letters = /^\p{L}+/u.exec(rest);
    if (letters) {
      const run = letters[0];
      take(run.length);
      for (const t of splitRun(run, reading)) push(t.type, t.text);
      continue;
    }
    const sign = rest.startsWith('**') ? '**' : rest.charAt(0);
    take(sign.length);
    if (sign === '**') push('sign', '^');
    else if ("+-*/^_!%()[]{}|,;:&'".includes(sign)) push('sign', sign);
    else if (sign === DIGIT_COMMA) push('sign', ',');
    else throw new Unreadable(`“${sign}” cannot be read here.`);
  }
  push('end', '');
  return tokens;

  function pushWord(word: string): void {
    const sign = COMMAND_SIGNS[word];
    const relation = RELATIONS[word];
    const called = FUNCTIONS[word];
    if (Object.hasOwn(COMMAND_SIGNS, word) && sign) push('sign', sign, { command: true });
    else if (Object.hasOwn(RELATIONS, word) && relation) push('sign', relation);
    else if (word === 'pi') push('name', 'pi');
    else if (Object.hasOwn(FUNCTIONS, word) && called) push('function', called, { command: true });
    else if (word === 'log' || word === 'lg' || word === 'lb') push('function', word, { command: true });
    else if ((GREEK as readonly string[]).includes(word)) push('name', SAME_LETTER[word] ?? word);
    else if (/^(?:dot|ddot|vec|hat|bar|overline|underline|tilde|overrightarrow)$/.test(word))
      push('sign', `accent ${word}`);
    else throw new Unreadable(`“\\${word}” is not known here.`);
  }
}

function plainNumber(written: string, comma: boolean): string {
  const plain = comma ? written.replace(/[. ]/g, '').replace(/[,\ue000]/, '.') : written.replace(/[ ,\ue000]/g, '');
  return plain.endsWith('.') ? plain.slice(0, -1) : plain;
}

/** What repeating digits behind the written ones add. */
function repeated(plain: string, digits: string): Exact {
  const places = plain.split('.')[1]?.length ?? 0;
  const part = parseExact(`${digits}/${'9'.repeat(digits.length)}${'0'.repeat(places)}`);
  if (!part) throw new Unreadable('Repeating digits cannot be read.');
  return part;
}

interface Declared {
  name: string;
  pattern: RegExp;
}

/** Names that were declared, longest first, each with how it may be written. */
function declaredNames(names: readonly string[]): Declared[] {
  return [...names]
    .sort((a, b) => b.length - a.length)
    .map((name) => ({
      name: name.replace(/^\\/, ''),
      pattern: new RegExp(
        `^\\\\?${escaped(name.replace(/^\\/, '')).replace(/ /g, '\\s*')}${/[A-Za-z]$/.test(name) && name.length > 1 ? '(?![A-Za-z])' : ''}`,
      ),
    }));
}

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

type Plain = Pick<Token, 'type' | 'text'>;

/** Upright text: "or", "and", a function, or else one name. */
function uprightTokens(text: string, reading: Reading): Plain[] {
  const word = text.trim();
  if (word === '') return [];
  if (/^(and|or|und|oder|y|o|et|ou|if|for|otherwise)$/i.test(word)) return [{ type: 'sign', text: wordSign(word) }];
  if (word === 'e' || word === 'i') return [{ type: 'name', text: word }];
  const found = wordToken(word, reading);
  if (found) return [found];
  if (!/^[\p{L}][\p{L}\d]*$/u.test(word)) throw new Unreadable(`“${word}” cannot be read here.`);
  return [{ type: 'name', text: word }];
}

function wordSign(word: string): string {
  if (/^(or|oder|o|ou)$/i.test(word)) return 'or';
  if (/^(and|und|y|et)$/i.test(word)) return 'and';
  return word.toLowerCase() === 'otherwise' ? 'otherwise' : 'if';
}

function wordToken(word: string, { known }: Reading): Plain | null {
  if (known?.has(word)) return { type: 'name', text: word };
  if (Object.hasOwn(PLAIN_SIGNS, word)) return { type: 'sign', text: PLAIN_SIGNS[word] ?? '' };
  if (Object.hasOwn(FUNCTIONS, word)) return { type: 'function', text: FUNCTIONS[word] ?? '' };
  if (word === 'log' || word === 'lg' || word === 'lb') return { type: 'function', text: word };
  // Some keyboards begin every word with a capital.
  const small = word.charAt(0).toLowerCase() + word.slice(1);
  if (word.length > 2 && Object.hasOwn(FUNCTIONS, small)) return { type: 'function', text: FUNCTIONS[small] ?? '' };
  if (word === 'pi') return { type: 'name', text: 'pi' };
  if ((GREEK as readonly string[]).includes(word)) {
    const letter = SAME_LETTER[word] ?? word;
    const apart = [...word].every((c) => known?.has(c));
    return apart && !known?.has(letter) ? null : { type: 'name', text: letter };
  }
  return null;
}

const LONGEST_WORD = 10;

/** A run of letters in plain typing: known words where they stand, single letters else. */
function splitRun(run: string, reading: Reading): Plain[] {
  if (/^(and|or)$/.test(run)) return [{ type: 'sign', text: run }];
  if (/^(if|otherwise)$/.test(run)) return [{ type: 'sign', text: run }];
  const found: Plain[] = [];
  let strange = 0;
  for (let at = 0; at < run.length; ) {
    let word: Plain | null = null;
    let length = Math.min(LONGEST_WORD, run.length - at);
    for (; length > 1 && !word; length--) word = wordToken(run.slice(at, at + length), reading);
    if (word) {
      found.push(word);
      at += length + 1;
      continue;
    }
    const letter = run.charAt(at);
    if (!reading.known?.has(letter)) strange += 1;
    found.push({ type: 'name', text: letter });
    at += 1;
  }
  // Four letters in a row that the key does not know are a word, not a product.
  if (reading.known && found.length >= 4 && strange >= 2) throw new Unreadable(`“${run}” is no formula.`);
  return found;
}
