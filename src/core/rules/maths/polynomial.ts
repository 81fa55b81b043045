import Fraction from 'fraction.js';
import type { Exact } from '../../base/exact';
import { exactValue } from './exact-value';
import { namesOf, type Tree } from './tree';

/**
 * A polynomial with rational coefficients: from the exponents of its names,
 * in the order of `names`, to the coefficient. Coefficients are never zero.
 */
export interface Polynomial {
  names: readonly string[];
  terms: ReadonlyMap<string, Exact>;
}

const MOST_TERMS = 500;
const HIGHEST = 60;
const ZERO = new Fraction(0);
const ONE = new Fraction(1);

const exponentsOf = (key: string): number[] => (key === '' ? [] : key.split(',').map(Number));

/** The tree multiplied out; null when it is no polynomial or too large a one. */
export function polynomialOf(tree: Tree, names: readonly string[] = [...namesOf(tree)].sort()): Polynomial | null {
  const constant = (value: Exact): Polynomial => made(names, new Map([[names.map(() => 0).join(','), value]]));
  const go = (part: Tree): Polynomial | null => {
    const value = exactValue(part);
    if (value) return constant(value);
    switch (part.type) {
      case 'group':
        return go(part.of);
      case 'negate': {
        const of = go(part.of);
        return of && times(of, constant(new Fraction(-1)));
      }
      case 'name':
        return made(names, new Map([[names.map((n) => (n === part.name ? 1 : 0)).join(','), ONE]]));
      case 'add':
      case 'subtract': {
        const [left, right] = [go(part.left), go(part.right)];
        const signed = right && part.type === 'subtract' ? times(right, constant(new Fraction(-1))) : right;
        return left && signed && plus(left, signed);
      }
      case 'multiply': {
        const [left, right] = [go(part.left), go(part.right)];
        return left && right && times(left, right);
      }
      case 'divide': {
        const below = exactValue(part.right);
        const left = go(part.left);
        return left && below && !below.equals(0) ? times(left, constant(ONE.div(below))) : null;
      }
      case 'power': {
        const exponent = exactValue(part.right);
        const base = go(part.left);
        if (!base || exponent?.d !== 1n || exponent.s < 0n || exponent.n > BigInt(HIGHEST)) return null;
        let result: Polynomial | null = constant(ONE);
        for (let i = 0n; i < exponent.n && result; i++) result = times(result, base);
        return result;
      }
      default:
        return null;
    }
  };
  return go(tree);
}

function made(names: readonly string[], terms: Map<string, Exact>): Polynomial {
  for (const [key, value] of terms) if (value.equals(0)) terms.delete(key);
  return { names, terms };
}

function plus(a: Polynomial, b: Polynomial): Polynomial {
  const terms = new Map(a.terms);
  for (const [key, value] of b.terms) terms.set(key, (terms.get(key) ?? ZERO).add(value));
  return made(a.names, terms);
}

function times(a: Polynomial, b: Polynomial): Polynomial | null {
  if (a.terms.size * b.terms.size > MOST_TERMS * 20) return null;
  const terms = new Map<string, Exact>();
  for (const [p, u] of a.terms) {
    for (const [q, v] of b.terms) {
      const [x, y] = [exponentsOf(p), exponentsOf(q)];
      const key = x.map((e, n) => e + (y[n] ?? 0)).join(',');
      terms.set(key, (terms.get(key) ?? ZERO).add(u.mul(v)));
    }
  }
  return terms.size > MOST_TERMS ? null : made(a.names, terms);
}

export function degreeOf({ terms }: Polynomial): number {
  return Math.max(0, ...[...terms.keys()].map((key) => exponentsOf(key).reduce((a, b) => a + b, 0)));
}

/** The greatest number that divides all coefficients; positive. */
export function content({ terms }: Polynomial): Exact {
  let [above, below] = [0n, 1n];
  for (const { n, d } of terms.values()) {
    above = gcd(above, n);
    below = (below * d) / gcd(below, d);
  }
  return new Fraction(above, below);
}

export function gcd(a: bigint, b: bigint): bigint {
  let [x, y] = [a < 0n ? -a : a, b < 0n ? -b : b];
  while (y !== 0n) [x, y] = [y, x % y];
  return x;
}

/** Coefficients of a polynomial in one name, the lowest power first, whole and without a common factor. */
type Whole = bigint[];

function wholeOf(polynomial: Polynomial, name: string, at: ReadonlyMap<string, bigint>): Whole {
  const index = polynomial.names.indexOf(name);
  const values: Exact[] = [];
  for (const [key, coefficient] of polynomial.terms) {
    const exponents = exponentsOf(key);
    let value = coefficient;
    for (const [n, other] of polynomial.names.entries()) {
      if (n !== index) value = value.mul(new Fraction((at.get(other) ?? 1n) ** BigInt(exponents[n] ?? 0), 1n));
    }
    const power = exponents[index] ?? 0;
    while (values.length <= power) values.push(ZERO);
    values[power] = (values[power] ?? ZERO).add(value);
  }
  return primitive(values);
}

function primitive(values: readonly Exact[]): Whole {
  let below = 1n;
  for (const { d } of values) below = (below * d) / gcd(below, d);
  const whole = values.map((v) => v.s * v.n * (below / v.d));
  while (whole.length > 1 && whole.at(-1) === 0n) whole.pop();
  const common = whole.reduce(gcd, 0n);
  return common === 0n ? [0n] : whole.map((v) => v / common);
}

/** The greatest common divisor of two polynomials in one name, by Euclid's algorithm over the rationals. */
function commonDivisor(a: Whole, b: Whole): Whole {
  let [x, y] = [a, b];
  while (y.length > 1 || (y[0] ?? 0n) !== 0n) {
    if (y.length === 1) return [1n];
    [x, y] = [y, remainder(x, y)];
  }
  return x;
}

function remainder(a: Whole, b: Whole): Whole {
  let rest = [...a];
  const top = b.at(-1) ?? 1n;
  while (rest.length >= b.length && !(rest.length === 1 && rest[0] === 0n)) {
    const shift = rest.length - b.length;
    const lead = rest.at(-1) ?? 0n;
    rest = rest.map((v, n) => v * top - (n >= shift ? lead * (b[n - shift] ?? 0n) : 0n));
    rest.pop();
    rest = primitive(rest.map((v) => new Fraction(v, 1n)));
    if (rest.length === 0) return [0n];
  }
  return rest;
}

/** Numbers for the other names, without a pattern. */
function elsewhere(names: readonly string[], turn: number): Map<string, bigint> {
  return new Map(
    names.map((name, n) => [name, BigInt([7, 11, 13, 17, 19, 23][(n + turn) % 6] ?? 7) + BigInt(turn * 6)]),
  );
}

/** Whether two polynomials have a common divisor that is no number. */
export function haveCommonDivisor(a: Polynomial, b: Polynomial): boolean {
  return a.names.some((name) => {
    const at = elsewhere(a.names, 1);
    return commonDivisor(wholeOf(a, name, at), wholeOf(b, name, at)).length > 1;
  });
}

/**
 * Whether a polynomial is no product of two others over the rationals. In
 * several names the others are replaced by numbers (Hilbert's irreducibility);
 * in one name divisors are sought by Kronecker's method. Beyond its bounds a
 * polynomial is taken to be irreducible.
 */
export function isIrreducible(polynomial: Polynomial): boolean {
  const used = polynomial.names.filter((_, n) =>
    [...polynomial.terms.keys()].some((key) => (exponentsOf(key)[n] ?? 0) > 0),
  );
  if (degreeOf(polynomial) <= 1) return true;
  const [only] = used;
  if (used.length === 1 && only) return wholeIrreducible(wholeOf(polynomial, only, new Map()));
  return used.some(
    (name) =>
      !hasDivisorWithout(polynomial, name) &&
      [0, 1, 2].some((turn) => {
        const whole = wholeOf(polynomial, name, elsewhere(polynomial.names, turn));
        const index = polynomial.names.indexOf(name);
        const degree = Math.max(...[...polynomial.terms.keys()].map((key) => exponentsOf(key)[index] ?? 0));
        return whole.length === degree + 1 && wholeIrreducible(whole);
      }),
  );
}

/** Whether some polynomial without this name divides it: a common divisor of its coefficients in that name. */
function hasDivisorWithout(polynomial: Polynomial, name: string): boolean {
  const index = polynomial.names.indexOf(name);
  const byPower = new Map<number, Map<string, Exact>>();
  for (const [key, value] of polynomial.terms) {
    const exponents = exponentsOf(key);
    const power = exponents[index] ?? 0;
    exponents[index] = 0;
    const terms = byPower.get(power) ?? new Map<string, Exact>();
    terms.set(exponents.join(','), value);
    byPower.set(power, terms);
  }
  const coefficients = [...byPower.values()].map((terms) => ({ names: polynomial.names, terms }));
  const others = polynomial.names.filter((other) => other !== name);
  return others.some((other) => {
    const at = elsewhere(polynomial.names, 2);
    const divisor = coefficients.map((c) => wholeOf(c, other, at)).reduce(commonDivisor, [0n]);
    return divisor.length > 1;
  });
}

const MOST_COMBINATIONS = 60_000;

function wholeIrreducible(p: Whole): boolean {
  const degree = p.length - 1;
  if (degree <= 1) return true;
  if (p[0] === 0n) return false;
  if (degree === 2) {
    const [c = 0n, b = 0n, a = 0n] = p;
    return !isSquare(b * b - 4n * a * c);
  }
  for (let d = 1; d <= degree / 2; d++) if (hasDivisorOfDegree(p, d)) return false;
  return true;
}

/** Kronecker: a divisor takes values that divide the values of the polynomial; few enough to be tried. */
function hasDivisorOfDegree(p: Whole, degree: number): boolean {
  const points = [0n, 1n, -1n, 2n, -2n, 3n, -3n, 4n, -4n, 5n];
  const values = points.map((x) => ({ x, value: p.reduceRight((sum, c) => sum * x + c, 0n) }));
  if (values.some(({ value }) => value === 0n)) return true;
  const chosen = values
    .map(({ x, value }) => ({ x, divisors: divisors(value) }))
    .sort((a, b) => a.divisors.length - b.divisors.length)
    .slice(0, degree + 1);
  const combinations = chosen.reduce((product, { divisors: d }) => product * d.length, 1);
  if (combinations > MOST_COMBINATIONS) return false;
  const xs = chosen.map(({ x }) => x);
  const tryFrom = (n: number, taken: bigint[]): boolean => {
    if (n === chosen.length) {
      const candidate = interpolated(xs, taken);
      return candidate.length === degree + 1 && remainder(p, candidate).every((v) => v === 0n);
    }
    // One sign of the first value is enough.
    return (chosen[n]?.divisors ?? []).some((d) =>
      (n === 0 ? [d] : [d, -d]).some((v) => tryFrom(n + 1, [...taken, v])),
    );
  };
  return tryFrom(0, []);
}

function interpolated(xs: readonly bigint[], values: readonly bigint[]): Whole {
  const sum: Exact[] = xs.map(() => ZERO);
  xs.forEach((x, i) => {
    let basis: Exact[] = [new Fraction(values[i] ?? 0n, 1n)];
    xs.forEach((other, j) => {
      if (i === j) return;
      const below = new Fraction(x - other, 1n);
      const next: Exact[] = Array.from({ length: basis.length + 1 }, () => ZERO);
      basis.forEach((c, n) => {
        next[n + 1] = (next[n + 1] ?? ZERO).add(c.div(below));
        next[n] = (next[n] ?? ZERO).sub(c.mul(new Fraction(other, 1n)).div(below));
      });
      basis = next;
    });
    basis.forEach((c, n) => (sum[n] = (sum[n] ?? ZERO).add(c)));
  });
  return primitive(sum);
}

function divisors(value: bigint): bigint[] {
  const amount = value < 0n ? -value : value;
  const found: bigint[] = [];
  for (let d = 1n; d * d <= amount && d < 5000n; d++) {
    if (amount % d !== 0n) continue;
    found.push(d);
    if (d * d !== amount) found.push(amount / d);
  }
  return found;
}

function isSquare(value: bigint): boolean {
  if (value < 0n) return false;
  let root = BigInt(Math.floor(Math.sqrt(Number(value))));
  while (root * root > value) root -= 1n;
  while ((root + 1n) * (root + 1n) <= value) root += 1n;
  return root * root === value;
}
