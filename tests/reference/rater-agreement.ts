import { readFileSync } from 'node:fs';
import path from 'node:path';
import { fleissKappa, intraclass, krippendorffAlpha, type Level } from '@/core/agreement/many-raters';
import { agreementOf, weightedKappa } from '@/core/agreement/two-raters';
import type { Row } from './compare';

interface TwoRaters {
  name: string;
  table_rows_rater1_cols_rater2: number[][];
  percent_exact: number;
  percent_exact_or_adjacent: number;
  expected_agreement: number;
  kappa: number;
  kappa_linear: number;
  kappa_quadratic: number;
  scott_pi: number;
  gwet_ac1: number;
  kappa_ase: number;
  custom?: { label: string; disagreement_weights: number[][]; value: number }[];
}

interface Source {
  two_rater?: TwoRaters[];
  many_rater_fleiss?: { name: string; counts: number[][]; fleiss_kappa: number }[];
  krippendorff?: { name: string; raters_rows_units_cols: (number | null)[][]; alpha: Partial<Record<Level, number>> }[];
  icc?: ({ name: string; subjects_rows_judges_cols: number[][] } & Record<`icc${1 | 2 | 3}_${1 | 'k'}`, number>)[];
}

/** The fixture's stated tolerance is 1e-6. */
function row(name: string, expected: number | null | undefined, got: number | null | undefined): Row {
  const same = typeof expected === 'number' && typeof got === 'number' && Math.abs(expected - got) <= 1e-6;
  return { name, expected: String(expected), got: same ? String(expected) : String(got) };
}

/** Every measure of the fixture, as the core has it. */
export function raterRows(file: string): Row[] {
  const source = file.endsWith('.json') ? file : path.join(file, 'agreement.json');
  const { two_rater, many_rater_fleiss, krippendorff, icc } = JSON.parse(readFileSync(source, 'utf8')) as Source;
  const pairs = (two_rater ?? []).flatMap((one) => {
    const table = one.table_rows_rater1_cols_rater2;
    const got = agreementOf(table);
    return [
      row(`${one.name}: exact`, one.percent_exact, got.exact),
      row(`${one.name}: adjacent`, one.percent_exact_or_adjacent, got.adjacent),
      row(`${one.name}: by chance`, one.expected_agreement, got.expected),
      row(`${one.name}: kappa`, one.kappa, got.kappa),
      row(`${one.name}: linear kappa`, one.kappa_linear, got.kappaLinear),
      row(`${one.name}: quadratic kappa`, one.kappa_quadratic, got.kappaQuadratic),
      row(`${one.name}: Scott’s pi`, one.scott_pi, got.scottPi),
      row(`${one.name}: Gwet’s AC1`, one.gwet_ac1, got.gwetAc1),
      row(`${one.name}: standard error of kappa`, one.kappa_ase, got.kappaError),
      ...(one.custom ?? []).map(({ label, disagreement_weights, value }) =>
        row(
          `${one.name}: ${label}`,
          value,
          weightedKappa(table, (i, j) => disagreement_weights[i]?.[j] ?? 0),
        ),
      ),
    ];
  });
  const many = (many_rater_fleiss ?? []).map(({ name, counts, fleiss_kappa }) =>
    row(name, fleiss_kappa, fleissKappa(counts)),
  );
  const alphas = (krippendorff ?? []).flatMap(({ name, raters_rows_units_cols, alpha }) =>
    (Object.entries(alpha) as [Level, number][]).map(([level, value]) =>
      row(`${name}: ${level}`, value, krippendorffAlpha(raters_rows_units_cols, level)),
    ),
  );
  const correlations = (icc ?? []).flatMap((one) => {
    const got = intraclass(one.subjects_rows_judges_cols);
    return ([1, 2, 3] as const).flatMap((form) => [
      row(`${one.name}: ICC(${form},1)`, one[`icc${form}_1`], got?.single[form - 1]),
      row(`${one.name}: ICC(${form},k)`, one[`icc${form}_k`], got?.mean[form - 1]),
    ]);
  });
  return [...pairs, ...many, ...alphas, ...correlations];
}
