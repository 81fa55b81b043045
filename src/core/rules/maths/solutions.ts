import type Decimal from 'decimal.js';
import { setting, type Setting } from './arithmetic';
import { evaluate, holdsAt } from './evaluate';
import { doubles, Precise, precise } from './fields';
import { exactValue } from './exact-value';
import { namesOf, partsOf, type Relation, some, type Tree } from './tree';

/**
 * Sets of real numbers as they are written: intervals, unions, inequalities in
 * one variable, single numbers. Two are the same when they hold the same of
 * all points where something can change, of points between them and beyond.
 */
export function sameSolutions(key: Tree, answer: Tree): boolean | 'unreadable' {
  const names = new Set([...namesOf(key), ...namesOf(answer)]);
  if (names.size > 1) return false;
  const [name = 'x'] = names;
  if (some(answer, closedAtInfinity)) return false;
  if (!isRealSet(key) || !isRealSet(answer)) return 'unreadable';
  const turns = merged([...turningPoints(key, name), ...turningPoints(answer, name)]);
  return testPoints(turns).every((x) => contains(key, name, x) === contains(answer, name, x));
}

/** Whether it can be read as a set of real numbers. */
export function isRealSet(tree: Tree): boolean {
  switch (tree.type) {
    case 'reals':
    case 'relation':
      return true;
    case 'group':
      return isRealSet(tree.of);
    case 'logic':
      return tree.parts.every(isRealSet);
    case 'setOperation':
      return isRealSet(tree.left) && isRealSet(tree.right);
    case 'collection':
      return isInterval(tree) || tree.open === '{' || tree.open === '';
    default:
      return namesOf(tree).size === 0;
  }
}

function isInterval(tree: Extract<Tree, { type: 'collection' }>): boolean {
  return tree.items.length === 2 && tree.open !== '' && '([]'.includes(tree.open);
}

/** Infinity is no number that could belong to an interval. */
function closedAtInfinity(tree: Tree): boolean {
  if (tree.type !== 'collection' || !isInterval(tree)) return false;
  const [low, high] = tree.items;
  return Boolean(
    (low && endless(low) !== 0 && tree.open === '[') || (high && endless(high) !== 0 && tree.close === ']'),
  );
}

/** −1 or 1 for minus or plus infinity, 0 for anything else. */
function endless(tree: Tree): number {
  if (tree.type === 'constant' && tree.name === 'infinity') return 1;
  if (tree.type === 'group') return endless(tree.of);
  return tree.type === 'negate' ? -endless(tree.of) : 0;
}

function bound(tree: Tree): Decimal | null {
  const way = endless(tree);
  if (way !== 0) return new Precise(way * Number.POSITIVE_INFINITY);
  return evaluate(tree, setting(precise, new Map(), false, 12_000))?.re ?? null;
}

const NEAR = '1e-40';

function compare(a: Decimal, b: Decimal): number {
  if (!a.isFinite() || !b.isFinite()) return a.cmp(b);
  const gap = a.sub(b);
  return gap.abs().lte(Precise.max(1, a.abs()).mul(NEAR)) ? 0 : gap.isNegative() ? -1 : 1;
}

function contains(tree: Tree, name: string, x: Decimal): boolean {
  switch (tree.type) {
    case 'group':
      return contains(tree.of, name, x);
    case 'reals':
      return true;
    case 'setOperation': {
      const [left, right] = [contains(tree.left, name, x), contains(tree.right, name, x)];
      return tree.how === 'union' ? left || right : tree.how === 'intersection' ? left && right : left && !right;
    }
    case 'logic': {
      const parts = tree.parts.map((part) => contains(part, name, x));
      return tree.how === 'and' ? parts.every(Boolean) : parts.some(Boolean);
    }
    case 'relation':
      if (tree.signs[0] === '∈' && tree.parts[1]) return contains(tree.parts[1], name, x);
      return tree.signs.every((sign, n) =>
        holdsBetween(tree.parts[n] as Tree, sign, tree.parts[n + 1] as Tree, name, x),
      );
    case 'collection': {
      if (!isInterval(tree)) return tree.items.some((item) => contains(item, name, x));
      const [low, high] = tree.items.map(bound);
      if (!low || !high) return false;
      const [above, below] = [compare(x, low), compare(high, x)];
      return (tree.open === '[' ? above >= 0 : above > 0) && (tree.close === ']' ? below >= 0 : below > 0);
    }
    default: {
      const value = bound(tree);
      return value !== null && compare(value, x) === 0;
    }
  }
}

/** A comparison with infinity holds for every number, or for none. */
function holdsBetween(left: Tree, sign: Relation, right: Tree, name: string, x: Decimal): boolean {
  const order = Math.sign(endless(left) - endless(right));
  if (order !== 0) return (order < 0 && '<≤≠'.includes(sign)) || (order > 0 && '>≥≠'.includes(sign));
  return holdsAt({ type: 'relation', parts: [left, right], signs: [sign] }, at(precise, name, x)) ?? false;
}

function at<T>(field: typeof precise | typeof doubles, name: string, x: T): Setting<T> {
  const arithmetic = field as unknown as Setting<T>['field'];
  return setting(arithmetic, new Map([[name, { re: x, im: arithmetic.integer(0) }]]), false, 20_000);
}

/** Where what a set says of a number can change. */
function turningPoints(tree: Tree, name: string): Decimal[] {
  const points: Decimal[] = [];
  for (const part of partsOf(tree)) {
    if (part.type === 'collection' || part.type === 'logic' || part.type === 'setOperation') {
      const bounds = (part.type === 'collection' ? part.items : []).filter((item) => namesOf(item).size === 0);
      points.push(...bounds.flatMap((item) => (bound(item)?.isFinite() ? [bound(item) as Decimal] : [])));
    } else if (part.type === 'relation' && part.signs[0] !== '∈') {
      part.parts.slice(1).forEach((right, n) => {
        const left = part.parts[n];
        if (left && endless(left) === 0 && endless(right) === 0)
          points.push(...zerosOf({ type: 'subtract', left, right }, name));
      });
    } else if (exactValue(part) && part.type !== 'number') {
      const value = exactValue(part);
      if (value) points.push(precise.of(value));
    }
  }
  if (namesOf(tree).size === 0) {
    const single =
      tree.type === 'group' || tree.type === 'number' || tree.type === 'negate' || tree.type === 'call'
        ? bound(tree)
        : null;
    if (single?.isFinite()) points.push(single);
  }
  return points;
}

/** Places where a function of one variable changes its sign, touches zero, jumps, or begins to be defined. */
function zerosOf(f: Tree, name: string): Decimal[] {
  if (!namesOf(f).has(name)) return [];
  const value = (x: number): number | null => evaluate(f, at<number>(doubles, name, x))?.re ?? null;
  const grid = gridFor(f);
  const values = grid.map(value);
  const found: Decimal[] = [];
  for (let n = 0; n + 1 < grid.length; n++) {
    const [a, b] = [grid[n] as number, grid[n + 1] as number];
    const [u, v] = [values[n] ?? null, values[n + 1] ?? null];
    if (u === 0) found.push(new Precise(a));
    if ((u === null) !== (v === null)) found.push(...edge(f, name, a, b));
    else if (u !== null && v !== null && u * v < 0) found.push(...crossing(f, name, a, b));
    else if (u !== null && v !== null) {
      const w = values[n + 2] ?? null;
      const c = grid[n + 2];
      // A valley on its way to zero; where it is flat it goes nowhere.
      const flat = u === v && v === w;
      if (
        w !== null &&
        c !== undefined &&
        !flat &&
        Math.abs(v) <= Math.abs(u) &&
        Math.abs(v) <= Math.abs(w) &&
        u * w > 0
      ) {
        const touch = touching(f, name, a, c);
        if (touch) found.push(touch);
      }
    }
    if (found.length > 200) break;
  }
  return found;
}

/** Numbers close together near zero and far apart far out, with those that the function names among them. */
function gridFor(f: Tree): number[] {
  const named = [...partsOf(f)].flatMap((part) => {
    const value = exactValue(part)?.valueOf();
    return value === undefined || Math.abs(value) > 1e12 ? [] : [value, -value];
  });
  const spread = Array.from({ length: 1201 }, (_, n) => Math.sinh(((n - 600) / 600) * 13) / 200 + 1e-7);
  const round = named.flatMap((v) => [v - 1e-3 * (Math.abs(v) + 1), v, v + 1e-3 * (Math.abs(v) + 1)]);
  return [...new Set([...spread, 0, ...round])].sort((x, y) => x - y);
}

function valueAt(f: Tree, name: string, x: Decimal): Decimal | null {
  return evaluate(f, at<Decimal>(precise, name, x))?.re ?? null;
}

/** A change of sign, pinned down to 50 digits: a zero, or a pole or a jump. */
function crossing(f: Tree, name: string, from: number, to: number): Decimal[] {
  const zero = refined((x) => valueAt(f, name, x), from, to);
  if (zero) return [zero];
  const pole = refined(
    (x) => {
      const value = valueAt(f, name, x);
      return value && !value.isZero() ? new Precise(1).div(value) : null;
    },
    from,
    to,
  );
  return pole ? [pole] : edgeBy((x) => valueAt(f, name, x)?.isNegative() ?? null, from, to);
}

function edge(f: Tree, name: string, from: number, to: number): Decimal[] {
  return edgeBy((x) => valueAt(f, name, x) === null, from, to);
}

/** Halves the stretch in which a property changes, until it is a point. */
function edgeBy(test: (x: Decimal) => boolean | null, from: number, to: number): Decimal[] {
  let [low, high] = [new Precise(from), new Precise(to)];
  const first = test(low);
  for (let i = 0; i < 170; i++) {
    const middle = low.add(high).div(2);
    if (test(middle) === first) low = middle;
    else high = middle;
  }
  return [low.add(high).div(2).toSignificantDigits(48)];
}

/** Regula falsi with bisection in between (Illinois); null where the values do not come to zero. */
function refined(f: (x: Decimal) => Decimal | null, from: number, to: number): Decimal | null {
  let [a, b] = [new Precise(from), new Precise(to)];
  let [u, v] = [f(a), f(b)];
  if (!u || !v || u.isNegative() === v.isNegative()) return null;
  const start = Precise.max(u.abs(), v.abs());
  for (let i = 0; i < 120; i++) {
    if (u.isZero()) return a;
    if (v.isZero()) return b;
    const c: Decimal = i % 3 === 2 ? a.add(b).div(2) : b.sub(v.mul(b.sub(a)).div(v.sub(u)));
    const w = f(c);
    if (!w) return null;
    if (w.isNegative() === v.isNegative()) {
      [b, v] = [c, w];
      u = u.div(2);
    } else {
      [a, u] = [b, v];
      [b, v] = [c, w];
    }
    const size = Precise.max(1, b.abs());
    if (w.abs().lt(start.mul('1e-56')) || b.sub(a).abs().lt(size.mul('1e-58')))
      return w.abs().lt(start.mul('1e-20')) ? b : null;
  }
  return null;
}

/** A point where the function comes to zero without crossing it; null where it does not. */
function touching(f: Tree, name: string, from: number, to: number): Decimal | null {
  const step = new Precise('1e-24');
  const slope = (x: Decimal): Decimal | null => {
    const [after, before] = [valueAt(f, name, x.add(step)), valueAt(f, name, x.sub(step))];
    return after && before && after.sub(before);
  };
  const point = refined(slope, from, to) ?? corner(f, name, from, to);
  const value = point && valueAt(f, name, point);
  if (!point || !value || value.abs().gt('1e-18')) return null;
  // The slope pins it down to half the digits only: a nearby short number is the point itself.
  const short = point.toSignificantDigits(18);
  const there = valueAt(f, name, short);
  return there?.abs().lt('1e-50') ? short : point;
}

/** The lowest point of the amount by thirds, for corners. */
function corner(f: Tree, name: string, from: number, to: number): Decimal | null {
  let [low, high] = [new Precise(from), new Precise(to)];
  for (let i = 0; i < 90; i++) {
    const third = high.sub(low).div(3);
    const [a, b] = [low.add(third), high.sub(third)];
    const [u, v] = [valueAt(f, name, a), valueAt(f, name, b)];
    if (!u || !v) return null;
    if (u.abs().lt(v.abs())) high = b;
    else low = a;
  }
  return low.add(high).div(2);
}

function merged(points: Decimal[]): Decimal[] {
  const sorted = [...points].sort((a, b) => a.cmp(b));
  return sorted.filter((x, n) => n === 0 || compare(x, sorted[n - 1] as Decimal) !== 0);
}

/** The points themselves, points between them, and points beyond. */
function testPoints(turns: Decimal[]): Decimal[] {
  const [first, last] = [turns[0] ?? new Precise(0), turns.at(-1) ?? new Precise(0)];
  const between = turns.slice(1).map((x, n) => x.add(turns[n] as Decimal).div(2));
  const far = Precise.max(first.abs(), last.abs()).mul(3).add(7);
  return [...turns, ...between, first.sub(1), last.add(1), far.neg(), far, new Precise('0.3183')];
}
