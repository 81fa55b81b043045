import { exact } from '../../base/exact';
import { exactValue } from './exact-value';
import { isComplex } from './equal';
import { content, degreeOf, gcd, haveCommonDivisor, isIrreducible, polynomialOf } from './polynomial';
import { bare, namesOf, some, type Tree } from './tree';
import { FUNCTIONS } from './words';

/** The form that is asked for beside the value. */
export type Form =
  | 'factored'
  | 'expanded'
  | 'lowestTerms'
  | 'singleFraction'
  | 'noNegativeExponents'
  | 'rationalDenominator'
  | 'simplifiedRadical'
  | 'scientific'
  | 'completedSquare'
  | { decimalPlaces: number }
  | { significantFigures: number }
  | { forbidFunctions: readonly string[] }
  | { useFunctions: readonly string[] };

/** Whether an answer has the form, as it was typed; nothing is simplified before. */
export function hasForm(answer: Tree, form: Form): boolean {
  const tree = bare(answer);
  if (typeof form === 'object') {
    if ('decimalPlaces' in form) return decimalsOf(tree) === form.decimalPlaces;
    if ('significantFigures' in form) return hasFigures(tree, form.significantFigures);
    const names = 'forbidFunctions' in form ? form.forbidFunctions : form.useFunctions;
    const used = new Set(names.map((name) => FUNCTIONS[name] ?? name));
    const uses = some(tree, (part) => part.type === 'call' && used.has(part.name));
    return 'forbidFunctions' in form ? !uses : uses;
  }
  switch (form) {
    case 'factored':
      return factorsOf(tree).every(isFactored);
    case 'expanded':
      return isExpanded(tree);
    case 'lowestTerms':
      return isLowest(tree);
    case 'singleFraction':
      return isSingleFraction(tree);
    case 'noNegativeExponents':
      return !some(tree, hasNegativeExponent);
    case 'rationalDenominator':
      return !some(
        tree,
        (part) =>
          (part.type === 'divide' && some(part.right, isRadical)) ||
          (part.type === 'power' && hasNegativeExponent(part) && some(part, isRadical)),
      );
    case 'simplifiedRadical':
      return isSimpleRadical(tree);
    case 'scientific':
      return isScientific(tree);
    default:
      return isCompletedSquare(tree);
  }
}

/** Without a minus and brackets in front. */
function unsigned(tree: Tree): Tree {
  if (tree.type === 'negate' || tree.type === 'group') return unsigned(tree.of);
  return tree;
}

function factorsOf(tree: Tree): Tree[] {
  const part = unsigned(tree);
  if (part.type === 'multiply' || part.type === 'divide') return [...factorsOf(part.left), ...factorsOf(part.right)];
  if (part.type === 'power' && (exactValue(part.right)?.d ?? 0n) === 1n) return factorsOf(part.left);
  return [part];
}

function isFactored(factor: Tree): boolean {
  if (namesOf(factor).size === 0 || factor.type === 'name') return true;
  const polynomial = polynomialOf(factor);
  // Linear factors with i in them cannot be split further; other functions are taken as they stand.
  if (!polynomial)
    return (
      isComplex(factor) ||
      !some(factor, (part) => part.type === 'add' || part.type === 'subtract') ||
      factor.type === 'call'
    );
  return content(polynomial).n === 1n && isIrreducible(polynomial);
}

function termsOf(tree: Tree): Tree[] {
  if (tree.type === 'group') return termsOf(tree.of);
  if (tree.type === 'add' || tree.type === 'subtract') return [...termsOf(tree.left), ...termsOf(tree.right)];
  return [tree];
}

const isSum = (tree: Tree): boolean => {
  const part = bare(tree);
  return part.type === 'add' || part.type === 'subtract' || (part.type === 'negate' && isSum(part.of));
};

function isExpanded(tree: Tree): boolean {
  const unexpanded = some(tree, (part) => {
    if (part.type === 'multiply') return isSum(part.left) || isSum(part.right);
    if (part.type === 'divide') return isSum(part.left);
    if (part.type === 'negate') return isSum(part.of);
    if (part.type !== 'power') return false;
    const base = bare(part.left);
    return isSum(base) || ((base.type === 'multiply' || base.type === 'divide') && namesOf(base).size > 0);
  });
  if (unexpanded || termsOf(tree).some(hasRepeatedFactor)) return false;
  const kinds = termsOf(tree).map((term) => {
    const polynomial = polynomialOf(term, [...namesOf(tree)].sort());
    return polynomial ? [...polynomial.terms.keys()].join() : null;
  });
  const known = kinds.filter((kind) => kind !== null);
  return new Set(known).size === known.length;
}

/** Whether a term has plain numbers, or powers of one name, side by side: 2·3x, a·a. */
function hasRepeatedFactor(term: Tree): boolean {
  const seen = new Set<string>();
  const walk = (tree: Tree): boolean => {
    const part = unsigned(tree);
    if (part.type === 'multiply') return walk(part.left) || walk(part.right);
    const base = part.type === 'power' ? bare(part.left) : part;
    const kind = base.type === 'number' && part.type !== 'power' ? 'number' : base.type === 'name' ? base.name : null;
    if (kind === null) return false;
    if (seen.has(kind)) return true;
    seen.add(kind);
    return false;
  };
  return walk(term);
}

function isLowest(tree: Tree): boolean {
  const part = unsigned(tree);
  if (part.type === 'mixed') return isLowest(part.part);
  if (part.type !== 'divide')
    return part.type === 'number'
      ? exact(part.text.split(/[eE]/)[0] || '0').d === 1n && !part.text.includes('.')
      : !some(part, (p) => p.type === 'divide');
  const [above, below] = [exactValue(part.left), exactValue(part.right)];
  if (above && below)
    return (
      above.d === 1n &&
      below.d === 1n &&
      below.n > 1n &&
      below.s > 0n &&
      gcd(above.n, below.n) === 1n &&
      whole(part.left) &&
      whole(part.right)
    );
  const names = [...namesOf(part)].sort();
  const [top, bottom] = [polynomialOf(part.left, names), polynomialOf(part.right, names)];
  if (!top || !bottom) return true;
  return (
    !haveCommonDivisor(top, bottom) &&
    gcd(content(top).n, content(bottom).n) === 1n &&
    content(top).d === 1n &&
    content(bottom).d === 1n
  );
}

/** Written as one integer, with a sign or without. */
function whole(tree: Tree): boolean {
  const part = unsigned(tree);
  return part.type === 'number' && /^\d+$/.test(part.text);
}

function isSingleFraction(tree: Tree): boolean {
  const part = unsigned(tree);
  if (part.type !== 'divide') return false;
  return ![part.left, part.right].some((side) => some(side, (p) => p.type === 'divide' || hasNegativeExponent(p)));
}

function hasNegativeExponent(tree: Tree): boolean {
  if (tree.type !== 'power') return false;
  const exponent = bare(tree.right);
  return exponent.type === 'negate' || (exactValue(exponent)?.s ?? 1n) < 0n;
}

function isRadical(tree: Tree): boolean {
  if (tree.type === 'call') return tree.name === 'root';
  return tree.type === 'power' && (exactValue(tree.right)?.d ?? 1n) !== 1n;
}

function isSimpleRadical(tree: Tree): boolean {
  const bad = some(tree, (part) => {
    if (part.type === 'divide') return some(part.right, isRadical);
    if (part.type === 'power')
      return isRadical(part) || (isRadical(bare(part.left)) && exactValue(part.right) !== null);
    if (part.type === 'multiply') return isRadical(bare(part.left)) && isRadical(bare(part.right));
    return part.type === 'call' && part.name === 'root' && !isFreeOfPowers(part.args);
  });
  if (bad) return false;
  const radicands = termsOf(unsigned(tree)).map((term) =>
    JSON.stringify(factorsOf(term).filter(isRadical), (_, v: unknown) => (typeof v === 'bigint' ? String(v) : v)),
  );
  const rooted = radicands.filter((r) => r !== '[]');
  return new Set(rooted).size === rooted.length;
}

/** Whether nothing more can be taken out from under the root. */
function isFreeOfPowers([of, order]: Tree[]): boolean {
  const n = order && exactValue(order);
  if (!of || n?.d !== 1n) return true;
  const value = exactValue(of);
  if (value) {
    if (value.d !== 1n || value.s < 0n) return false;
    if (value.n < 2n) return false;
    for (let base = 2n; base ** n.n <= value.n && base < 10_000n; base++)
      if (value.n % base ** n.n === 0n) return false;
    return true;
  }
  const polynomial = polynomialOf(of);
  if (!polynomial || polynomial.terms.size !== 1) return true;
  const [[key, coefficient] = ['', exact(1)]] = polynomial.terms;
  const number: Tree = { type: 'number', value: coefficient, text: '' };
  return (
    key.split(',').every((e) => BigInt(e) < n.n) && (coefficient.equals(1) || isFreeOfPowers([number, order as Tree]))
  );
}

function isScientific(tree: Tree): boolean {
  const mantissa = mantissaOf(unsigned(tree));
  if (!mantissa) return false;
  const value = exactValue(mantissa);
  return value !== null && value.compare(1) >= 0 && value.compare(10) < 0;
}

/** The number before the power of ten; null when it is not written so. */
function mantissaOf(tree: Tree): Tree | null {
  if (tree.type === 'number' && /[eE]/.test(tree.text)) {
    const text = tree.text.split(/[eE]/)[0] ?? '';
    return { type: 'number', text, value: exact(text) };
  }
  if (tree.type !== 'multiply') return null;
  const [left, right] = [bare(tree.left), bare(tree.right)];
  const ten =
    right.type === 'power' && (exactValue(right.left)?.equals(10) ?? false) && exactValue(right.right)?.d === 1n;
  return ten && left.type === 'number' ? left : null;
}

function isCompletedSquare(tree: Tree): boolean {
  const terms = termsOf(tree);
  const open = terms.filter((term) => namesOf(term).size > 0);
  const [square] = open;
  // One square and at most one constant beside it.
  if (open.length !== 1 || !square || terms.length > 2) return false;
  let squares = 0;
  let factors = 0;
  const walk = (part: Tree): boolean => {
    const factor = unsigned(part);
    if (namesOf(factor).size === 0) {
      factors += 1;
      return true;
    }
    if (factor.type === 'multiply') return walk(factor.left) && walk(factor.right);
    if (factor.type === 'divide') return walk(factor.left) && walk(factor.right);
    if (factor.type !== 'power' || !(exactValue(factor.right)?.equals(2) ?? false)) return false;
    squares += 1;
    // The square of the name and one constant: what stands before the name belongs before the square.
    const parts = termsOf(factor.left);
    const names = parts.filter((part) => namesOf(part).size > 0);
    const base = polynomialOf(factor.left);
    const lone = names.length === 1 && namesOf(names[0] ?? factor).size === 1 && parts.length <= 2;
    return (
      base === null ||
      (degreeOf(base) === 1 && (!lone || leadingIsOne(base)) && parts.length <= 1 + namesOf(factor.left).size)
    );
  };
  return walk(square) && squares === 1 && factors <= 1;
}

/** Whether the linear part of a polynomial in one name has no factor before it but a sign. */
function leadingIsOne({ terms }: NonNullable<ReturnType<typeof polynomialOf>>): boolean {
  return [...terms].every(([powers, coefficient]) => /^[0,]*$/.test(powers) || coefficient.abs().equals(1));
}

/** How many places stand behind the decimal mark; null when it is not one number. */
function decimalsOf(tree: Tree): number | null {
  const part = unsigned(tree);
  if (part.type !== 'number' || /[eE]/.test(part.text)) return null;
  return part.text.split('.')[1]?.length ?? 0;
}

/** Whether it is written with so many significant figures; zeros at the end of an integer may count or not. */
function hasFigures(tree: Tree, figures: number): boolean {
  const part = unsigned(tree);
  const number = mantissaOf(part) ?? part;
  if (number.type !== 'number') return false;
  const digits = number.text.replace('.', '').replace(/^0+/, '');
  if (number.text.includes('.')) return digits.length === figures;
  return digits.replace(/0+$/, '').length <= figures && figures <= digits.length;
}
