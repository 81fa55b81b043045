import { must } from '@/core/base/result';
import { seeded, seedFor } from '@/core/base/random';
import { type Book, type BookCategory, type BookColumn, FINAL, NEW_BOOK } from '@/core/gradebook/book';
import type { Context } from '@/server/context';
import { putCells } from '@/server/gradebook/entries';
import { openGradebook } from '@/server/gradebook/gradebook';
import { saveBook } from '@/server/gradebook/settings';
import { setCertificate } from '@/server/results/certificates';
import { finishJudging, openJudging, saveEstimate } from '@/server/results/judge';
import { callPanel, nextRound, setPassMark } from '@/server/results/panels';
import { openResults } from '@/server/results/results';
import { abilityOf } from './students';

type As = (userName: string, now: number) => Context;

const category = (id: string, name: string, weight: string, more: Partial<BookCategory> = {}): BookCategory => ({
  id,
  name,
  weight,
  average: 'points',
  keep: { is: 'all' },
  passPercent: null,
  ...more,
});
const byHand = (id: string, title: string, of: string, own: string, more: Partial<BookColumn> = {}): BookColumn => ({
  id,
  from: { is: 'hand', title, of },
  category: own,
  counts: true,
  extra: false,
  missing: 'zero',
  replacedBy: null,
  ...more,
});

const EXERCISES = ['Blade sections', 'Betz limit', 'Gearbox ratios', 'Yield of a site'];

/** The book of a course: exercises of which the lowest is dropped, work in the workshop that a pass needs, exams. */
export async function keepGradebook(as: As, course: string, now: number): Promise<void> {
  const lead = as('odalys', now);
  const opened = must(await openGradebook(lead, course));
  const book: Book = {
    ...NEW_BOOK,
    categories: [
      category('exercises', 'Exercises', '20', { average: 'percents', keep: { is: 'dropLowest', n: 1 } }),
      category('practice', 'Workshop', '30', { passPercent: '40' }),
      category('exams', 'Exams', '50'),
    ],
    columns: [
      ...EXERCISES.map((title, i) => byHand(`exercise-${i + 1}`, title, '20', 'exercises')),
      byHand('poster', 'Poster on a failure', '5', 'exercises', { extra: true, missing: 'not yet' }),
      byHand('bolts', 'Bolted joints', '40', 'practice'),
      byHand('hydraulics', 'Hydraulics', '30', 'practice', { missing: 'not yet' }),
      ...opened.columns.map(({ column }) => ({ ...column, category: 'exams' })),
    ],
    studentsRead: true,
  };
  must(await saveBook(lead, { course, base: opened.version, book }));
  const hand = book.columns.flatMap(({ id, from }) => (from.is === 'hand' ? [{ id, of: Number(from.of) }] : []));
  const changes = opened.rows.flatMap(({ member, userName }, r) =>
    hand.flatMap(({ id, of }, c) => {
      const next = seeded(seedFor(31, userName + id));
      const share = Math.min(1, Math.max(0.1, 0.62 + 0.16 * abilityOf(userName) + (next() - 0.5) * 0.35));
      // Some did not hand in, few made a poster, the hydraulics are not all marked yet.
      if ((r + 3 * c) % 17 === 4 || (id === 'poster' && r % 7 !== 2) || (id === 'hydraulics' && r % 3 === 1)) return [];
      const marks = String(Math.round(share * of * 2) / 2);
      return [{ column: id, member, entry: { is: 'marks', marks }, base: 0 }];
    }),
  );
  must(await putCells(as('imre', now), { course, changes, reason: '' }));
  const [ill, other] = [opened.rows[6], opened.rows[17]];
  const excused = { column: 'exercise-2', entry: { is: 'excused' }, base: 0 };
  const taken = new Set(changes.map(({ column, member }) => `${column} ${member}`));
  if (ill && !taken.has(`exercise-2 ${ill.member}`))
    must(await putCells(lead, { course, changes: [{ ...excused, member: ill.member }], reason: 'Ill that week' }));
  if (other)
    must(
      await putCells(lead, {
        course,
        changes: [{ column: FINAL, member: other.member, entry: { is: 'final', percent: '50' }, base: 0 }],
        reason: 'Board of 12 November: the internship counts',
      }),
    );
}

/** Three judges say where the pass mark belongs, talk, and say it again; the lead takes what they come to. */
export async function judgePassMark(as: As, sitting: string, now: number): Promise<void> {
  const hour = 3_600_000;
  const judges = ['odalys', 'imre', 'thandeka'];
  const panel = must(
    await callPanel(as('odalys', now), {
      sitting,
      method: 'angoff',
      figures: 'later',
      judges: judges.map((name) => as(name, now).actor.id),
    }),
  ).panel;
  for (const round of [1, 2]) {
    for (const [j, name] of judges.entries()) {
      const ctx = as(name, now + round * hour + j * 600_000);
      const view = must(await openJudging(ctx, panel));
      const percents = view.questions.map(({ id, number, before }) => {
        const next = seeded(seedFor(round * 10 + j, number));
        const own = 35 + 5 * Math.floor(next() * 8) + (j === 2 ? 5 : 0);
        const near = before?.mean ?? own;
        return [id, String(5 * Math.round((round === 1 ? own : (own + 2 * near) / 3) / 5))];
      });
      const [first] = view.questions;
      const notes = j === 2 && first ? { [first.id]: 'They have done this in every exercise.' } : {};
      const estimate = { ...view.estimate, percents: Object.fromEntries(percents), notes };
      must(await saveEstimate(ctx, { panel, round, base: view.version, estimate }));
      must(await finishJudging(ctx, panel));
    }
    if (round === 1) must(await nextRound(as('odalys', now + 2 * hour), panel));
  }
  const { version } = must(await openResults(as('odalys', now + 3 * hour), sitting));
  const set = { sitting, base: version, percent: '53', basis: 'by question (Angoff), round 2, mean of 3 judges' };
  must(await setPassMark(as('odalys', now + 4 * hour), { ...set, reason: 'As the panel said, to whole percents' }));
  await ratedScripts(as, sitting, now + 5 * hour);
  // The lead has still to say what matters and how hard it is.
  const lead = as('odalys', now + 6 * hour);
  must(await callPanel(lead, { sitting, method: 'ebel', figures: 'later', judges: [lead.actor.id] }));
  must(await setCertificate(lead, { sitting, text: '[name] passed [exam] in [course] on [date] with [percent].' }));
}

/** Two judges have read the scripts as a whole. */
async function ratedScripts(as: As, sitting: string, now: number): Promise<void> {
  const judges = ['imre', 'odalys'];
  const ids = judges.map((name) => as(name, now).actor.id);
  const asked = { sitting, method: 'borderline', figures: 'never', judges: ids };
  const { panel } = must(await callPanel(as('odalys', now), asked));
  const percents = new Map(
    must(await openResults(as('odalys', now), sitting)).rows.map(({ attempt, percent }) => [attempt, percent]),
  );
  for (const name of judges) {
    const ctx = as(name, now);
    const view = must(await openJudging(ctx, panel));
    const ratings = view.scripts.map(({ attempt }, i) => {
      const [above = '0', below = '1'] = (percents.get(attempt) ?? '0').split('/');
      const next = seeded(seedFor(i, name));
      const seen = (Number(above) / Number(below) - 52) / 12 + (next() - 0.5) * 1.4;
      return [attempt, Math.min(5, Math.max(1, Math.round(3 + seen)))];
    });
    const estimate = { ...view.estimate, ratings: Object.fromEntries(ratings) };
    must(await saveEstimate(ctx, { panel, round: view.round, base: view.version, estimate }));
    must(await finishJudging(ctx, panel));
  }
}
