import { assemble, paperQuestions } from '@/core/exams/paper';
import type { Reader } from '../db/database';
import type { sittings } from '../db/schema/exams';
import { byAttempt, marksToScore } from '../marking/current-marks';
import { attemptsOf } from '../sittings/attempts';
import { pinnedOf } from '../sittings/pinned';
import { scoresOf } from './results';

/** Somebody whose paper is wholly marked, as an analysis takes them: by the attempt that counts. */
export interface Person {
  attempt: string;
  participant: string;
  percent: number;
  /** What each question earned, as a share of its marks. */
  shares: ReadonlyMap<string, number>;
}

/** All of them in a sitting, and how many papers still wait for a marker. */
export async function personsIn(
  { db: { read }, now }: { db: { read: Reader }; now: number },
  sitting: typeof sittings.$inferSelect,
): Promise<{ persons: Person[]; waiting: number }> {
  const scored = await scoresOf(read, sitting, now);
  const marked = scored.filter(({ score }) => score.waiting === 0);
  const marks = byAttempt(await marksToScore(read, { sitting: sitting.id }));
  const rows = new Map((await attemptsOf(read, sitting.id, now)).map(({ attempt }) => [attempt.id, attempt]));
  const pinned = await pinnedOf(read, sitting.id);
  const persons: Person[] = [];
  for (const { attempt, participant, score } of marked) {
    const row = rows.get(attempt);
    if (!row) continue;
    const paper = assemble(pinned, row);
    const own = marks.get(attempt);
    const shares = paperQuestions(paper)
      .filter(({ dropped, marks: of }) => !dropped && of.compare(0) > 0)
      .map(({ id: item, marks: of }): [string, number] => {
        const earned = [...(own?.get(item)?.values() ?? [])].reduce((sum, one) => sum + (one?.valueOf() ?? 0), 0);
        return [item, earned / of.valueOf()];
      });
    persons.push({ attempt, participant, percent: score.percent.valueOf(), shares: new Map(shares) });
  }
  return { persons, waiting: scored.length - marked.length };
}
