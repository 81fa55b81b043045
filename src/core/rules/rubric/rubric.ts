import { z } from 'zod';
import { type Exact, exact, exactText, marksText, max, parseExact, stored, sum, ZERO } from '../../base/exact';
import { type Finding, stops, warns } from '../../base/finding';
import type { StoredForm } from '../../base/stored-form';
import type { TraceStep } from '../marking';

const name = z.string().trim().max(80);

const level = z.object({ name, marks: marksText });

const cell = z.object({
  words: z.string().max(600),
  /** Marks of this cell alone; null keeps those of its level. */
  marks: marksText.nullable(),
});

const criterion = z.object({
  id: z.string().regex(/^[a-z0-9]{1,12}$/),
  title: name,
  /** How many times its marks count. */
  weight: exactText.refine((text) => (parseExact(text)?.compare(0) ?? 0) > 0, { message: 'weight-above-zero' }),
  /** The level (by its place) that must be reached, or the whole answer earns nothing; null when none must. */
  must: z.number().int().min(0).nullable(),
  /** One cell for each level. */
  cells: z.array(cell).min(1).max(8),
});
export type Criterion = z.infer<typeof criterion>;

/**
 * A marking grid: criteria × levels, each cell in the teacher's words. `grid`
 * has several of both; `single` has one column, and a marker types marks up to
 * its own; `whole` has one criterion, judged at once.
 */
const rubric = z
  .object({
    version: z.literal(1),
    title: z.string().trim().max(200),
    look: z.enum(['grid', 'single', 'whole']),
    levels: z.array(level).min(1).max(8),
    criteria: z.array(criterion).min(1).max(20),
  })
  .refine(({ levels, criteria }) => criteria.every(({ cells }) => cells.length === levels.length), {
    message: 'cells-and-levels',
  });
export type Rubric = z.infer<typeof rubric>;
export const rubricSchema = rubric;

export const rubricForm: StoredForm<Rubric> = { name: 'rubric', version: 1, schema: rubric, migrations: [] };

/** What a person found for one criterion: a level, or marks where there is one column. */
const found = z.object({
  level: z.number().int().min(0).max(7).nullable(),
  marks: marksText.nullable(),
  remark: z.string().max(1000),
});
export const judgementSchema = z.record(z.string().max(12), found);
/** A person's findings by the id of the criterion. */
export type Judgement = z.infer<typeof judgementSchema>;

/** Marks of a cell, unweighted. */
export function cellMarks({ levels }: Rubric, { cells }: Criterion, at: number): Exact {
  return exact(cells[at]?.marks ?? levels[at]?.marks ?? '0');
}

/** The most that a criterion earns, weighted. */
export function mostOf(rubric: Rubric, criterion: Criterion): Exact {
  const best = criterion.cells.map((_, i) => cellMarks(rubric, criterion, i)).reduce(max, ZERO);
  return weigh(criterion, best);
}

const weigh = ({ weight }: Criterion, marks: Exact): Exact => marks.mul(exact(weight));

/** What was found for a criterion as weighted marks; null while it is open. */
export function criterionMarks(
  rubric: Rubric,
  criterion: Criterion,
  judgement: Judgement[string] | undefined,
): Exact | null {
  const marks = marksFound(rubric, criterion, judgement);
  return marks && weigh(criterion, marks);
}

export interface Judged {
  /** Share of the slot's marks; null while criteria are open. */
  share: Exact | null;
  /** Weighted marks so far, and the most there are. */
  earned: Exact;
  of: Exact;
  /** Ids of the criteria that are still open. */
  open: string[];
  /** The criterion that had to be reached and was not. */
  failed: string | null;
  trace: TraceStep[];
}

/** Adds up what was found by a rubric: weighted marks over the most there are; nothing when a criterion that must be reached was not. */
export function judge(rubric: Rubric, judgement: Judgement): Judged {
  const of = sum(rubric.criteria.map((one) => mostOf(rubric, one)));
  const open: string[] = [];
  const earned: Exact[] = [];
  const trace: TraceStep[] = [];
  let failed: string | null = null;
  for (const one of rubric.criteria) {
    const marks = marksFound(rubric, one, judgement[one.id]);
    if (marks === null) {
      open.push(one.id);
      continue;
    }
    const weighted = weigh(one, marks);
    earned.push(weighted);
    const level = judgement[one.id]?.level ?? null;
    trace.push({
      code: 'rubric',
      values: {
        criterion: one.title,
        level: (level === null ? null : rubric.levels[level]?.name) ?? '',
        marks: stored(weighted),
        of: stored(mostOf(rubric, one)),
        remark: judgement[one.id]?.remark ?? '',
      },
    });
    if (one.must !== null && !reached(rubric, one, one.must, level, marks)) failed ??= one.title;
  }
  if (failed !== null) trace.push({ code: 'rubric-must', values: { criterion: failed } });
  const total = sum(earned);
  const whole = of.equals(0) ? ZERO : total.div(of);
  return { share: open.length > 0 ? null : failed === null ? whole : ZERO, earned: total, of, open, failed, trace };
}

/** Whether the level that must be reached was: by the order of the levels, whatever single cells are worth; with one column, by its marks. */
function reached(rubric: Rubric, one: Criterion, must: number, level: number | null, marks: Exact): boolean {
  if (rubric.look === 'single' || level === null) return marks.compare(cellMarks(rubric, one, must)) >= 0;
  const rising = exact(rubric.levels[0]?.marks ?? '0').compare(exact(rubric.levels.at(-1)?.marks ?? '0')) <= 0;
  return rising ? level >= must : level <= must;
}

/** The unweighted marks that were found; null while there are none, or none that can be. */
function marksFound(rubric: Rubric, one: Criterion, judgement: Judgement[string] | undefined): Exact | null {
  if (!judgement) return null;
  if (rubric.look === 'single') {
    const marks = judgement.marks === null ? null : exact(judgement.marks);
    return marks && marks.compare(cellMarks(rubric, one, 0)) <= 0 ? marks : null;
  }
  return judgement.level === null || judgement.level >= rubric.levels.length
    ? null
    : cellMarks(rubric, one, judgement.level);
}

/** A rubric to begin with. */
export function freshRubric(look: Rubric['look']): Rubric {
  const levels =
    look === 'single'
      ? [{ name: '', marks: '4' }]
      : ['Not yet', 'Partly', 'Mostly', 'Fully'].map((words, i) => ({ name: words, marks: String(i) }));
  const criteria = (look === 'whole' ? ['Overall'] : ['First criterion', 'Second criterion']).map((title, i) => ({
    id: `c${i + 1}`,
    title,
    weight: '1',
    must: null,
    cells: levels.map(() => ({ words: '', marks: null })),
  }));
  return { version: 1, title: '', look, levels, criteria };
}

/** What stops or weakens a rubric. */
export function rubricReadiness(rubric: Rubric): Finding[] {
  const findings: Finding[] = [];
  rubric.criteria.forEach((one, i) => {
    if (one.title.trim() === '') findings.push(stops('criterion-without-title', ['criteria', i], { number: i + 1 }));
    if (mostOf(rubric, one).equals(0))
      findings.push(stops('criterion-worth-nothing', ['criteria', i], { title: one.title }));
    if (one.cells.every(({ words }) => words.trim() === ''))
      findings.push(warns('criterion-without-words', ['criteria', i], { title: one.title }));
    if (one.must !== null && one.must >= rubric.levels.length)
      findings.push(stops('criterion-must-unknown', ['criteria', i], { title: one.title }));
  });
  const seen = new Set<string>();
  for (const { name: title } of rubric.look === 'grid' ? rubric.levels : []) {
    if (seen.has(title)) findings.push(warns('level-twice', ['levels'], { level: title }));
    seen.add(title);
  }
  return findings;
}
