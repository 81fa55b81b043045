import Decimal from 'decimal.js';
import type { Exact } from '../../base/exact';
import { charge } from './work';

/** Decimal arithmetic with 60 digits, a handful more while computing. */
export const Precise = Decimal.clone({ precision: 66, rounding: 4, maxE: 100_000, minE: -100_000 });

/**
 * Real arithmetic over one kind of number. Operations that are undefined in
 * the reals (root or logarithm of a negative number, division by zero) are
 * asked for only where they are defined, or give a number that is not finite.
 */
export interface RealField<T> {
  of(value: Exact): T;
  integer(value: number): T;
  toNumber(value: T): number;
  add(a: T, b: T): T;
  sub(a: T, b: T): T;
  mul(a: T, b: T): T;
  div(a: T, b: T): T;
  neg(a: T): T;
  /** −1, 0 or 1. */
  sign(a: T): number;
  isFinite(a: T): boolean;
  /** Of a base that is not negative. */
  pow(base: T, exponent: T): T;
  floor(a: T): T;
  /** Whether it is an integer as far as this arithmetic can tell. */
  isInteger(a: T): boolean;
  exp(a: T): T;
  ln(a: T): T;
  sin(a: T): T;
  cos(a: T): T;
  atan2(y: T, x: T): T;
  sqrt(a: T): T;
  pi: T;
  /** What counts as nothing beside one. */
  epsilon: number;
}

export const doubles: RealField<number> = {
  of: (value) => value.valueOf(),
  integer: (value) => value,
  toNumber: (value) => value,
  add: (a, b) => a + b,
  sub: (a, b) => a - b,
  mul: (a, b) => a * b,
  div: (a, b) => a / b,
  neg: (a) => -a,
  sign: Math.sign,
  isFinite: Number.isFinite,
  pow: (base, exponent) => base ** exponent,
  floor: Math.floor,
  isInteger: Number.isInteger,
  exp: Math.exp,
  ln: Math.log,
  sin: Math.sin,
  cos: Math.cos,
  atan2: Math.atan2,
  sqrt: Math.sqrt,
  pi: Math.PI,
  epsilon: 1e-13,
};

const PI = new Precise(
  '3.14159265358979323846264338327950288419716939937510582097494459230781640628620899862803482534211706798',
);
/** Larger arguments of circular functions lose all digits. */
const LARGEST_ANGLE = new Precise('1e40');
const NOT_FINITE = new Precise(Number.NaN);

/** Works something out after its cost was counted. */
function counted(steps: number, work: () => Decimal): Decimal {
  charge(steps);
  return work();
}

/** Decimal numbers with 60 digits; arguments beyond what can be worked out in time are not finite. */
export const precise: RealField<Decimal> = {
  of: (value) => new Precise(String(value.n * value.s)).div(new Precise(String(value.d))),
  integer: (value) => new Precise(value),
  toNumber: (value) => value.toNumber(),
  add: (a, b) => counted(20, () => a.add(b)),
  sub: (a, b) => counted(20, () => a.sub(b)),
  mul: (a, b) => counted(40, () => a.mul(b)),
  div: (a, b) => counted(80, () => a.div(b)),
  neg: (a) => a.neg(),
  sign: (a) => (a.isZero() ? 0 : a.isNegative() ? -1 : 1),
  isFinite: (a) => a.isFinite(),
  pow: (base, exponent) => {
    if (base.isZero()) return exponent.isZero() ? new Precise(1) : exponent.isNegative() ? NOT_FINITE : base;
    // Powers beyond these have no digits that could be compared.
    if (
      exponent
        .abs()
        .mul(Math.abs(base.log(10).toNumber()) + 1)
        .gt(90_000)
    )
      return NOT_FINITE;
    return counted(2000, () => base.pow(exponent));
  },
  floor: (a) => a.floor(),
  isInteger: (a) => a.isInteger(),
  exp: (a) => (a.abs().gt(200_000) ? NOT_FINITE : counted(1600, () => a.exp())),
  ln: (a) => counted(800, () => a.ln()),
  sin: (a) => (a.abs().gt(LARGEST_ANGLE) ? NOT_FINITE : counted(1600, () => a.sin())),
  cos: (a) => (a.abs().gt(LARGEST_ANGLE) ? NOT_FINITE : counted(1600, () => a.cos())),
  atan2: (y, x) => counted(4000, () => Precise.atan2(y, x)),
  sqrt: (a) => counted(250, () => a.sqrt()),
  pi: PI,
  epsilon: 1e-45,
};
