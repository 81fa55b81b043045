import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { choiceFigures } from '@/core/analysis/choices';
import { differently } from '@/core/analysis/differently';
import { discrimination, itemFigures } from '@/core/analysis/items';
import { column, totals } from '@/core/analysis/matrix';
import { deviation, kurtosis, mean, median, skew, variance } from '@/core/analysis/numbers';
import { rasch } from '@/core/analysis/rasch';
import { alpha, betweenItems, errorOfScore, kr21, lambdas, lengthened, splitHalf } from '@/core/analysis/reliability';
import type { Row } from './compare';

type Numbers = Record<string, number>;

interface Expected {
  dataset: string;
  k?: number;
  total?: Numbers;
  reliability?: Numbers;
  items_stats?: Record<'p' | 'item_sd_n_minus_1' | 'item_rest_r' | 'item_total_r' | 'alpha_if_deleted', number[]>;
  upper_lower_27?: { tie_shared: number[] };
  rasch_cml?: {
    difficulty: number[];
    se_sumzero: number[];
    conditional_loglik: number;
    theta_ml_by_raw_score: { raw: number[]; theta: number[] };
  };
  reference_group?: string;
  items?: unknown[];
  reverse_scored_first?: string[];
  cronbach_alpha?: number;
  standardized_alpha?: number;
  item_rest_r?: Numbers;
  alpha_if_deleted?: Numbers;
  item_mean?: Numbers;
}

/** The tolerances of the fixture: closed formulas, and what is searched for. */
const [CLOSED, SEARCHED, DIFFERENT] = [1e-6, 0.002, 0.001];

function row(name: string, expected: number | null | undefined, got: number | null | undefined, near = CLOSED): Row {
  const same = typeof expected === 'number' && typeof got === 'number' && Math.abs(expected - got) <= near;
  return { name, expected: String(expected), got: same ? String(expected) : String(got) };
}

const UPPER = 0.27;

/** Every figure of the fixture, as the core has it. A folder of NAME.csv with NAME.expected.json. */
export function itemRows(folder: string): Row[] {
  return readdirSync(folder)
    .filter((file) => file.endsWith('.expected.json'))
    .flatMap((file) => {
      const expected = JSON.parse(readFileSync(path.join(folder, file), 'utf8')) as Expected;
      const lines = readFileSync(path.join(folder, file.replace('.expected.json', '.csv')), 'utf8')
        .trim()
        .split(/\r?\n/);
      const [head = [], ...rows] = lines.map((line) => line.split(','));
      if (expected.reference_group) return differentRows(expected, head, rows);
      const numbers = rows.map((cells) => cells.map(Number));
      if (expected.reverse_scored_first) return likertRows(expected, head, numbers);
      return expected.items_stats ? testRows(expected, numbers) : choiceRows(expected, numbers);
    });
}

function testRows(expected: Expected, scores: number[][]): Row[] {
  const { dataset, total = {}, reliability = {}, items_stats: stats, upper_lower_27, rasch_cml } = expected;
  const all = totals(scores);
  const population = (variance(all) * (all.length - 1)) / all.length;
  const [a, halves, guttman, pairs] = [alpha(scores), splitHalf(scores), lambdas(scores), betweenItems(scores)];
  const k = scores[0]?.length ?? 0;
  const figures: Record<string, number | null | undefined> = {
    mean: mean(all),
    sd_n_minus_1: deviation(all),
    variance_n_minus_1: variance(all),
    variance_n: population,
    median: median(all),
    min: Math.min(...all),
    max: Math.max(...all),
    skew_b1_type3: skew(all),
    excess_kurtosis_type3: kurtosis(all),
    cronbach_alpha: a,
    kr20: a,
    standardized_alpha: pairs?.standardisedAlpha,
    kr21_variance_n: kr21(k, mean(all), population),
    kr21_variance_n_minus_1: kr21(k, mean(all), variance(all)),
    sem_raw: a === null ? null : errorOfScore(scores, a),
    mean_interitem_r: pairs?.meanCorrelation,
    odd_even_r: halves?.halves,
    spearman_brown_odd_even: halves?.whole,
    guttman_lambda4_odd_even: halves?.lambda4,
    lambda2: guttman?.two,
    lambda6_covariance: guttman?.six,
    lambda6_correlation: guttman?.sixOfCorrelations,
    spearman_brown_double_length: a === null ? null : lengthened(a, 2),
    spearman_brown_half_length: a === null ? null : lengthened(a, 0.5),
  };
  const told = Object.entries({ ...total, ...reliability }).filter(([, value]) => typeof value === 'number');
  const own = itemFigures(scores);
  const parted = discrimination(scores, UPPER);
  const each = own.flatMap((item, i) => [
    row(`${dataset} ${i}: mean`, stats?.p[i], item.mean),
    row(`${dataset} ${i}: deviation`, stats?.item_sd_n_minus_1[i], item.deviation),
    row(`${dataset} ${i}: with the rest`, stats?.item_rest_r[i], item.withRest),
    row(`${dataset} ${i}: with the total`, stats?.item_total_r[i], item.withTotal),
    row(`${dataset} ${i}: alpha without it`, stats?.alpha_if_deleted[i], item.alphaWithout),
    row(`${dataset} ${i}: upper–lower`, upper_lower_27?.tie_shared[i], parted[i]),
  ]);
  return [
    ...told.map(([name, value]) => row(`${dataset}: ${name}`, value, figures[name])),
    ...each,
    ...(rasch_cml ? raschRows(dataset, rasch_cml, scores) : []),
  ];
}

function raschRows(dataset: string, expected: NonNullable<Expected['rasch_cml']>, scores: number[][]): Row[] {
  const got = rasch(scores);
  const k = scores[0]?.length ?? 0;
  const { raw, theta } = expected.theta_ml_by_raw_score;
  return [
    ...expected.difficulty.map((b, i) => row(`${dataset} ${i}: difficulty`, b, got?.items[i]?.difficulty, SEARCHED)),
    ...expected.se_sumzero.map((e, i) => row(`${dataset} ${i}: its error`, e, got?.items[i]?.error, SEARCHED)),
    row(`${dataset}: likelihood`, expected.conditional_loglik, got?.likelihood, SEARCHED),
    // None and all right have no estimate by maximum likelihood.
    ...raw.flatMap((total, i) =>
      total === 0 || total === k
        ? []
        : [row(`${dataset}: ability at ${total}`, theta[i], got?.abilities[total - 1], SEARCHED)],
    ),
  ];
}

interface ChoiceItem {
  item: string;
  key: number;
  options: (Numbers & { option: number; mean_total_of_choosers: number | null })[];
}

function choiceRows({ dataset, items, ...expected }: Expected & { alpha_scored?: number }, given: number[][]): Row[] {
  const asked = items as ChoiceItem[];
  const scores = given.map((chosen) => chosen.map((option, i) => (option === asked[i]?.key ? 1 : 0)));
  const all = totals(scores);
  const each = asked.flatMap(({ item, options }, i) => {
    const rest = all.map((total, p) => total - (scores[p]?.[i] ?? 0));
    const got = choiceFigures(
      options.map(({ option }) => option),
      column(given, i),
      { all, rest, share: UPPER },
    );
    return options.flatMap((one, o) => [
      row(`${item} ${one.option}: chosen`, one.n, got[o]?.chosen),
      row(`${item} ${one.option}: share`, one.proportion, got[o]?.share),
      row(`${item} ${one.option}: of the best`, one.upper27_tie_shared, got[o]?.upper),
      row(`${item} ${one.option}: of the weakest`, one.lower27_tie_shared, got[o]?.lower),
      ...(typeof one.r_with_rest_score === 'number'
        ? [row(`${item} ${one.option}: with the rest`, one.r_with_rest_score, got[o]?.withRest)]
        : []),
      ...(typeof one.mean_total_of_choosers === 'number'
        ? [row(`${item} ${one.option}: mean total`, one.mean_total_of_choosers, got[o]?.meanTotal)]
        : []),
    ]);
  });
  return [row(`${dataset}: alpha`, expected.alpha_scored, alpha(scores)), ...each];
}

function differentRows({ dataset, reference_group, items }: Expected, head: string[], rows: string[][]): Row[] {
  const first = rows.map(([group]) => group === reference_group);
  const scores = rows.map((cells) => cells.slice(1).map(Number));
  const all = totals(scores);
  return (items as (Numbers & { item: string })[]).flatMap((one) => {
    const at = head.indexOf(String(one.item)) - 1;
    const got = differently(column(scores, at), first, all);
    return [
      row(`${dataset} ${one.item}: odds`, one.common_odds_ratio, got?.oddsRatio, DIFFERENT),
      row(`${dataset} ${one.item}: delta`, one.mh_d_dif, got?.delta, DIFFERENT),
      row(`${dataset} ${one.item}: chi-square`, one.mh_chisq_continuity_corrected, got?.chiSquare, DIFFERENT),
      row(`${dataset} ${one.item}: chance`, one.p_value, got?.chance, DIFFERENT),
    ];
  });
}

function likertRows(expected: Expected, head: string[], raw: number[][]): Row[] {
  const { dataset, reverse_scored_first = [] } = expected;
  const scores = raw.map((cells) => cells.map((x, i) => (reverse_scored_first.includes(head[i] ?? '') ? 7 - x : x)));
  const own = itemFigures(scores);
  return [
    row(`${dataset}: alpha`, expected.cronbach_alpha, alpha(scores)),
    row(`${dataset}: standardised alpha`, expected.standardized_alpha, betweenItems(scores)?.standardisedAlpha),
    ...head.flatMap((item, i) => [
      row(`${item}: with the rest`, expected.item_rest_r?.[item], own[i]?.withRest),
      row(`${item}: alpha without it`, expected.alpha_if_deleted?.[item], own[i]?.alphaWithout),
      row(`${item}: mean`, expected.item_mean?.[item], own[i]?.mean),
    ]),
  ];
}
