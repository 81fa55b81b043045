import { readFileSync } from 'node:fs';
import path from 'node:path';
import { intraclass } from '@/core/agreement/many-raters';
import { borderlineGroup, borderlineRegression, contrastingGroups } from '@/core/analysis/borderline';
import { consistency } from '@/core/analysis/consistency';
import { angoff, bookmark, byQuestion, ebel, hofstee, nedelsky } from '@/core/analysis/judges';
import { mean, median } from '@/core/analysis/numbers';
import type { Row } from './compare';

interface Source {
  angoff: ({ name: string; ratings_judges_rows_items_cols: number[][] } & Record<string, unknown>)[];
  borderline: ({ borderline_rating: number; ratings: number[]; marks: number[] } & Record<string, unknown>)[];
  hofstee: {
    name: string;
    scores: number[];
    judges: [number, number, number, number][];
    kmin: number;
    kmax: number;
    fmin: number;
    fmax: number;
    result: { status: string; cut: number; fail_percent: number };
  }[];
  consistency: {
    name: string;
    n_items: number;
    scores: number[];
    cut: number;
    kr21_variance_n: number;
    livingston_k2_with_kr21: number;
    huynh_beta_binomial_variance_n: Record<'alpha' | 'beta' | 'p_pass' | 'p_agreement' | 'kappa', number>;
  }[];
  ebel: { cells: { items: number; expected_percent: number }[]; cut_items: number };
  nedelsky: {
    options_per_item: number[];
    eliminated_judges_rows_items_cols: number[][];
    judge_cut: number[];
    cut_raw: number;
  };
  bookmark: {
    rasch_difficulties: number[];
    response_probability: number;
    bookmark_is_on_ordered_item_number: number[];
    theta_by_judge: number[];
    theta_cut_mean: number;
    theta_cut_median: number;
    expected_raw_at_mean_theta: number;
  };
  contrasting_groups: { not_competent_marks: number[]; competent_marks: number[] } & Record<string, unknown>;
}

/** The fixture's tolerances: 1e-6, and 1e-5 for logistic regression and Hofstee's crossing. Lists are compared number by number. */
function rows(name: string, expected: unknown, got: unknown, tolerance = 1e-6): Row[] {
  if (Array.isArray(expected))
    return expected.flatMap((one: unknown, i) =>
      rows(`${name}, ${i + 1}`, one, Array.isArray(got) ? (got as unknown[])[i] : undefined, tolerance),
    );
  const same =
    typeof expected === 'number' && typeof got === 'number' ? Math.abs(expected - got) <= tolerance : expected === got;
  return [{ name, expected: String(expected), got: same ? String(expected) : String(got) }];
}

function angoffRows(source: Source): Row[] {
  return source.angoff.flatMap(({ name, ratings_judges_rows_items_cols: ratings, ...said }) => {
    const got = angoff(ratings);
    const questions = byQuestion(ratings);
    const most = questions.length;
    const cut = got?.cut ?? NaN;
    const error = got?.spread?.error ?? NaN;
    const turned = questions.map((_, i) => ratings.map((row) => row[i] ?? NaN));
    const figures: Record<string, unknown> = {
      judge_cut_raw: got?.cuts,
      cut_raw: cut,
      cut_percent: (100 * cut) / most,
      cut_median_judge: got?.median,
      sd_judges_n_minus_1: got?.spread?.deviation,
      se_cut: error,
      cut_minus_1se: cut - error,
      cut_plus_1se: cut + error,
      ci95_t: got?.spread?.interval,
      item_mean: questions.map((q) => q.mean),
      item_sd_n_minus_1: questions.map((q) => q.deviation),
      icc2_k_items: intraclass(turned)?.mean[1],
    };
    return Object.entries(figures).flatMap(([figure, value]) => rows(`${name}: ${figure}`, said[figure], value));
  });
}

function borderlineRows(source: Source): Row[] {
  return source.borderline.flatMap(({ ratings, marks, borderline_rating: at, ...said }) => {
    const line = borderlineRegression(ratings, marks, at);
    const group = borderlineGroup(ratings, marks, at);
    const sides = contrastingGroups(
      marks.filter((_, i) => (ratings[i] ?? NaN) < at),
      marks.filter((_, i) => (ratings[i] ?? NaN) > at),
    );
    const cut = line?.at ?? NaN;
    const figures: Record<string, unknown> = {
      intercept: line?.intercept,
      slope: line?.slope,
      r_squared: line?.rSquared,
      residual_se: line?.residual,
      cut_borderline_regression: cut,
      se_of_predicted_mean: line?.error,
      borderline_group_n: group?.n,
      cut_borderline_group_mean: group?.mean,
      cut_borderline_group_median: group?.median,
      contrasting_groups_midpoint_of_means: sides?.midpointOfMeans,
      contrasting_logistic_cut_p50: sides?.logistic?.cut ?? null,
      fail_rate_if_mark_below_cut: marks.filter((mark) => mark < cut).length / marks.length,
    };
    return Object.entries(figures).flatMap(([figure, value]) => rows(`borderline: ${figure}`, said[figure], value));
  });
}

function hofsteeRows(source: Source): Row[] {
  return source.hofstee.flatMap(({ name, scores, judges, kmin, kmax, fmin, fmax, result }) => {
    const got = hofstee(
      judges.map(([low, high, fewest, most]) => ({ cut: [low, high], failing: [fewest, most] })),
      scores,
    );
    return [
      ...rows(
        `${name}: limits`,
        [kmin, kmax, fmin, fmax],
        [...(got?.limits.cut ?? []), ...(got?.limits.failing ?? [])],
      ),
      ...rows(`${name}: cut`, result.cut, got?.cut, 1e-5),
      ...rows(`${name}: failing`, result.fail_percent, got?.failing, 1e-5),
      ...rows(`${name}: crosses`, result.status === 'crossing', got?.crosses === 'yes'),
    ];
  });
}

function otherRows(source: Source): Row[] {
  const { ebel: table, nedelsky: options, bookmark: marked, contrasting_groups: sides } = source;
  const ruled = nedelsky(options.options_per_item, options.eliminated_judges_rows_items_cols);
  const at = bookmark(
    marked.rasch_difficulties,
    marked.response_probability,
    marked.bookmark_is_on_ordered_item_number,
  );
  const apart = contrastingGroups(sides.not_competent_marks, sides.competent_marks);
  return [
    ...rows('Ebel', table.cut_items, ebel(table.cells.map((c) => ({ marks: c.items, percent: c.expected_percent })))),
    ...rows('Nedelsky: judges', options.judge_cut, ruled?.cuts),
    ...rows('Nedelsky', options.cut_raw, ruled?.cut),
    ...rows('bookmark: abilities', marked.theta_by_judge, at.abilities),
    ...rows('bookmark: mean', marked.theta_cut_mean, mean(at.abilities)),
    ...rows('bookmark: median', marked.theta_cut_median, median(at.abilities)),
    ...rows('bookmark: expected', marked.expected_raw_at_mean_theta, at.expected),
    ...rows('contrast: means', sides.midpoint_of_means, apart?.midpointOfMeans),
    ...rows('contrast: medians', sides.midpoint_of_medians, apart?.midpointOfMedians),
    ...rows('contrast: intercept', sides.logistic_intercept, apart?.logistic?.intercept, 1e-5),
    ...rows('contrast: slope', sides.logistic_slope, apart?.logistic?.slope, 1e-5),
    ...rows('contrast: cut', sides.logistic_cut_p50, apart?.logistic?.cut, 1e-5),
    ...rows('contrast: misplaced', sides.fewest_misclassified, apart?.misplaced),
    ...rows('contrast: cuts', sides.cuts_with_fewest_misclassified, apart?.cuts),
  ];
}

function consistencyRows(source: Source): Row[] {
  return source.consistency.flatMap((one) => {
    const got = consistency(one.n_items, one.scores, one.cut);
    const huynh = one.huynh_beta_binomial_variance_n;
    return [
      ...rows(`${one.name}: KR-21`, one.kr21_variance_n, got?.reliability),
      ...rows(`${one.name}: Livingston`, one.livingston_k2_with_kr21, got?.livingston),
      ...rows(`${one.name}: alpha`, huynh.alpha, got?.decided?.alpha),
      ...rows(`${one.name}: beta`, huynh.beta, got?.decided?.beta),
      ...rows(`${one.name}: passing`, huynh.p_pass, got?.decided?.passing),
      ...rows(`${one.name}: agreement`, huynh.p_agreement, got?.decided?.agreement),
      ...rows(`${one.name}: kappa`, huynh.kappa, got?.decided?.kappa),
    ];
  });
}

/** Every figure of the fixture, as the core has it; see the fixture's README for the sources. */
export function passMarkRows(file: string): Row[] {
  const json = file.endsWith('.json') ? file : path.join(file, 'passmarks.json');
  const source = JSON.parse(readFileSync(json, 'utf8')) as Source;
  return [
    ...angoffRows(source),
    ...borderlineRows(source),
    ...hofsteeRows(source),
    ...consistencyRows(source),
    ...otherRows(source),
  ];
}
