import { inArray } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { filledMessage, type MessageName } from '@/core/people/message';
import { withExtraTime } from '@/core/people/provision';
import { type Context, parse } from '../context';
import { mails } from '../db/schema/mail';
import { members } from '../db/schema/people';
import { newId } from '../ports/ids';
import { watchSitting, type WatchedSitting } from '../sittings/watch';

const input = z.object({
  sitting: z.string(),
  /** All who are to sit it, or those who have not begun. */
  to: z.enum(['all', 'not begun']),
  subject: z.string().trim().min(1, 'subject-empty').max(200),
  text: z.string().trim().min(1, 'notice-empty').max(5000),
  /** Of the times of the sitting: in words, in the department's zone. */
  opens: z.string().max(60),
  closes: z.string().max(60),
  /** The address of the students' page. */
  address: z.url().max(300),
});

export interface Written {
  messages: number;
  /** Who has no address, by name. */
  unreached: string[];
}

/** Writes to the students of a sitting, to each their own: an invitation, or a reminder to who has not begun. */
export async function writeToStudents(ctx: Context, raw: unknown): Promise<Result<Written>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const { to, subject, text, ...words } = parsed.value;
  const watched = await watchSitting(ctx, words.sitting);
  if (!watched.ok) return watched;
  const sitting = watched.value;
  const people = sitting.people.filter(({ attempt }) => to === 'all' || attempt === null);
  const known = await ctx.db.read
    .select({ id: members.id, email: members.email })
    .from(members)
    .where(
      inArray(
        members.id,
        people.map(({ id }) => id),
      ),
    );
  const addresses = new Map(known.map(({ id, email }) => [id, email]));
  const reached = people.filter(({ id }) => addresses.get(id));
  const unreached = people.filter(({ id }) => !addresses.get(id)).map(({ name }) => name);
  if (reached.length === 0) return refuse('nobody-reached');
  await ctx.db.transaction(async (tx) => {
    for (const person of reached) {
      const values = valuesFor(person, sitting, words);
      await tx.insert(mails).values({
        id: newId(),
        member: person.id,
        sitting: sitting.id,
        to: addresses.get(person.id) ?? '',
        // A subject is one line, whatever is filled in.
        subject: filledMessage(subject, values).replace(/\s+/g, ' '),
        text: filledMessage(text, values),
        state: 'waiting',
        at: ctx.now,
        writtenBy: ctx.actor.id,
        writtenAt: ctx.now,
      });
    }
  });
  return ok({ messages: reached.length, unreached });
}

function valuesFor(
  { name, extra }: WatchedSitting['people'][number],
  { title, courseTitle, minutes }: WatchedSitting,
  { opens, closes, address }: { opens: string; closes: string; address: string },
): Record<MessageName, string> {
  const own = String(withExtraTime(minutes, extra));
  return { name, exam: title, course: courseTitle, opens, closes, minutes: own, address };
}
