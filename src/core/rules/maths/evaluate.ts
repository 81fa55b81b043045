import { type Exact, ZERO } from '../../base/exact';
import { exactValue } from './exact-value';
import type { RealField } from './fields';
import type { FunctionName, Tree } from './tree';

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
class Undefined extends Error {}
/** Something that is read but cannot be worked out; passes through `evaluate`. */
export class Unworked extends Error {}

const UNDEFINED = new Undefined();

/**
 * The value of a tree at a point. Null when it is not defined there: at every
 * step, not only at the end. Throws `Unworked` for signs that are read only.
 */
export function evaluate<T>(tree: Tree, setting: Setting<T>): Value<T> | null {
  try {
    return new Evaluation(setting).value(tree);
  } catch (error) {
    if (error instanceof Undefined) return null;
    throw error;
  }
}

const MOST_TERMS = 2000;

class Evaluation<T> {
  private readonly f: RealField<T>;
  private readonly zero: T;
  private readonly one: T;
  private readonly s: Setting<T>;

  constructor(setting: Setting<T>) {
    this.s = setting;
    this.f = setting.field;
    this.zero = this.f.integer(0);
    this.one = this.f.integer(1);
  }

  value(tree: Tree): Value<T> {
    this.s.steps -= 1;
    if (this.s.steps < 0) throw new Unworked();
    const result = this.compute(tree);
    const { f } = this;
    if (!f.isFinite(result.re) || !f.isFinite(result.im)) {
      this.s.overflow = true;
      throw UNDEFINED;
    }
    const amount = Math.max(Math.abs(f.toNumber(result.re)), Math.abs(f.toNumber(result.im)));
    if (amount > this.s.largest) this.s.largest = amount;
    return result;
  }

  private real(re: T): Value<T> {
    return { re, im: this.zero };
  }

  private compute(tree: Tree): Value<T> {
    const { f } = this;
    switch (tree.type) {
      case 'number':
        return this.real(f.of(tree.value));
      case 'name': {
        const value = this.s.at.get(tree.name);
        if (!value) throw UNDEFINED;
        return value;
      }
      case 'constant':
        return this.constant(tree.name);
      case 'group':
        return this.value(tree.of);
      case 'negate':
        return this.neg(this.value(tree.of));
      case 'percent':
        return this.scale(this.value(tree.of), f.div(this.one, f.integer(100)));
      case 'degrees':
        return this.scale(this.value(tree.of), f.div(f.pi, f.integer(180)));
      case 'factorial':
        return this.real(this.factorial(this.asReal(tree.of)));
      case 'add':
        return this.add(this.value(tree.left), this.value(tree.right));
      case 'mixed':
        return this.add(this.value(tree.whole), this.value(tree.part));
      case 'subtract':
        return this.add(this.value(tree.left), this.neg(this.value(tree.right)));
      case 'multiply':
        return this.mul(this.value(tree.left), this.value(tree.right));
      case 'divide':
        return this.div(this.value(tree.left), this.value(tree.right));
      case 'power':
        return this.power(tree.left, tree.right);
      case 'call':
        return this.call(tree.name, tree.args);
      case 'series':
        return this.series(tree);
      case 'cases':
        return this.cases(tree.cases);
      default:
        throw new Unworked();
    }
  }

  private constant(name: 'pi' | 'e' | 'i' | 'infinity'): Value<T> {
    if (name === 'pi') return this.real(this.f.pi);
    if (name === 'e') return this.real(this.f.exp(this.one));
    if (name === 'i') return { re: this.zero, im: this.one };
    throw UNDEFINED;
  }

  private isReal({ re, im }: Value<T>): boolean {
    const { f } = this;
    if (f.sign(im) === 0) return true;
    return Math.abs(f.toNumber(im)) <= f.epsilon * Math.max(1, Math.abs(f.toNumber(re)));
  }

  private asReal(tree: Tree): T {
    const value = this.value(tree);
    if (!this.isReal(value)) throw UNDEFINED;
    return value.re;
  }

  private add(a: Value<T>, b: Value<T>): Value<T> {
    return { re: this.f.add(a.re, b.re), im: this.f.add(a.im, b.im) };
  }

  private neg(a: Value<T>): Value<T> {
    return { re: this.f.neg(a.re), im: this.f.neg(a.im) };
  }

  private scale(a: Value<T>, by: T): Value<T> {
    return { re: this.f.mul(a.re, by), im: this.f.mul(a.im, by) };
  }

  private mul(a: Value<T>, b: Value<T>): Value<T> {
    const { f } = this;
    if (f.sign(a.im) === 0 && f.sign(b.im) === 0) return this.real(f.mul(a.re, b.re));
    return {
      re: f.sub(f.mul(a.re, b.re), f.mul(a.im, b.im)),
      im: f.add(f.mul(a.re, b.im), f.mul(a.im, b.re)),
    };
  }

  private div(a: Value<T>, b: Value<T>): Value<T> {
    const { f } = this;
    if (this.isNothing(b)) throw UNDEFINED;
    if (f.sign(a.im) === 0 && f.sign(b.im) === 0) return this.real(f.div(a.re, b.re));
    const below = f.add(f.mul(b.re, b.re), f.mul(b.im, b.im));
    return this.scale(this.mul(a, { re: b.re, im: f.neg(b.im) }), f.div(this.one, below));
  }

  /** Zero, or what rounding leaves of it beside the largest amount so far. */
  private isNothing({ re, im }: Value<T>): boolean {
    const { f } = this;
    const amount = Math.max(Math.abs(f.toNumber(re)), Math.abs(f.toNumber(im)));
    return amount === 0 || amount < f.epsilon * f.epsilon * Math.min(1, this.s.largest || 1);
  }

  private power(left: Tree, right: Tree): Value<T> {
    const { f } = this;
    const exact = exactValue(right);
    if (left.type === 'constant' && left.name === 'e') return this.exp(this.value(right));
    const base = this.value(left);
    if (exact?.d === 1n && exact.n <= 4096n) return this.integerPower(base, exact);
    const exponent = exact ? this.real(f.of(exact)) : this.value(right);
    if (!this.s.complex) {
      if (f.sign(base.re) > 0) return this.real(f.pow(base.re, exponent.re));
      if (f.sign(base.re) === 0) {
        if (f.sign(exponent.re) <= 0) throw UNDEFINED;
        return this.real(this.zero);
      }
      return this.real(this.negativePower(base.re, exponent.re, exact));
    }
    if (this.isNothing(base)) {
      if (f.sign(exponent.re) <= 0) throw UNDEFINED;
      return this.real(this.zero);
    }
    return this.exp(this.mul(exponent, this.ln(base)));
  }

  /** A negative base: exponents with an odd denominator have a real value, and integers as far as they can be told. */
  private negativePower(base: T, exponent: T, exact: Exact | null): T {
    const { f } = this;
    const amount = f.pow(f.neg(base), exponent);
    if (exact) {
      if (exact.d % 2n === 0n) throw UNDEFINED;
      return exact.n % 2n === 0n ? amount : f.neg(amount);
    }
    if (!f.isInteger(exponent)) throw UNDEFINED;
    const half = f.div(exponent, f.integer(2));
    return f.isInteger(half) ? amount : f.neg(amount);
  }

  private integerPower(base: Value<T>, exponent: Exact): Value<T> {
    const { f } = this;
    const n = Number(exponent.n);
    if (n === 0) return this.real(this.one);
    if (exponent.s < 0n && this.isNothing(base)) throw UNDEFINED;
    let result: Value<T>;
    if (f.sign(base.im) === 0) {
      const amount = f.sign(base.re) < 0 ? f.neg(base.re) : base.re;
      const power = n <= 4 ? this.multiplied(amount, n) : f.pow(amount, f.integer(n));
      result = this.real(f.sign(base.re) < 0 && n % 2 === 1 ? f.neg(power) : power);
    } else {
      result = this.real(this.one);
      let square = base;
      for (let left = n; left > 0; left = Math.floor(left / 2)) {
        if (left % 2 === 1) result = this.mul(result, square);
        square = this.mul(square, square);
      }
    }
    return exponent.s < 0n ? this.div(this.real(this.one), result) : result;
  }

  private multiplied(base: T, times: number): T {
    let result = base;
    for (let i = 1; i < times; i++) result = this.f.mul(result, base);
    return result;
  }

  private exp(a: Value<T>): Value<T> {
    const { f } = this;
    const amount = f.exp(a.re);
    if (f.sign(a.im) === 0) return this.real(amount);
    return { re: f.mul(amount, f.cos(a.im)), im: f.mul(amount, f.sin(a.im)) };
  }

  private ln(a: Value<T>): Value<T> {
    const { f } = this;
    if (f.sign(a.im) === 0 && f.sign(a.re) > 0) return this.real(f.ln(a.re));
    if (!this.s.complex || this.isNothing(a)) throw UNDEFINED;
    return { re: f.ln(this.amount(a)), im: f.atan2(a.im, a.re) };
  }

  private amount({ re, im }: Value<T>): T {
    const { f } = this;
    if (f.sign(im) === 0) return f.sign(re) < 0 ? f.neg(re) : re;
    return f.sqrt(f.add(f.mul(re, re), f.mul(im, im)));
  }

  private sqrt(a: Value<T>): Value<T> {
    const { f } = this;
    if (f.sign(a.im) === 0) {
      if (f.sign(a.re) >= 0) return this.real(f.sqrt(a.re));
      if (!this.s.complex) throw UNDEFINED;
      return { re: this.zero, im: f.sqrt(f.neg(a.re)) };
    }
    return this.exp(this.scale(this.ln(a), f.div(this.one, f.integer(2))));
  }

  private root(of: Tree, order: Tree): Value<T> {
    const { f } = this;
    const n = exactValue(order);
    const base = this.value(of);
    if (n?.equals(2)) return this.sqrt(base);
    if (n && n.d === 1n && n.s > 0n && f.sign(base.im) === 0) {
      const negative = f.sign(base.re) < 0;
      if (f.sign(base.re) === 0) return base;
      // A real root where there is one; else the principal value, where complex numbers are meant.
      if (!negative || (n.n % 2n === 1n && !this.s.complex)) {
        const amount = f.pow(negative ? f.neg(base.re) : base.re, f.div(this.one, f.of(n)));
        return this.real(negative ? f.neg(amount) : amount);
      }
    }
    if (!this.s.complex && f.sign(base.re) < 0) throw UNDEFINED;
    if (this.isNothing(base)) return base;
    return this.exp(this.div(this.ln(base), this.value(order)));
  }

  private call(name: FunctionName, args: Tree[]): Value<T> {
    const { f } = this;
    const [first, second] = args;
    if (!first) throw UNDEFINED;
    if (name === 'root') return this.root(first, second ?? { type: 'number', value: ZERO, text: '' });
    if (name === 'min' || name === 'max') {
      const values = args.map((arg) => this.asReal(arg));
      return this.real(values.reduce((a, b) => (f.sign(f.sub(a, b)) < 0 === (name === 'min') ? a : b)));
    }
    if (name === 'binomial')
      return this.real(this.binomial(this.asReal(first), second ? this.asReal(second) : this.one));
    const x = this.value(first);
    switch (name) {
      case 'exp':
        return this.exp(x);
      case 'ln':
        return this.ln(x);
      case 'log': {
        const base = second ? this.value(second) : this.real(f.integer(10));
        return this.div(this.ln(x), this.ln(base));
      }
      case 'abs':
        return this.real(this.amount(x));
      case 'real':
        return this.real(x.re);
      case 'imaginary':
        return this.real(x.im);
      case 'conjugate':
        return { re: x.re, im: f.neg(x.im) };
      case 'argument':
        if (this.isNothing(x)) throw UNDEFINED;
        return this.real(f.atan2(x.im, x.re));
      case 'sign':
        return this.real(f.integer(f.sign(this.onlyReal(x))));
      case 'floor':
        return this.real(f.floor(this.onlyReal(x)));
      case 'ceiling':
        return this.real(f.neg(f.floor(f.neg(this.onlyReal(x)))));
      default:
        return f.sign(x.im) === 0 ? this.realFunction(name, x.re) : this.complexFunction(name, x);
    }
  }

  private onlyReal(x: Value<T>): T {
    if (!this.isReal(x)) throw UNDEFINED;
    return x.re;
  }

  private over(a: T, b: T): Value<T> {
    return this.div(this.real(a), this.real(b));
  }

  private realFunction(name: FunctionName, x: T): Value<T> {
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
  private pole(above: T, below: T): Value<T> {
    if (Math.abs(this.f.toNumber(below)) < this.f.epsilon) throw UNDEFINED;
    return this.over(above, below);
  }

  private complexFunction(name: FunctionName, x: Value<T>): Value<T> {
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

  /** Of an integer from 0 to 2,000. */
  private factorial(n: T): T {
    const { f } = this;
    const count = f.toNumber(n);
    if (!f.isInteger(n) || count < 0 || count > MOST_TERMS) throw UNDEFINED;
    let product = this.one;
    for (let i = 2; i <= count; i++) product = f.mul(product, f.integer(i));
    return product;
  }

  /** n over k for an integer k from 0 to 2,000. */
  private binomial(n: T, k: T): T {
    const { f } = this;
    const count = f.toNumber(k);
    if (!f.isInteger(k) || Math.abs(count) > MOST_TERMS) throw UNDEFINED;
    // As it is counted in lessons: k of n things, at most all of them.
    if (count < 0 || (f.isInteger(n) && f.sign(n) >= 0 && f.sign(f.sub(n, k)) < 0)) throw UNDEFINED;
    let product = this.one;
    for (let i = 0; i < count; i++) product = f.div(f.mul(product, f.sub(n, f.integer(i))), f.integer(i + 1));
    return product;
  }

  private series({ how, name, from, to, of }: Extract<Tree, { type: 'series' }>): Value<T> {
    const [first, last] = [from, to].map((bound) => this.f.toNumber(this.asReal(bound)));
    if (first === undefined || last === undefined || !Number.isInteger(first) || !Number.isInteger(last))
      throw UNDEFINED;
    if (last - first > MOST_TERMS) throw new Unworked();
    let result = this.real(how === 'sum' ? this.zero : this.one);
    for (let n = first; n <= last; n++) {
      const at = new Map(this.s.at).set(name, this.real(this.f.integer(n)));
      const inner = { ...this.s, at };
      const term = new Evaluation(inner).value(of);
      this.s.steps = inner.steps;
      this.s.largest = Math.max(this.s.largest, inner.largest);
      result = how === 'sum' ? this.add(result, term) : this.mul(result, term);
    }
    return result;
  }

  private cases(cases: Extract<Tree, { type: 'cases' }>['cases']): Value<T> {
    for (const { value, when } of cases) {
      if (when === null || this.holds(when)) return this.value(value);
    }
    throw UNDEFINED;
  }

  /** Whether a condition holds here. */
  holds(condition: Tree): boolean {
    const { f } = this;
    if (condition.type === 'group') return this.holds(condition.of);
    if (condition.type === 'logic') {
      const parts = condition.parts.map((part) => this.holds(part));
      return condition.how === 'and' ? parts.every(Boolean) : parts.some(Boolean);
    }
    if (condition.type !== 'relation') throw new Unworked();
    const values = condition.parts.map((part) => this.onlyReal(this.value(part)));
    return condition.signs.every((sign, n) => {
      const [left, right] = [values[n], values[n + 1]];
      if (left === undefined || right === undefined) return false;
      const difference = f.sub(left, right);
      const size = Math.max(this.s.largest, f.epsilon);
      const order = Math.abs(f.toNumber(difference)) <= f.epsilon * size ? 0 : f.sign(difference);
      return {
        '=': order === 0,
        '≠': order !== 0,
        '<': order < 0,
        '≤': order <= 0,
        '>': order > 0,
        '≥': order >= 0,
        '∈': false,
      }[sign];
    });
  }
}

/** Whether a condition holds at a point; null where a side of it is not defined. */
export function holdsAt<T>(condition: Tree, setting: Setting<T>): boolean | null {
  try {
    return new Evaluation(setting).holds(condition);
  } catch (error) {
    if (error instanceof Undefined) return null;
    throw error;
  }
}
