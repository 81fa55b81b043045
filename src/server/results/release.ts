import { eq, inArray, isNotNull } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { filledMessage } from '@/core/people/message';
import { releaseIsDue } from '@/core/results/release';
import { doorState } from '@/core/sittings/entry';
import { type Context, NOT_FOUND, type Outside, parse } from '../context';
import type { Transaction } from '../db/database';
import { sittings } from '../db/schema/exams';
import { mails } from '../db/schema/mail';
import { courses, members } from '../db/schema/people';
import { changed } from '../events/versions';
import { inSitting } from '../people/courses';
import { membersBehind } from '../people/participants';
import { newId } from '../ports/ids';
import { figuresAged } from './figures';
import { type PlannedRelease, plannedRelease, readResults, releaseMessage, type Results, showsSchema } from './results';

const releaseInput = z.object({
  sitting: z.string(),
  shows: showsSchema,
  /** Participants; null for all. */
  to: z.array(z.string()).min(1).max(20_000).nullable().default(null),
  when: z
    .discriminatedUnion('is', [
      z.object({ is: z.literal('now') }),
      z.object({ is: z.literal('at'), at: z.number().int() }),
      z.object({ is: z.literal('marked') }),
    ])
    .default({ is: 'now' }),
  tell: releaseMessage.nullable().default(null),
});

/** Why results cannot go out to these participants now; null where they can. */
function hindrance({ rows, notHandedIn }: Results, to: readonly string[] | null): Result<never> | null {
  const concerned = rows.filter(({ participant }) => to === null || to.includes(participant));
  const waiting = concerned.reduce((n, r) => n + r.waiting, 0);
  if (concerned.length === 0) return refuse('nobody-sat');
  if (waiting > 0) return refuse('answers-wait', { values: { count: waiting } });
  if (to === null && notHandedIn > 0) return refuse('still-writing', { values: { count: notHandedIn } });
  return null;
}

/**
 * Releases results, to all who handed in or to some, now or at a moment that
 * is said. Now it is refused while answers of theirs wait for a person, or,
 * released to all, somebody is still writing; a planned release waits for that.
 */
export async function releaseResults(ctx: Context, raw: unknown): Promise<Result<{ students: number }>> {
  const parsed = parse(releaseInput, raw);
  if (!parsed.ok) return parsed;
  const { sitting, when, ...what } = parsed.value;
  const allowed = await inSitting(ctx, 'release results', sitting);
  if (!allowed.ok) return allowed;
  const results = await readResults(ctx, sitting);
  if (!results.ok) return results;
  const known = new Set(results.value.rows.map(({ participant }) => participant));
  if (what.to && !what.to.every((id) => known.has(id))) return NOT_FOUND;
  const by = ctx.actor.id;
  if (when.is !== 'now') {
    if (when.is === 'at' && when.at <= ctx.now) return refuse('release-in-the-past', { at: ['when', 'at'] });
    const releasePlan: PlannedRelease = { when, ...what, by };
    await ctx.db.transaction(async (tx) => {
      await tx.update(sittings).set({ releasePlan }).where(eq(sittings.id, sitting));
    });
    return ok({ students: 0 });
  }
  const hindered = hindrance(results.value, what.to);
  if (hindered) return hindered;
  return ok({ students: await putOut(ctx, results.value, { ...what, by }) });
}

/** Puts results out, and writes to those who are to be told. Those whom they were out for before stay among them. */
async function putOut(
  { db, now }: Pick<Outside, 'db' | 'now'>,
  { sitting, title, rows }: Results,
  { shows, to, tell, by }: Omit<PlannedRelease, 'when'>,
): Promise<number> {
  return db.transaction(async (tx) => {
    const [row] = await tx.select().from(sittings).where(eq(sittings.id, sitting));
    if (!row) return 0;
    const before = row.releasedAt === null ? [] : row.releasedTo;
    const releasedTo = to === null || before === null ? null : [...new Set([...before, ...to])];
    const releasedAt = row.releasedAt ?? now;
    await tx.update(sittings).set({ releasedAt, releasedTo, shows, releasePlan: null }).where(eq(sittings.id, sitting));
    await changed(tx, `course:${row.course}`);
    await figuresAged(tx, sitting);
    const fresh = rows
      .map(({ participant }) => participant)
      .filter((one) => (to === null || to.includes(one)) && before !== null && !before.includes(one));
    if (tell) await writeTo(tx, { sitting, title, course: row.course, people: fresh, tell, by, now });
    return fresh.length;
  });
}

interface Letter {
  sitting: string;
  title: string;
  course: string;
  people: readonly string[];
  tell: z.infer<typeof releaseMessage>;
  by: string;
  now: number;
}

/** A message to each member behind the participants who has an address. */
async function writeTo(tx: Transaction, { sitting, title, course, people, tell, by, now }: Letter): Promise<void> {
  const behind = [...(await membersBehind(tx, people)).values()].flat();
  const known = await tx.select().from(members).where(inArray(members.id, behind));
  const [about] = await tx.select({ title: courses.title }).from(courses).where(eq(courses.id, course));
  for (const { id, name, email } of known) {
    if (!email) continue;
    const values = {
      name,
      exam: title,
      course: about?.title ?? '',
      opens: '',
      closes: '',
      minutes: '',
      address: tell.address,
    };
    await tx.insert(mails).values({
      id: newId(),
      member: id,
      sitting,
      to: email,
      subject: filledMessage(tell.subject, values).replace(/\s+/g, ' '),
      text: filledMessage(tell.text, values),
      state: 'waiting',
      at: now,
      writtenBy: by,
      writtenAt: now,
    });
  }
}

/** Puts out whatever was planned and is due. Gives what went wrong; one that fails holds up no other. */
export async function releaseDue(out: Outside): Promise<unknown[]> {
  const planned = await out.db.read.select().from(sittings).where(isNotNull(sittings.releasePlan));
  const failed: unknown[] = [];
  for (const row of planned) {
    try {
      const plan = plannedRelease.parse(row.releasePlan);
      if (plan.when.is === 'at' && out.now < plan.when.at) continue;
      const results = await readResults(out, row.id);
      if (!results.ok || hindrance(results.value, plan.to)) continue;
      const over = doorState(row, out.now) === 'closed';
      if (releaseIsDue(plan.when, { now: out.now, over, waiting: 0 })) await putOut(out, results.value, plan);
    } catch (error) {
      failed.push(error);
    }
  }
  return failed;
}

/** Takes released results back, or a release that was planned; students no longer see them. */
export async function takeBackResults(ctx: Context, sitting: string): Promise<Result<null>> {
  const allowed = await inSitting(ctx, 'release results', sitting);
  if (!allowed.ok) return allowed;
  await ctx.db.transaction(async (tx) => {
    const taken = await tx
      .update(sittings)
      .set({ releasedAt: null, releasedTo: null, releasePlan: null, shows: null })
      .where(eq(sittings.id, sitting))
      .returning({ course: sittings.course });
    for (const { course } of taken) await changed(tx, `course:${course}`);
  });
  return ok();
}
