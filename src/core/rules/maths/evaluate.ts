import { type Exact, ZERO } from '../../base/exact';
import { Arithmetic, type Setting, Undefined, UNDEFINED, Unworked, type Value } from './arithmetic';
import { exactValue } from './exact-value';
import type { FunctionName, Tree } from './tree';
import { charge } from './work';

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

class Evaluation<T> extends Arithmetic<T> {
  value(tree: Tree): Value<T> {
    this.spend(1);
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

  private asReal(tree: Tree): T {
    const value = this.value(tree);
    if (!this.isReal(value)) throw UNDEFINED;
    return value.re;
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

  /** Counts work; when there was too much of it, the value is given up. */
  private spend(steps: number): void {
    this.s.steps -= steps;
    charge(steps);
    if (this.s.steps < 0) throw new Unworked();
  }

  /** Of an integer from 0 to 2,000. */
  private factorial(n: T): T {
    const { f } = this;
    const count = f.toNumber(n);
    if (!f.isInteger(n) || count < 0 || count > MOST_TERMS) throw UNDEFINED;
    this.spend(count);
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
    this.spend(count);
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
