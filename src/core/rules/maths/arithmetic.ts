import type { RealField } from './fields';
import type { FunctionName } from './tree';

/** A complex number; the second part is zero all through where only reals are computed. */
export interface Value<T> {
  re: T;
  im: T;
}

/** Where something is worked out: the values of the names, and the arithmetic. */
export interface Setting<T> {
  field: RealField<T>;
  at: ReadonlyMap<string, Value<T>>;
  /** Without it a root or logarithm of a negative number is undefined; with it principal values are taken. */
  complex: boolean;
  /** The largest amount met on the way, as a double: how far rounding can have gone. */
  largest: number;
  /** A value on the way was too large for this arithmetic. */
  overflow: boolean;
  /** How many steps may still be taken; without any it is given up. */
  steps: number;
}

/** A fresh setting for one evaluation. */
export function setting<T>(
  field: RealField<T>,
  at: ReadonlyMap<string, Value<T>>,
  complex: boolean,
  steps: number,
): Setting<T> {
  return { field, at, complex, largest: 0, overflow: false, steps };
}

/** Thrown inside, caught by `evaluate`: the tree has no value there. */
export class Undefined extends Error {}
/** Something that is read but cannot be worked out; passes through `evaluate`. */
export class Unworked extends Error {}

export const UNDEFINED = new Undefined();

/** Arithmetic with complex numbers over one kind of real ones, and the elementary functions; what has no value is thrown as `UNDEFINED`. */
export class Arithmetic<T> {
  protected readonly f: RealField<T>;
  protected readonly zero: T;
  protected readonly one: T;
  protected readonly s: Setting<T>;

  constructor(setting: Setting<T>) {
    this.s = setting;
    this.f = setting.field;
    this.zero = this.f.integer(0);
    this.one = this.f.integer(1);
  }

  protected real(re: T): Value<T> {
    return { re, im: this.zero };
  }

  protected isReal({ re, im }: Value<T>): boolean {
    const { f } = this;
    if (f.sign(im) === 0) return true;
    return Math.abs(f.toNumber(im)) <= f.epsilon * Math.max(1, Math.abs(f.toNumber(re)));
  }

  protected add(a: Value<T>, b: Value<T>): Value<T> {
    return { re: this.f.add(a.re, b.re), im: this.f.add(a.im, b.im) };
  }

  protected neg(a: Value<T>): Value<T> {
    return { re: this.f.neg(a.re), im: this.f.neg(a.im) };
  }

  protected scale(a: Value<T>, by: T): Value<T> {
    return { re: this.f.mul(a.re, by), im: this.f.mul(a.im, by) };
  }

  protected mul(a: Value<T>, b: Value<T>): Value<T> {
    const { f } = this;
    if (f.sign(a.im) === 0 && f.sign(b.im) === 0) return this.real(f.mul(a.re, b.re));
    return {
      re: f.sub(f.mul(a.re, b.re), f.mul(a.im, b.im)),
      im: f.add(f.mul(a.re, b.im), f.mul(a.im, b.re)),
    };
  }

  protected div(a: Value<T>, b: Value<T>): Value<T> {
    const { f } = this;
    if (this.isNothing(b)) throw UNDEFINED;
    if (f.sign(a.im) === 0 && f.sign(b.im) === 0) return this.real(f.div(a.re, b.re));
    const below = f.add(f.mul(b.re, b.re), f.mul(b.im, b.im));
    return this.scale(this.mul(a, { re: b.re, im: f.neg(b.im) }), f.div(this.one, below));
  }

  /** Zero, or what rounding leaves of it beside the largest amount so far. */
  protected isNothing({ re, im }: Value<T>): boolean {
    const { f } = this;
    const amount = Math.max(Math.abs(f.toNumber(re)), Math.abs(f.toNumber(im)));
    return amount === 0 || amount < f.epsilon * f.epsilon * Math.min(1, this.s.largest || 1);
  }

  protected exp(a: Value<T>): Value<T> {
    const { f } = this;
    const amount = f.exp(a.re);
    if (f.sign(a.im) === 0) return this.real(amount);
    return { re: f.mul(amount, f.cos(a.im)), im: f.mul(amount, f.sin(a.im)) };
  }

  protected ln(a: Value<T>): Value<T> {
    const { f } = this;
    if (f.sign(a.im) === 0 && f.sign(a.re) > 0) return this.real(f.ln(a.re));
    if (!this.s.complex || this.isNothing(a)) throw UNDEFINED;
    return { re: f.ln(this.amount(a)), im: f.atan2(a.im, a.re) };
  }

  protected amount({ re, im }: Value<T>): T {
    const { f } = this;
    if (f.sign(im) === 0) return f.sign(re) < 0 ? f.neg(re) : re;
    return f.sqrt(f.add(f.mul(re, re), f.mul(im, im)));
  }

  protected sqrt(a: Value<T>): Value<T> {
    const { f } = this;
    if (f.sign(a.im) === 0) {
      if (f.sign(a.re) >= 0) return this.real(f.sqrt(a.re));
      if (!this.s.complex) throw UNDEFINED;
      return { re: this.zero, im: f.sqrt(f.neg(a.re)) };
    }
    return this.exp(this.scale(this.ln(a), f.div(this.one, f.integer(2))));
  }

  protected onlyReal(x: Value<T>): T {
    if (!this.isReal(x)) throw UNDEFINED;
    return x.re;
  }

  protected over(a: T, b: T): Value<T> {
    return this.div(this.real(a), this.real(b));
  }

  protected realFunction(name: FunctionName, x: T): Value<T> {
    const { f } = this;
    const inside = (): boolean => f.sign(f.sub(this.one, f.mul(x, x))) >= 0;
    const plus = (): T => f.exp(x);
    const minus = (): T => f.exp(f.neg(x));
    const twice = f.integer(2);
    const halfPi = f.div(f.pi, twice);
    switch (name) {
      case 'sin':
        return this.real(f.sin(x));
      case 'cos':
        return this.real(f.cos(x));
      case 'tan':
        return this.pole(f.sin(x), f.cos(x));
      case 'cot':
        return this.pole(f.cos(x), f.sin(x));
      case 'sec':
        return this.pole(this.one, f.cos(x));
      case 'csc':
        return this.pole(this.one, f.sin(x));
      case 'asin':
      case 'acos': {
        if (!inside()) return this.complexFunction(name, this.real(x));
        const sine = f.atan2(x, f.sqrt(f.sub(this.one, f.mul(x, x))));
        return this.real(name === 'asin' ? sine : f.sub(halfPi, sine));
      }
      case 'atan':
        return this.real(f.atan2(x, this.one));
      case 'acot':
        return this.real(f.sub(halfPi, f.atan2(x, this.one)));
      case 'asec':
      case 'acsc': {
        if (f.sign(x) === 0) throw UNDEFINED;
        return this.realFunction(name === 'asec' ? 'acos' : 'asin', f.div(this.one, x));
      }
      case 'sinh':
        return this.real(f.div(f.sub(plus(), minus()), twice));
      case 'cosh':
        return this.real(f.div(f.add(plus(), minus()), twice));
      case 'tanh': {
        const [p, m] = [plus(), minus()];
        return this.over(f.sub(p, m), f.add(p, m));
      }
      case 'coth': {
        const [p, m] = [plus(), minus()];
        return this.over(f.add(p, m), f.sub(p, m));
      }
      case 'sech':
        return this.over(twice, f.add(plus(), minus()));
      case 'csch':
        return this.over(twice, f.sub(plus(), minus()));
      case 'asinh': {
        const root = f.sqrt(f.add(f.mul(x, x), this.one));
        // Without cancellation for negative arguments.
        return f.sign(x) >= 0 ? this.ln(this.real(f.add(x, root))) : this.neg(this.ln(this.real(f.sub(root, x))));
      }
      case 'acosh':
        if (f.sign(f.sub(x, this.one)) < 0) return this.complexFunction(name, this.real(x));
        return this.ln(this.real(f.add(x, f.sqrt(f.sub(f.mul(x, x), this.one)))));
      case 'atanh': {
        if (!inside()) return this.complexFunction(name, this.real(x));
        const ratio = this.over(f.add(this.one, x), f.sub(this.one, x));
        return this.scale(this.ln(ratio), f.div(this.one, twice));
      }
      default:
        throw new Unworked();
    }
  }

  /** A quotient that has a pole where what stands below is nothing but rounding. */
  protected pole(above: T, below: T): Value<T> {
    if (Math.abs(this.f.toNumber(below)) < this.f.epsilon) throw UNDEFINED;
    return this.over(above, below);
  }

  protected complexFunction(name: FunctionName, x: Value<T>): Value<T> {
    if (!this.s.complex) throw UNDEFINED;
    const { f } = this;
    const i: Value<T> = { re: this.zero, im: this.one };
    const one = this.real(this.one);
    const half = f.div(this.one, f.integer(2));
    const turned = this.mul(i, x);
    const [p, m] = [this.exp(turned), this.exp(this.neg(turned))];
    const sine = (): Value<T> => this.div(this.add(p, this.neg(m)), { re: this.zero, im: f.integer(2) });
    const cosine = (): Value<T> => this.scale(this.add(p, m), half);
    switch (name) {
      case 'sin':
        return sine();
      case 'cos':
        return cosine();
      case 'tan':
        return this.div(sine(), cosine());
      case 'cot':
        return this.div(cosine(), sine());
      case 'sec':
        return this.div(one, cosine());
      case 'csc':
        return this.div(one, sine());
      case 'sinh':
        return this.scale(this.add(this.exp(x), this.neg(this.exp(this.neg(x)))), half);
      case 'cosh':
        return this.scale(this.add(this.exp(x), this.exp(this.neg(x))), half);
      case 'tanh': {
        const [a, b] = [this.exp(x), this.exp(this.neg(x))];
        return this.div(this.add(a, this.neg(b)), this.add(a, b));
      }
      case 'asin':
      case 'acos': {
        const root = this.sqrt(this.add(one, this.neg(this.mul(x, x))));
        const angle = this.neg(this.mul(i, this.ln(this.add(turned, root))));
        return name === 'asin' ? angle : this.add(this.real(f.mul(f.pi, half)), this.neg(angle));
      }
      case 'atan': {
        const ratio = this.div(this.add(one, turned), this.add(one, this.neg(turned)));
        return this.div(this.ln(ratio), { re: this.zero, im: f.integer(2) });
      }
      case 'asinh':
        return this.ln(this.add(x, this.sqrt(this.add(this.mul(x, x), one))));
      case 'acosh': {
        const root = this.mul(this.sqrt(this.add(x, one)), this.sqrt(this.add(x, this.neg(one))));
        return this.ln(this.add(x, root));
      }
      case 'atanh': {
        const ratio = this.div(this.add(one, x), this.add(one, this.neg(x)));
        return this.scale(this.ln(ratio), half);
      }
      default:
        throw new Unworked();
    }
  }
}
