import { must } from '@/core/base/result';
import { spokenAs } from '@/core/kinds/say/say';
import { paperQuestions } from '@/core/exams/paper';
import { USUAL_MARKING } from '@/core/marking/plan';
import type { Context } from '@/server/context';
import { openDesk } from '@/server/marking/desk';
import { addRecording } from '@/server/media/add-recording';
import { giveMark } from '@/server/marking/give-mark';
import { listMarking } from '@/server/marking/list-marking';
import { saveMarkingPlan } from '@/server/marking/plan';
import { giveSecondMark } from '@/server/marking/second-mark';
import { findAttempt } from '@/server/sittings/attempts';
import { enterSitting } from '@/server/sittings/enter';
import { handIn } from '@/server/sittings/hand-in';
import { judgeOwnWork } from '@/server/sittings/judge-afterwards';
import { paperOf } from '@/server/sittings/pinned';
import { saveAnswers } from '@/server/sittings/save-answers';
import { madeAnswers } from './made-answers';
import { WT201 } from './people';
import { CALLS, spoken } from './spoken';

const MINUTE = 60_000;
type As = (userName: string, now: number) => Context;

/** The calls as the department says them, for what is said over the radio. */
export async function bringCalls(ctx: Context): Promise<void> {
  for (const { words, file } of CALLS) must(await addRecording(ctx, spoken(file), 'sound', spokenAs(words)));
}

/** Some students draw, photograph and speak, and hand it in. */
export async function sitWorkshop(as: As, sitting: string, day: number): Promise<void> {
  for (const [i, { userName }] of WT201.slice(0, 14).entries()) {
    const from = day + i * MINUTE;
    const { attempt } = must(await enterSitting(as(userName, from), sitting));
    const then = as(userName, from + 20 * MINUTE);
    const found = await findAttempt(then.db.read, attempt, then.now);
    if (!found) throw new Error('The attempt just begun is not there');
    const { paper } = await paperOf(then.db.read, found.attempt);
    const made = await madeAnswers(then, attempt, userName, paperQuestions(paper));
    const judged = made.filter(({ value }) => 'judgement' in Object(value));
    const written = made.filter((answer) => !judged.includes(answer));
    const entries = written.map((answer, n) => ({ ...answer, seq: n + 1, age: 0 }));
    must(await saveAnswers(then, { attempt, device: 'demo-workshop', entries }));
    must(await handIn(as(userName, from + 25 * MINUTE), attempt));
    // Some have not judged their work yet.
    if (i % 4 === 3) continue;
    for (const own of judged) must(await judgeOwnWork(as(userName, from + 30 * MINUTE), { attempt, ...own }));
  }
}

/** All is marked by two people; they have begun, mostly alike. */
export async function markTwice(as: As, sitting: string, at: number): Promise<void> {
  const second = { ...USUAL_MARKING.second, which: 'all' as const, counts: 'mean' as const };
  must(await saveMarkingPlan(as('odalys', at), { sitting, plan: { ...USUAL_MARKING, second } }));
  const [task] = must(await listMarking(as('mirela', at))).filter((one) => one.sitting === sitting);
  const item = task?.item ?? '';
  const { answers } = must(await openDesk(as('mirela', at), sitting, item));
  for (const [i, { attempt, slot }] of answers.slice(0, 9).entries()) {
    const place = { attempt, item, slot };
    const when = at + i * 40_000;
    must(await giveMark(as('mirela', when), { ...place, marks: String(i % 5) }));
    if (i >= 7) continue;
    const apart = i === 4 ? -3 : i % 4 === 1 ? 1 : 0;
    const marks = String(Math.min(4, Math.max(0, (i % 5) + apart)));
    const reason = i === 4 ? 'The curve does not level off.' : '';
    must(await giveSecondMark(as('thandeka', when + 60 * MINUTE), { ...place, marks, reason }));
  }
}
