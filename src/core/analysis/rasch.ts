import { inverse } from './matrix';
import { sum } from './numbers';

/**
 * The Rasch model by conditional maximum likelihood: how hard each item is,
 * whoever answered (Andersen, J. R. Stat. Soc. B 32, 1970). Persons' totals are
 * all that counts of them; elementary symmetric functions are summed, never
 * divided, so that nothing is lost (Fischer 1974, ch. 14).
 */
export interface RaschItem {
  /** In logits; the mean of all is 0, harder is higher. */
  difficulty: number;
  error: number;
  /** Mean squares of what is not as expected: near 1 as the model has it, above where it is less predictable. Outfit feels what is far off, infit weighs by information. */
  infit: number;
  outfit: number;
}

export interface Rasch {
  items: RaschItem[];
  /** The ability, in logits, for each total from 1 to all but one; by maximum likelihood, at index total − 1. */
  abilities: number[];
  /** The logarithm of the conditional likelihood. */
  likelihood: number;
}

/** Coefficients of Π(1 + εᵢt), from t⁰ on. */
type Polynomial = readonly number[];

const times = (p: Polynomial, e: number): number[] =>
  Array.from({ length: p.length + 1 }, (_, r) => (p[r] ?? 0) + e * (p[r - 1] ?? 0));

function product(p: Polynomial, q: Polynomial): number[] {
  const all = new Array<number>(p.length + q.length - 1).fill(0);
  p.forEach((x, i) => {
    for (let j = 0; j < q.length; j++) all[i + j] = (all[i + j] ?? 0) + x * (q[j] ?? 0);
  });
  return all;
}

/** For each factor the product of all the others. */
function withoutEach(factors: readonly number[]): number[][] {
  const before: number[][] = [[1]];
  for (const e of factors.slice(0, -1)) before.push(times(before.at(-1) ?? [1], e));
  const after: number[][] = [[1]];
  for (const e of factors.slice(1).reverse()) after.push(times(after.at(-1) ?? [1], e));
  return factors.map((_, i) => product(before[i] ?? [1], after[factors.length - 1 - i] ?? [1]));
}

const MOST_STEPS = 50;
const CLOSE = 1e-10;

interface Counts {
  /** How often each item was right. */
  right: number[];
  /** How many persons have each total, from 0 on. */
  persons: number[];
}

/** Gradient and information of the conditional likelihood at difficulties, and the likelihood. */
function slope(difficulties: readonly number[], { right, persons }: Counts) {
  const k = difficulties.length;
  const e = difficulties.map((b) => Math.exp(-b));
  const others = withoutEach(e);
  const gamma = times(others[0] ?? [1], e[0] ?? 0);
  // The chance of each item to be right, by total.
  const chance = others.map((own, i) => persons.map((_, r) => ((e[i] ?? 0) * (own[r - 1] ?? 0)) / (gamma[r] ?? 1)));
  const gradient = chance.map((by, i) => sum(persons.map((n, r) => n * (by[r] ?? 0))) - (right[i] ?? 0));
  const information = Array.from({ length: k }, () => new Array<number>(k).fill(0));
  for (let i = 0; i < k; i++) {
    const rest = e.filter((_, j) => j !== i);
    const pairs = withoutEach(rest);
    for (let j = 0; j < k; j++) {
      const pair = j === i ? null : pairs[j < i ? j : j - 1];
      let all = 0;
      persons.forEach((n, r) => {
        if (n === 0) return;
        const [pi, pj] = [chance[i]?.[r] ?? 0, chance[j]?.[r] ?? 0];
        const both = pair ? ((e[i] ?? 0) * (e[j] ?? 0) * (pair[r - 2] ?? 0)) / (gamma[r] ?? 1) : pi;
        all += n * (both - pi * pj);
      });
      (information[i] ?? [])[j] = all;
    }
  }
  const likelihood =
    -sum(difficulties.map((b, i) => b * (right[i] ?? 0))) -
    sum(persons.map((n, r) => (n === 0 ? 0 : n * Math.log(gamma[r] ?? 1))));
  return { gradient, information, likelihood };
}

/** The inverse of an information in which only differences are known: over the difficulties whose sum is 0. */
function inverseOfDifferences(information: readonly (readonly number[])[]): number[][] | null {
  const k = information.length;
  const scale = sum(information.map((row, i) => row[i] ?? 0)) / k;
  const back = inverse(information.map((row) => row.map((x) => x + scale / k)));
  return back?.map((row) => row.map((x) => x - 1 / (scale * k))) ?? null;
}

/**
 * Of scores that are 1 or 0. Persons with none or all right tell nothing; null
 * where an item was right for all others or for none, with fewer than two items
 * or when the search does not end.
 */
export function rasch(scores: readonly (readonly number[])[]): Rasch | null {
  const k = scores[0]?.length ?? 0;
  const telling = scores.filter((row) => sum(row) > 0 && sum(row) < k);
  const right = Array.from({ length: k }, (_, i) => sum(telling.map((row) => row[i] ?? 0)));
  if (k < 2 || right.some((n) => n === 0 || n === telling.length)) return null;
  const persons = Array.from({ length: k }, () => 0);
  for (const row of telling) persons[sum(row)] = (persons[sum(row)] ?? 0) + 1;
  const counts = { right, persons };
  let difficulties = centred(right.map((n) => Math.log((telling.length - n) / n)));
  for (let step = 0; step < MOST_STEPS; step++) {
    const { gradient, information, likelihood } = slope(difficulties, counts);
    const back = inverseOfDifferences(information);
    if (!back) return null;
    const change = back.map((row) => sum(row.map((x, j) => x * (gradient[j] ?? 0))));
    // A step is never longer than two logits: far from the end the likelihood is not as round as it looks.
    const most = Math.max(...change.map(Math.abs));
    difficulties = centred(difficulties.map((b, i) => b + (change[i] ?? 0) * Math.min(1, 2 / most)));
    if (most < CLOSE) {
      const errors = back.map((row, i) => Math.sqrt(row[i] ?? NaN));
      const abilities = Array.from({ length: k - 1 }, (_, r) => abilityOf(r + 1, difficulties));
      return { items: fitted(telling, difficulties, errors, abilities), abilities, likelihood };
    }
  }
  return null;
}

const centred = (numbers: readonly number[]): number[] => numbers.map((x) => x - sum(numbers) / numbers.length);

const chanceOf = (ability: number, difficulty: number): number => 1 / (1 + Math.exp(difficulty - ability));

/** The ability at which a total is what is to be expected, by halving. */
function abilityOf(total: number, difficulties: readonly number[]): number {
  let [low, high] = [-40, 40];
  for (let i = 0; i < 80; i++) {
    const middle = (low + high) / 2;
    if (sum(difficulties.map((b) => chanceOf(middle, b))) < total) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Wright and Masters, Rating Scale Analysis, 1982, ch. 5. */
function fitted(
  scores: readonly (readonly number[])[],
  difficulties: readonly number[],
  errors: readonly number[],
  abilities: readonly number[],
): RaschItem[] {
  return difficulties.map((difficulty, i) => {
    let [squares, weighed, information] = [0, 0, 0];
    for (const row of scores) {
      const p = chanceOf(abilities[sum(row) - 1] ?? 0, difficulty);
      const [off, spread] = [((row[i] ?? 0) - p) ** 2, p * (1 - p)];
      squares += off / spread;
      weighed += off;
      information += spread;
    }
    return { difficulty, error: errors[i] ?? NaN, infit: weighed / information, outfit: squares / scores.length };
  });
}
