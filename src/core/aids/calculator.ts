import { ok, type Result, refuse } from '../base/result';

/** Which keys a calculator has; both read the same. */
export const CALCULATORS = ['standard', 'scientific'] as const;
export type CalculatorKind = (typeof CALCULATORS)[number];

export interface CalculatorSetting {
  /** Whether angles are in degrees; else in radians. */
  degrees: boolean;
  /** The result before, for "ans"; null when there is none. */
  ans: number | null;
}

/** The longest calculation that is read, in signs. */
export const MOST_SIGNS = 200;
/** Significant digits that a result has; doubles hold a few more, so that 0.1 + 0.2 is 0.3. */
const DIGITS = 12;

const FUNCTIONS = ['arcsin', 'arccos', 'arctan', 'sin', 'cos', 'tan', 'ln', 'log', 'exp', 'abs'] as const;
type FunctionName = (typeof FUNCTIONS)[number];

type Token =
  | { is: 'number' | 'constant'; value: number }
  | { is: 'name'; name: FunctionName }
  | { is: 'sign'; sign: string };

type SumRefusal = 'sum-unreadable' | 'sum-no-value';

/** What cannot be read, or has no value. Thrown within this file only. */
class Trouble extends Error {
  constructor(readonly code: SumRefusal) {
    super(code);
  }
}
const unreadable = (): never => {
  throw new Trouble('sum-unreadable');
};

/**
 * Works out a calculation as it is typed: + − × ÷ ^ and brackets, √, %, ², !,
 * π, e, ans, and functions of what stands behind them ("sin 30", "ln(2)"). Powers bind
 * before signs (−2² is −4) and from the right; what stands side by side is
 * multiplied, in the order of × and ÷. In doubles, given to twelve significant
 * digits. Refused with `sum-unreadable`, or `sum-no-value` where there is none
 * (division by zero, ln of a negative number, more than a double holds).
 */
export function calculate(typed: string, setting: CalculatorSetting): Result<number> {
  if (typed.length > MOST_SIGNS) return refuse('sum-unreadable');
  try {
    const value = new Reader(tokensOf(typed, setting.ans), setting.degrees).whole();
    if (!Number.isFinite(value)) return refuse('sum-no-value');
    return ok(Number(value.toPrecision(DIGITS)));
  } catch (error) {
    if (error instanceof Trouble) return refuse(error.code);
    throw error;
  }
}

/** A result as it is written: "0.3", "−12", "1.5 × 10^−7". */
export function resultText(value: number): string {
  const size = Math.abs(value);
  const plain = size === 0 || (size >= 1e-6 && size < 1e12);
  const [digits = '', power] = (plain ? String(value) : value.toExponential()).split('e');
  const sign = (text: string): string => text.replace('-', '−').replace('+', '');
  return power === undefined ? sign(digits) : `${sign(digits)} × 10^${sign(power)}`;
}

const SAME: Record<string, string> = { '−': '-', '–': '-', '×': '*', '·': '*', '÷': '/', ':': '/' };

function tokensOf(typed: string, ans: number | null): Token[] {
  const tokens: Token[] = [];
  let rest = typed.toLowerCase();
  const take = (length: number): void => {
    rest = rest.slice(length);
  };
  while (rest !== '') {
    const space = /^\s+/.exec(rest);
    const number = /^(\d+([.,]\d*)?|[.,]\d+)/.exec(rest);
    const name = FUNCTIONS.find((one) => rest.startsWith(one));
    const sign = rest[0] ?? '';
    if (space) take(space[0].length);
    else if (number) {
      tokens.push({ is: 'number', value: Number(number[0].replace(',', '.')) });
      take(number[0].length);
    } else if (name) {
      tokens.push({ is: 'name', name });
      take(name.length);
    } else if (rest.startsWith('ans')) {
      tokens.push({ is: 'constant', value: ans ?? unreadable() });
      take(3);
    } else if (rest.startsWith('pi') || sign === 'π') {
      tokens.push({ is: 'constant', value: Math.PI });
      take(sign === 'π' ? 1 : 2);
    } else if (sign === 'e') {
      tokens.push({ is: 'constant', value: Math.E });
      take(1);
    } else if ('+-−–*×·/÷:^()√%²!'.includes(sign)) {
      tokens.push({ is: 'sign', sign: SAME[sign] ?? sign });
      take(1);
    } else unreadable();
  }
  return tokens;
}

class Reader {
  private at = 0;

  constructor(
    private readonly tokens: readonly Token[],
    private readonly degrees: boolean,
  ) {}

  whole(): number {
    const value = this.sum();
    return this.at < this.tokens.length ? unreadable() : value;
  }

  private get next(): Token | undefined {
    return this.tokens[this.at];
  }

  private sign(...signs: string[]): string | null {
    const { next } = this;
    if (next?.is !== 'sign' || !signs.includes(next.sign)) return null;
    this.at += 1;
    return next.sign;
  }

  private sum(): number {
    let value = this.product();
    for (let sign = this.sign('+', '-'); sign; sign = this.sign('+', '-')) {
      const other = this.product();
      value = sign === '+' ? value + other : value - other;
    }
    return value;
  }

  private product(): number {
    let value = this.signed();
    for (;;) {
      const sign = this.sign('*', '/');
      if (!sign && !this.beginsFactor()) return value;
      const other = sign ? this.signed() : this.power();
      if (sign === '/' && other === 0) throw new Trouble('sum-no-value');
      value = sign === '/' ? value / other : value * other;
    }
  }

  /** Whether what comes is multiplied with what stands before it. Digits never are: "2 3" is a slip. */
  private beginsFactor(): boolean {
    const { next } = this;
    if (next?.is === 'sign') return next.sign === '(' || next.sign === '√';
    return next !== undefined && next.is !== 'number';
  }

  private signed(): number {
    const sign = this.sign('-', '+');
    if (!sign) return this.power();
    const value = this.signed();
    return sign === '-' ? -value : value;
  }

  private power(): number {
    const base = this.raised();
    return this.sign('^') ? base ** this.signed() : base;
  }

  private raised(): number {
    let value = this.one();
    for (let sign = this.sign('%', '²', '!'); sign; sign = this.sign('%', '²', '!'))
      value = sign === '%' ? value / 100 : sign === '²' ? value * value : factorial(value);
    return value;
  }

  private one(): number {
    if (this.sign('√')) return root(this.raised());
    if (this.sign('(')) {
      const value = this.sum();
      return this.sign(')') ? value : unreadable();
    }
    const { next } = this;
    this.at += 1;
    if (next?.is === 'number' || next?.is === 'constant') return next.value;
    return next?.is === 'name' ? this.ofFunction(next.name, this.raised()) : unreadable();
  }

  private ofFunction(name: FunctionName, x: number): number {
    const turn = this.degrees ? 180 / Math.PI : 1;
    switch (name) {
      case 'sin':
        return this.degrees ? sineOfDegrees(x) : nearZero(Math.sin(x));
      case 'cos':
        return this.degrees ? sineOfDegrees(x + 90) : nearZero(Math.cos(x));
      case 'tan': {
        const cosine = this.ofFunction('cos', x);
        if (cosine === 0) throw new Trouble('sum-no-value');
        return this.ofFunction('sin', x) / cosine;
      }
      case 'arcsin':
        return Math.asin(x) * turn;
      case 'arccos':
        return Math.acos(x) * turn;
      case 'arctan':
        return Math.atan(x) * turn;
      case 'ln':
        return Math.log(x);
      case 'log':
        return Math.log10(x);
      case 'exp':
        return Math.exp(x);
      case 'abs':
        return Math.abs(x);
    }
  }
}

const root = (x: number): number => (x < 0 ? NaN : Math.sqrt(x));

/** What is zero but for the last digits of a double. */
const nearZero = (x: number): number => (Math.abs(x) < 1e-15 ? 0 : x);

/** The sine of an angle in degrees, exact at the quarters. */
function sineOfDegrees(degrees: number): number {
  const turned = ((degrees % 360) + 360) % 360;
  if (turned % 180 === 0) return 0;
  if (turned === 90 || turned === 270) return turned === 90 ? 1 : -1;
  return Math.sin((turned * Math.PI) / 180);
}

function factorial(x: number): number {
  if (!Number.isInteger(x) || x < 0 || x > 170) return NaN;
  let value = 1;
  for (let factor = 2; factor <= x; factor++) value *= factor;
  return value;
}
