import { eq } from 'drizzle-orm';
import { z } from 'zod';
import { keyWords, placedSlots, rubricOf } from '@/core/bank/question';
import { questionSheet } from '@/core/bank/sheet';
import { keyedSlots } from '@/core/bank/variant';
import { stored } from '@/core/base/exact';
import { ok, type Result } from '@/core/base/result';
import type { Content } from '@/core/content/document';
import { plainText } from '@/core/content/plain';
import { sectionLetter } from '@/core/exams/numbering';
import { type PaperQuestion, type Pinned, unmended } from '@/core/exams/paper';
import { type Version, VERSIONS_APART, versionsOf } from '@/core/exams/versions';
import type { KindName } from '@/core/kinds/names';
import { kindOf } from '@/core/kinds/registry';
import type { Rubric } from '@/core/rules/rubric/rubric';
import { type Context, NOT_FOUND, parse } from '../context';
import { courses } from '../db/schema/people';
import { sittings } from '../db/schema/exams';
import { inSitting } from '../people/courses';
import { readDepartment } from '../people/policy';
import { pinnedOf } from '../sittings/pinned';
import { type RoomQuestion, type RoomSection, roomSections } from '../sittings/room';
import { openExam } from './exams';
import { lookAtPlan } from './sought';

/** A slot as whoever marks the paper needs it. */
export interface PrintedSlot {
  id: string;
  letter: string;
  marks: string;
  kind: KindName;
  /** With the values of this version in it; its rules are read as sentences. */
  setup: unknown;
  key: string;
  /** The key in the letters of this version; null where it has none. */
  written: string | null;
  /** How many letters there are to cross. */
  crossed: number;
  rubric: Rubric | null;
}

export interface PrintedQuestion extends RoomQuestion {
  slots: PrintedSlot[];
  explanation: Content | null;
}

export interface PrintedSection extends Omit<RoomSection, 'items'> {
  items: PrintedQuestion[];
}

export interface PrintedVersion {
  name: string;
  marks: string;
  sections: PrintedSection[];
}

/** What stands over everything that is printed of an exam. */
export interface PrintedHead {
  title: string;
  institute: string;
  department: string;
  course: string;
  instructions: string;
  /** The formula sheet that lies beside it; null without one. */
  formulas: Content | null;
  minutes: number;
  /** Sections that some students do not have. */
  some: { id: string; letter: string; title: string }[];
  /** How many there are. */
  versions: number;
}

export interface PrintedExam {
  head: PrintedHead;
  /** The version that was asked for. */
  version: PrintedVersion;
}

const MOST_VERSIONS = 6;

const order = z.object({
  count: z.number().int().min(1).max(MOST_VERSIONS),
  apart: z.enum(VERSIONS_APART),
  without: z.array(z.string()).max(30),
  /** Which of them, from 0. */
  version: z.number().int().min(0),
});

/** An exam as it can be printed now, in so many versions, with keys and rules. */
export async function printedExam(ctx: Context, id: string, raw: unknown): Promise<Result<PrintedExam>> {
  const opened = await openExam(ctx, id);
  if (!opened.ok) return opened;
  const { plan, course } = opened.value;
  const looked = await lookAtPlan(ctx, { plan, course: course?.id ?? null, exam: id });
  if (!looked.ok) return looked;
  const { filled } = looked.value;
  const called = course ? `${course.code} ${course.title}` : '';
  return printed(ctx, unmended(filled.plan, filled.revisions), called, raw);
}

/** What was pinned for a sitting, as it can be printed. */
export async function printedSitting(ctx: Context, id: string, raw: unknown): Promise<Result<PrintedExam>> {
  const allowed = await inSitting(ctx, 'run sittings', id);
  if (!allowed.ok) return allowed;
  const [row] = await ctx.db.read
    .select({ code: courses.code, title: courses.title })
    .from(sittings)
    .innerJoin(courses, eq(courses.id, sittings.course))
    .where(eq(sittings.id, id));
  if (!row) return NOT_FOUND;
  return printed(ctx, await pinnedOf(ctx.db.read, id), `${row.code} ${row.title}`, raw);
}

async function printed(ctx: Context, pinned: Pinned, course: string, raw: unknown): Promise<Result<PrintedExam>> {
  const parsed = parse(order, raw);
  if (!parsed.ok) return parsed;
  const { plan } = pinned;
  const { name: department, institute } = await readDepartment(ctx.db.read);
  const { count, version } = parsed.value;
  const wanted = versionsOf(pinned, parsed.value)[version];
  if (!wanted) return NOT_FOUND;
  const some = plan.sections.map(({ id, title, only }, i) => (only ? [{ id, letter: sectionLetter(i), title }] : []));
  return ok({
    head: {
      title: plan.title,
      institute,
      department,
      course,
      instructions: plan.instructions,
      formulas: plan.formulas ?? null,
      minutes: plan.minutes,
      some: some.flat(),
      versions: count,
    },
    version: printedVersion(wanted),
  });
}

function printedVersion({ name, paper }: Version): PrintedVersion {
  const sheets = roomSections(paper, ({ question, seed }) => questionSheet(question, seed));
  const questions = new Map(paper.sections.flatMap(({ items }) => items.map((item) => [item.id, item])));
  return {
    name,
    marks: stored(paper.marks),
    sections: sheets.map((section) => ({
      ...section,
      items: section.items.map((item) => ({ ...item, ...forMarking(questions.get(item.id), item.sheet) })),
    })),
  };
}

function forMarking(
  item: PaperQuestion | undefined,
  sheet: RoomQuestion['sheet'],
): Pick<PrintedQuestion, 'slots' | 'explanation'> {
  if (!item) return { slots: [], explanation: null };
  const { question, worth } = item;
  const keyed = keyedSlots(question);
  return {
    explanation: plainText(question.explanation) === '' ? null : question.explanation,
    slots: placedSlots(question).map(({ id, letter, slot }): PrintedSlot => {
      const shown = keyed.get(id) ?? slot;
      const { kind: name, setup } = shown;
      const kind = kindOf(name);
      const own = sheet.slots[id]?.sheet;
      const key = kind.marked?.key(setup) ?? null;
      return {
        id,
        letter,
        marks: stored(worth.get(id) ?? item.marks),
        kind: name,
        setup,
        key: keyWords(keyed.get(id) ?? slot),
        written: key === null ? null : (kind.lettered?.written(own, key) ?? null),
        crossed: kind.lettered?.crossed(own) ?? 0,
        rubric: rubricOf(shown) ?? null,
      };
    }),
  };
}
