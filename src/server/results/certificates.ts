import { randomBytes } from 'node:crypto';
import { and, eq } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result } from '@/core/base/result';
import { takesPart } from '@/core/people/participant';
import { certificateNumber, certificateText, readCertificateNumber } from '@/core/results/certificate';
import { boundariesSchema } from '@/core/results/policy';
import { isOutFor } from '@/core/results/release';
import { type Score, withChange } from '@/core/results/score';
import { type Context, FORBIDDEN, NOT_FOUND, type Outside, parse } from '../context';
import type { Reader } from '../db/database';
import { attempts } from '../db/schema/attempts';
import { sittings } from '../db/schema/exams';
import { courses, members } from '../db/schema/people';
import { certificates } from '../db/schema/results';
import { inSitting } from '../people/courses';
import { readDepartment } from '../people/policy';
import { findAttempt } from '../sittings/attempts';
import { pinnedOf } from '../sittings/pinned';
import { memberChanges } from './member-marks';
import { scoresOf } from './results';

const input = z.object({ sitting: z.string(), text: z.string().trim().min(1, 'notice-empty').max(2000).nullable() });

/** Says what a certificate of passing a sitting reads; null where none is given out, which ends those that were. */
export async function setCertificate(ctx: Context, raw: unknown): Promise<Result<null>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const { sitting, text } = parsed.value;
  const allowed = await inSitting(ctx, 'release results', sitting);
  if (!allowed.ok) return allowed;
  await ctx.db.transaction(async (tx) => {
    await tx.update(sittings).set({ certificate: text }).where(eq(sittings.id, sitting));
  });
  return ok();
}

/** What a certificate reads, and whose it is. */
export interface Certificate {
  number: string;
  institute: string;
  department: string;
  name: string;
  exam: string;
  text: string;
  issuedAt: number;
}

type SittingRow = typeof sittings.$inferSelect;

/** The score of whoever passed and knows it, and the attempt that counts; null where nothing can be certified. */
async function passedBy(
  read: Reader,
  sitting: SittingRow,
  { participant, member }: { participant: string; member: string },
  now: number,
): Promise<{ attempt: string; score: Score } | null> {
  if (!isOutFor(sitting, participant) || sitting.certificate === null) return null;
  const [counting] = await scoresOf(read, sitting, now, { participant });
  if (!counting || counting.score.waiting > 0) return null;
  const change = (await memberChanges(read, [counting.attempt]))(counting.attempt, member);
  const { plan } = await pinnedOf(read, sitting.id);
  const policy = { boundaries: boundariesSchema.parse(sitting.boundaries), rounding: plan.rounding };
  const score = change ? withChange(counting.score, change, policy) : counting.score;
  return score.passed ? { attempt: counting.attempt, score } : null;
}

/** Whether a student has a certificate to open for an attempt. */
export async function hasCertificate(ctx: Context, attemptId: string): Promise<boolean> {
  const found = await findAttempt(ctx.db.read, attemptId, ctx.now);
  if (!found || ctx.actor.role !== 'student' || !takesPart(ctx.actor, found.participant)) return false;
  const [row] = await ctx.db.read.select().from(sittings).where(eq(sittings.id, found.attempt.sitting));
  const whose = { participant: found.attempt.participant, member: ctx.actor.id };
  return row !== undefined && (await passedBy(ctx.db.read, row, whose, ctx.now)) !== null;
}

/** A student's certificate of passing; it has its number from the first time it is opened. `day` puts a moment into words. */
export async function openCertificate(
  ctx: Context,
  attemptId: string,
  day: (at: number) => string,
): Promise<Result<Certificate>> {
  const { read } = ctx.db;
  const found = await findAttempt(read, attemptId, ctx.now);
  if (!found || ctx.actor.role !== 'student' || !takesPart(ctx.actor, found.participant)) return FORBIDDEN;
  const [row] = await read
    .select({ sitting: sittings, course: courses.title })
    .from(sittings)
    .innerJoin(courses, eq(courses.id, sittings.course))
    .where(eq(sittings.id, found.attempt.sitting));
  if (!row) return NOT_FOUND;
  const whose = { participant: found.attempt.participant, member: ctx.actor.id };
  const passed = await passedBy(read, row.sitting, whose, ctx.now);
  if (!passed) return FORBIDDEN;
  // Of several attempts the one that counts is certified, whichever is open.
  const { attempt, score } = passed;
  const [counted] = await read.select({ at: attempts.handedInAt }).from(attempts).where(eq(attempts.id, attempt));
  const mine = and(eq(certificates.attempt, attempt), eq(certificates.member, ctx.actor.id));
  const given = await ctx.db.transaction(async (tx) => {
    const number = certificateNumber(() => (randomBytes(4).readUInt32BE() + 0.5) / 2 ** 32);
    await tx
      .insert(certificates)
      .values({ number, attempt, member: ctx.actor.id, issuedAt: ctx.now })
      .onConflictDoNothing();
    const [standing] = await tx.select().from(certificates).where(mine);
    return standing;
  });
  if (!given) return NOT_FOUND;
  const [me] = await read.select({ name: members.name }).from(members).where(eq(members.id, ctx.actor.id));
  const { name: department, institute } = await readDepartment(read);
  const name = me?.name ?? '';
  return ok({
    number: given.number,
    institute,
    department,
    name,
    exam: row.sitting.title,
    issuedAt: given.issuedAt,
    text: certificateText(row.sitting.certificate ?? '', {
      name,
      exam: row.sitting.title,
      course: row.course,
      date: day(counted?.at ?? ctx.now),
      percent: `${score.shown.percent} %`,
      grade: score.grade ?? '',
    }),
  });
}

/** What a number says to whoever checks it: nothing of marks. */
export interface CheckedCertificate {
  number: string;
  institute: string;
  name: string;
  exam: string;
  course: string;
  issuedAt: number;
  /** Whether it holds now: results can be taken back, and marks changed. */
  holds: boolean;
}

/** Looks a number up, for anybody; null where there is none. */
export async function checkCertificate(
  { db: { read }, now }: Pick<Outside, 'db' | 'now'>,
  typed: string,
): Promise<CheckedCertificate | null> {
  const number = readCertificateNumber(typed);
  if (number === null) return null;
  const [row] = await read
    .select({ given: certificates, sitting: sittings, course: courses.title, name: members.name, attempt: attempts })
    .from(certificates)
    .innerJoin(attempts, eq(attempts.id, certificates.attempt))
    .innerJoin(sittings, eq(sittings.id, attempts.sitting))
    .innerJoin(courses, eq(courses.id, sittings.course))
    .innerJoin(members, eq(members.id, certificates.member))
    .where(eq(certificates.number, number));
  if (!row) return null;
  const whose = { participant: row.attempt.participant, member: row.given.member };
  return {
    number,
    institute: (await readDepartment(read)).institute,
    name: row.name,
    exam: row.sitting.title,
    course: row.course,
    issuedAt: row.given.issuedAt,
    holds: (await passedBy(read, row.sitting, whose, now)) !== null,
  };
}
