import { type Exact, ONE, parseExact, ZERO } from '../../base/exact';
import { plainDigits } from '../text/normalise';
import { ATOMS, type Atom, type Dimension, DIMENSIONS, PREFIXES } from './unit-table';

/**
 * A unit as understood: what it measures (exponents of the base dimensions),
 * how many base units it is, and for absolute temperatures where its zero lies.
 */
export interface Unit {
  dimension: Dimension;
  factor: Exact;
  /** Base value of the unit's zero; 0 for everything but absolute temperatures. */
  offset: Exact;
}

const NONE: Dimension = DIMENSIONS.map(() => 0);
export const DIMENSIONLESS: Unit = { dimension: NONE, factor: ONE, offset: ZERO };

const SUPERSCRIPTS: Record<string, string> = {
  '⁰': '0',
  '¹': '1',
  '²': '2',
  '³': '3',
  '⁴': '4',
  '⁵': '5',
  '⁶': '6',
  '⁷': '7',
  '⁸': '8',
  '⁹': '9',
  '⁻': '-',
};

/** One spelling for the signs that mean the same: µ and μ, Ω and Ω, middle dots, superscripts. */
function tidy(text: string): string {
  return plainDigits(text.normalize('NFC'))
    .replace(/[⁰¹²³⁴⁵⁶⁷⁸⁹⁻]+/g, (run) => `^${[...run].map((c) => SUPERSCRIPTS[c]).join('')}`)
    .replace(/\u00b5/g, 'μ')
    .replace(/\u2126/g, 'Ω')
    .replace(/[·⋅∙×*]/g, '·')
    .replace(/[−–]/g, '-')
    .replace(/\s+/g, ' ')
    .trim();
}

function fromAtom(atom: Atom): Unit {
  return { dimension: atom.dimension, factor: atom.factor, offset: atom.offset ?? ZERO };
}

function atomOf(name: string): Unit | null {
  const own = ATOMS.get(name);
  if (own) return fromAtom(own);
  for (const length of [2, 1]) {
    const prefix = PREFIXES[name.slice(0, length)];
    const rest = ATOMS.get(name.slice(length));
    if (prefix && rest?.prefixes) return { dimension: rest.dimension, factor: rest.factor.mul(prefix), offset: ZERO };
  }
  return null;
}

/** A name of one unit, or two written together as in "kWh" and "Nm". */
function named(name: string): Unit | null {
  const single = atomOf(name);
  if (single) return single;
  for (let cut = name.length - 1; cut > 0; cut--) {
    const left = atomOf(name.slice(0, cut));
    const right = atomOf(name.slice(cut));
    if (left && right) return times(left, right);
  }
  return null;
}

function times(a: Unit, b: Unit): Unit {
  return {
    dimension: a.dimension.map((power, i) => power + (b.dimension[i] ?? 0)),
    factor: a.factor.mul(b.factor),
    offset: ZERO,
  };
}

function power(unit: Unit, exponent: number): Unit {
  return {
    dimension: unit.dimension.map((p) => p * exponent),
    factor: unit.factor.pow(exponent) ?? ONE,
    offset: exponent === 1 ? unit.offset : ZERO,
  };
}

/**
 * Reads "m/s", "kg·m^2/s^2", "J/(kg K)", "kWh", "1". A slash divides by the one
 * factor after it. Null when it is no unit known here.
 */
export function parseUnit(text: string): Unit | null {
  const source = tidy(text).replace(/^\//, '1/');
  if (source === '' || source.length > 60) return null;
  const tokens = source.match(/\^?-?\d+|[·/() ]|[^\s·/()^\d-]+/g);
  if (!tokens || tokens.join('') !== source) return null;
  let position = 0;

  function factor(): Unit | null {
    const token = tokens?.[position++];
    if (token === undefined) return null;
    let unit: Unit | null;
    if (token === '(') {
      unit = product();
      if (tokens?.[position++] !== ')') return null;
    } else if (token === '1') unit = DIMENSIONLESS;
    else unit = /^[·/) ^\d-]/.test(token) ? null : named(token);
    const next = tokens?.[position];
    if (unit && next && /^\^?-?\d+$/.test(next)) {
      position++;
      const exponent = Number(next.replace('^', ''));
      return Math.abs(exponent) <= 12 ? power(unit, exponent) : null;
    }
    return unit;
  }

  function product(): Unit | null {
    let unit = factor();
    while (unit && position < (tokens?.length ?? 0) && tokens?.[position] !== ')') {
      const joint = tokens?.[position];
      let divide = false;
      while (tokens?.[position] === ' ' || tokens?.[position] === '·' || tokens?.[position] === '/') {
        if (tokens[position] === '/') divide = true;
        position++;
      }
      if (joint !== ' ' && joint !== '·' && joint !== '/') return null;
      const next = factor();
      unit = next && times(unit, divide ? power(next, -1) : next);
    }
    return unit;
  }

  const unit = product();
  return position === tokens.length ? unit : null;
}

export function sameDimension(a: Unit, b: Unit): boolean {
  return a.dimension.every((p, i) => p === b.dimension[i]);
}

/** The value of a quantity in base units. */
export function toBase(value: Exact, unit: Unit): Exact {
  return value.mul(unit.factor).add(unit.offset);
}

/**
 * Converts a value from one unit to another, exactly (π as a 50-digit decimal).
 * Null when either is unknown or they measure different things.
 */
export function convert(value: string, from: string, to: string): Exact | null {
  const amount = parseExact(value);
  const source = parseUnit(from);
  const target = parseUnit(to);
  if (!amount || !source || !target || !sameDimension(source, target)) return null;
  return toBase(amount, source).sub(target.offset).div(target.factor);
}

/** The unit with others to choose from beside it: the same with larger and smaller prefixes. */
export function unitsLike(text: string): string[] {
  const unit = parseUnit(text);
  if (!unit) return text.trim() === '' ? [] : [text];
  const bare = Object.keys(PREFIXES).some((p) => text.startsWith(p) && ATOMS.has(text.slice(p.length)))
    ? text.slice(1)
    : text;
  const others = ['', 'm', 'k', 'M', 'G'].map((prefix) => `${prefix}${bare}`);
  const alike = others.filter((other) => {
    const parsed = parseUnit(other);
    return other !== text && parsed !== null && sameDimension(parsed, unit);
  });
  return [text, ...alike];
}
