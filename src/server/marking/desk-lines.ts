import { and, eq, inArray } from 'drizzle-orm';
import { placedSlots } from '@/core/bank/question';
import type { PaperQuestion } from '@/core/exams/paper';
import type { TraceStep } from '@/core/rules/marking';
import type { Context } from '../context';
import { attempts } from '../db/schema/attempts';
import { unsure } from '../db/schema/marks';
import { participantName } from '../people/participants';
import { readDepartment } from '../people/policy';
import { entitledIn } from '../people/provisions';
import { notDueYet } from './not-due';
import type { DeskMark } from './probes';
import type { Share } from './share';

/** One slot of one script that a person marks, as it stands in the list. */
export interface DeskLine {
  attempt: string;
  slot: string;
  letter: string;
  script: number;
  /** Null while names are hidden. */
  name: string | null;
  /** They write in a second language. */
  secondLanguage: boolean;
  /** The mark that stands, by its place in the history. */
  mark: number;
  marks: string | null;
  byPerson: boolean;
  /** Why it came to a person. */
  reason: TraceStep | null;
  /** Whoever marks wants to look at it once more. */
  unsure: boolean;
}

/** Of so many scripts only those are read whose answers are asked for; of more, all of the sitting. */
const FEW = 100;

/** Marks of a question as lines of its desk, by slot and script: those that wait, and those that a person gave. */
export async function linesOf(
  ctx: Context,
  sitting: string,
  item: PaperQuestion,
  present: readonly DeskMark[],
  share: Share | null,
): Promise<DeskLine[]> {
  const { read } = ctx.db;
  const { policy } = await readDepartment(read);
  const ids = [...new Set(present.map(({ attempt }) => attempt))];
  // Of a whole sitting everybody is read; of a few answers those whose they are.
  const few = ids.length <= FEW;
  const people = await read
    .select({ id: attempts.id, script: attempts.script, name: participantName, participant: attempts.participant })
    .from(attempts)
    .where(and(eq(attempts.sitting, sitting), few ? inArray(attempts.id, ids) : undefined));
  const entitled = await entitledIn(
    read,
    sitting,
    people.map(({ participant }) => participant),
    ctx.now,
  );
  const byId = new Map(people.map((p) => [p.id, p]));
  const early = await notDueYet(read, sitting, ctx.now);
  const doubted = await read
    .select({ attempt: unsure.attempt, slot: unsure.slot })
    .from(unsure)
    .where(and(eq(unsure.item, item.id), eq(unsure.by, ctx.actor.id)));
  const again = new Set(doubted.map(({ attempt, slot }) => `${attempt} ${slot}`));
  const letters = new Map(placedSlots(item.question).map(({ id, letter }) => [id, letter]));
  return present
    .flatMap((mark): DeskLine[] => {
      const person = byId.get(mark.attempt);
      const letter = letters.get(mark.slot);
      if (!person || letter === undefined || (mark.marks !== null && mark.by === null)) return [];
      if (mark.marks === null && early.has(mark.attempt)) return [];
      // What was marked beforehand is mixed in with anybody's share.
      if (share && !mark.probe && !share.mine({ ...mark, script: person.script })) return [];
      return [
        {
          attempt: mark.attempt,
          slot: mark.slot,
          letter,
          script: person.script,
          name: policy.namesHidden ? null : person.name,
          secondLanguage: entitled.get(person.participant)?.secondLanguage ?? false,
          mark: mark.id,
          marks: mark.marks,
          byPerson: mark.by !== null,
          reason: mark.trace.at(-1) ?? null,
          unsure: again.has(`${mark.attempt} ${mark.slot}`),
        },
      ];
    })
    .sort((a, b) => a.letter.localeCompare(b.letter) || a.script - b.script);
}
