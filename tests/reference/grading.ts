import { readFileSync } from 'node:fs';
import path from 'node:path';
import { exact, ROUNDING_MODES, round, stored } from '@/core/base/exact';
import { type Book, NEW_BOOK, usualColumn } from '@/core/gradebook/book';
import { type Cell, reckon } from '@/core/gradebook/reckon';
import { stepAt } from '@/core/results/decided';
import { type ChoiceScheme, markChoices } from '@/core/rules/choice/rules';
import { markOrder, ORDER_SCHEMES, type OrderScheme } from '@/core/rules/ordering/rules';
import { lateCost, type LateRule } from '@/core/sittings/late';
import { type Row, within } from './compare';

interface Fixture {
  rounding: ({ value: string; places: number } & Record<(typeof ROUNDING_MODES)[number], string>)[];
  weighted: {
    name: string;
    categories: {
      weight: number;
      drop_lowest?: number;
      average?: 'points' | 'percents';
      items: [number | null, number][];
    }[];
    category_percent: (number | null)[];
    final_percent: number;
  }[];
  multiple_choice_partial: {
    name: string;
    rule: string;
    right_options: number;
    cases: { right_chosen: number; wrong_chosen: number; fraction_exact: string }[];
  }[];
  ordering_partial: {
    key: string[];
    cases: {
      response: string[];
      exact_position_share: number;
      adjacent_pair_share: number;
      longest_increasing_share: number;
      all_or_nothing: number;
    }[];
  }[];
  late: {
    name: string;
    schedule: { type: string; rate?: number; grace_hours?: number; zero_after_days?: number };
    cases: { raw: number; max: number; hours_late: number; score: number }[];
  }[];
  grade_bands: { bands: [string, number][]; cases: { percent: string; grade: string }[] };
}

/** Rounding in six modes, weighted categories, what lateness costs, part marks with deductions, part marks of an order, grade bands: see the fixture's README for their sources. */
export function gradingRows(file: string): Row[] {
  const json = file.endsWith('.json') ? file : path.join(file, 'grading.json');
  const fixture = JSON.parse(readFileSync(json, 'utf8')) as Fixture;
  return [
    ...rounding(fixture),
    ...weighted(fixture),
    ...lateness(fixture),
    ...partMarks(fixture),
    ...ordering(fixture),
    ...bands(fixture),
  ];
}

function rounding(fixture: Fixture): Row[] {
  return fixture.rounding.flatMap((row) =>
    ROUNDING_MODES.map((mode) => ({
      name: `${row.value} to ${row.places} places, ${mode}`,
      expected: row[mode],
      got: round(exact(row.value), row.places, mode),
    })),
  );
}

function weighted(fixture: Fixture): Row[] {
  return fixture.weighted.flatMap((row) => {
    const places = row.categories.flatMap((c, i) =>
      c.items.map((item, n) => ({ item, category: `c${i}`, id: `c${i}-${n}` })),
    );
    const book: Book = {
      ...NEW_BOOK,
      categories: row.categories.map((c, i) => ({
        id: `c${i}`,
        name: `${i}`,
        weight: String(c.weight),
        average: c.average ?? 'points',
        keep: c.drop_lowest ? { is: 'dropLowest', n: c.drop_lowest } : { is: 'all' },
        passPercent: null,
      })),
      columns: places.map(({ id, category }) => ({ ...usualColumn(id, category), id })),
    };
    const cells = places.map(({ id, item: [marks, of] }): [string, Cell] => [
      id,
      marks === null ? { is: 'excused' } : { is: 'marks', marks: exact(marks), of: exact(of) },
    ]);
    const { categories, percent: final } = reckon(book, new Map(cells));
    const each = categories.map(({ percent: got }, i): Row => {
      const expected = row.category_percent[i] ?? null;
      return {
        name: `${row.name}, category ${i + 1}`,
        expected: String(expected),
        got: expected === null || got === null ? String(got) : within(expected, got.valueOf()),
      };
    });
    return [
      ...each,
      {
        name: `${row.name}, final`,
        expected: String(row.final_percent),
        got: final === null ? 'null' : within(row.final_percent, final.valueOf()),
      },
    ];
  });
}

/** The late rules of the fixture that the product offers, with whatever their percent is of. */
const LATE_RULES: Record<string, LateRule['of']> = {
  percent_of_max_per_day: 'all',
  percent_of_earned_per_day: 'earned',
};

/** Nobody can hand in after the latest end, so nothing is handed in later than the days after which all is lost. */
function lateness(fixture: Fixture): Row[] {
  return fixture.late.flatMap(({ name, schedule, cases }) => {
    const of = LATE_RULES[schedule.type];
    if (!of) return [];
    const latest = 24 * (schedule.zero_after_days ?? Infinity);
    const grace = 60 * (schedule.grace_hours ?? 0);
    const rule: LateRule = { of, takes: String(schedule.rate), every: 'day', grace };
    return cases
      .filter(({ hours_late: hours }) => hours <= latest)
      .map(({ raw, max, hours_late: hours, score }) => {
        const cost = lateCost({ rule, by: hours * 3_600_000 }, { earned: exact(raw), of: exact(max) });
        return {
          name: `${name}: ${raw} of ${max}, ${hours} h late`,
          expected: String(score),
          got: within(score, exact(raw).sub(cost).valueOf()),
        };
      });
  });
}

/** The rules of the fixture that the product offers. */
const SCHEMES: Record<string, ChoiceScheme> = {
  right_minus_wrong_over_right: 'by-part-deductions',
  all_or_nothing: 'whole',
};

function partMarks(fixture: Fixture): Row[] {
  return fixture.multiple_choice_partial.flatMap((table) => {
    const scheme = SCHEMES[table.rule];
    if (!scheme) return [];
    return table.cases.map((c) => {
      const keys = new Set(Array.from({ length: table.right_options }, (_, i) => `r${i}`));
      const chosen = [
        ...Array.from({ length: c.right_chosen }, (_, i) => `r${i}`),
        ...Array.from({ length: c.wrong_chosen }, (_, i) => `w${i}`),
      ];
      const marking = markChoices(keys, chosen, scheme);
      return {
        name: `${table.name}: ${c.right_chosen} right, ${c.wrong_chosen} wrong`,
        expected: c.fraction_exact,
        got: marking.state === 'marked' ? stored(marking.share) : 'waits',
      };
    });
  });
}

function ordering(fixture: Fixture): Row[] {
  return fixture.ordering_partial.flatMap(({ key, cases }) =>
    cases.flatMap(({ response, ...shares }) => {
      const expected: Record<OrderScheme, number> = {
        place: shares.exact_position_share,
        neighbours: shares.adjacent_pair_share,
        run: shares.longest_increasing_share,
        whole: shares.all_or_nothing,
      };
      return ORDER_SCHEMES.map((scheme) => {
        const marking = markOrder(key, response, scheme);
        const got = marking.state === 'marked' ? within(expected[scheme], marking.share.valueOf()) : 'waits';
        return { name: `${response.join(' ')} by ${scheme}`, expected: String(expected[scheme]), got };
      });
    }),
  );
}

function bands(fixture: Fixture): Row[] {
  const steps = [...fixture.grade_bands.bands].reverse().map(([grade, from]) => ({ grade, from: String(from) }));
  return fixture.grade_bands.cases.map((c) => ({
    name: `${c.percent} %`,
    expected: c.grade,
    got: steps[stepAt(steps, exact(c.percent))]?.grade ?? '',
  }));
}
