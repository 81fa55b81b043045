import { createHash, randomBytes } from 'node:crypto';
import { and, eq, inArray } from 'drizzle-orm';
import { ok, type Result, refuse } from '@/core/base/result';
import { readStored } from '@/core/base/stored-form';
import { type AnswersArchive, type ArchivedAttempt, readAnswers, writeAnswers } from '@/core/exams/exam-archive';
import { placementsMet } from '@/core/exams/lot';
import { type ExamPlan, examForm, placements, revisionKey } from '@/core/exams/plan';
import type { Revisions } from '@/core/exams/paper';
import { kindOf } from '@/core/kinds/registry';
import { readResponse, storedResponse } from '@/core/kinds/response';
import { withPassMark } from '@/core/results/policy';
import { type Context, NOT_FOUND } from '../context';
import type { Reader } from '../db/database';
import { answersNow, attemptFiles, attempts, hintsTaken } from '../db/schema/attempts';
import { revisions } from '../db/schema/bank';
import { exams, participants, sittings } from '../db/schema/exams';
import { changed } from '../events/versions';
import { revisionsOf } from '../exams/revisions';
import { inCourse, inSitting } from '../people/courses';
import { participantName } from '../people/participants';
import { readDepartment } from '../people/policy';
import { newId } from '../ports/ids';
import { COUNTS, currentAnswers } from '../sittings/attempts';
import { hintsTakenIn } from '../sittings/hints';

/** What was handed in to an exam that came as a file, for those who sent it. */
export async function answersAsFile(
  ctx: Context,
  sitting: string,
): Promise<Result<{ title: string; bytes: Uint8Array }>> {
  const allowed = await inSitting(ctx, 'release results', sitting);
  if (!allowed.ok) return allowed;
  const { read } = ctx.db;
  const [row] = await read
    .select({ title: sittings.title, origin: exams.origin })
    .from(sittings)
    .leftJoin(exams, eq(exams.id, sittings.exam))
    .where(eq(sittings.id, sitting));
  if (!row) return NOT_FOUND;
  if (!row.origin) return refuse('not-from-file');
  const handedIn = await read
    .select({ attempt: attempts, name: participantName })
    .from(attempts)
    .where(and(eq(attempts.sitting, sitting), COUNTS));
  if (handedIn.length === 0) return refuse('nobody-sat');
  const hints = await hintsTakenIn(read, { sitting });
  const files = new Map<string, Uint8Array>();
  const archived: ArchivedAttempt[] = [];
  for (const { attempt, name } of handedIn) {
    const { id, seed, without, startedAt, minutes } = attempt;
    const held = await read
      .select({ hash: attemptFiles.hash, name: attemptFiles.name })
      .from(attemptFiles)
      .where(and(eq(attemptFiles.attempt, id), eq(attemptFiles.received, attemptFiles.size)));
    for (const { hash } of held) {
      const bytes = files.get(hash) ?? (await ctx.files.get(hash));
      if (bytes) files.set(hash, bytes);
    }
    archived.push({
      ...{ id, name, seed, without, startedAt, minutes, files: held },
      handedInAt: attempt.handedInAt ?? startedAt,
      answers: await currentAnswers(read, id),
      hints: Object.fromEntries(hints.get(id) ?? []),
    });
  }
  const plan = readStored(examForm, row.origin);
  return ok({ title: row.title, bytes: writeAnswers({ title: row.title, plan, attempts: archived, files }) });
}

/** Makes a sitting of what was handed in elsewhere, to be marked and released here; refused when the exam is not of this installation. */
export async function answersFromFile(
  ctx: Context,
  bytes: Uint8Array,
  course: string,
): Promise<Result<{ sitting: string }>> {
  const allowed = await inCourse(ctx, 'run sittings', course);
  if (!allowed.ok) return allowed;
  const archive = readOrNull(bytes);
  if (!archive || archive.attempts.length === 0) return refuse('file-no-answers');
  const { plan, title } = archive;
  if (!(await areOurs(ctx.db.read, plan))) return refuse('answers-not-ours');
  const bodies = await revisionsOf(ctx.db.read, plan);
  for (const [hash, content] of archive.files) {
    if (createHash('sha256').update(content).digest('hex') !== hash) return refuse('file-no-answers');
    await ctx.files.put(hash, content);
  }
  const { policy } = await readDepartment(ctx.db.read);
  const { passPercent, ranges, grades } = policy;
  const ends = Math.max(...archive.attempts.map(({ handedInAt }) => handedInAt));
  const sitting = newId();
  return ctx.db.transaction(async (tx) => {
    await tx.insert(sittings).values({
      id: sitting,
      exam: null,
      course,
      title,
      plan,
      opensAt: Math.min(...archive.attempts.map(({ startedAt }) => startedAt)),
      closesAt: ends,
      endedAt: ends,
      minutes: plan.minutes,
      who: 'link',
      boundaries: withPassMark({ version: 1, passPercent, ranges, grades }, plan.passPercent),
      boundariesVersion: 1,
      createdBy: ctx.actor.id,
      createdAt: ctx.now,
    });
    for (const [i, theirs] of archive.attempts.entries()) {
      const [id, participant] = [newId(), newId()];
      const { seed, without, startedAt, handedInAt, minutes, name } = theirs;
      await tx.insert(participants).values({ id: participant, is: 'guest', sitting, name });
      await tx.insert(attempts).values({
        ...{ id, sitting, participant, seed, without, startedAt, handedInAt, minutes },
        script: i + 1,
        secret: randomBytes(16).toString('hex'),
        handedInBy: 'teacher',
        seenAt: handedInAt,
      });
      for (const { hash, name: called } of theirs.files) {
        const size = archive.files.get(hash)?.length;
        // What did not come along is not there.
        if (size === undefined) continue;
        await tx
          .insert(attemptFiles)
          .values({ attempt: id, hash, name: called, size, received: size, at: handedInAt })
          .onConflictDoNothing();
      }
      const rows = ownAnswers(archive, bodies, theirs, id);
      if (rows.length > 0) await tx.insert(answersNow).values(rows);
      for (const [item, taken] of Object.entries(theirs.hints))
        for (let hint = 0; hint < taken; hint++)
          await tx.insert(hintsTaken).values({ attempt: id, item, hint, at: handedInAt });
    }
    await changed(tx, `course:${course}`);
    return ok({ sitting });
  });
}

/** Whether every revision that a plan places is of this installation. */
async function areOurs(read: Reader, plan: ExamPlan): Promise<boolean> {
  const placed = placements(plan).map(({ item }) => item);
  const there = await read
    .select({ question: revisions.question, number: revisions.number })
    .from(revisions)
    .where(inArray(revisions.question, [...new Set(placed.map(({ question }) => question))]));
  const keys = new Set(there.map(({ question, number }) => revisionKey(question, number)));
  return placed.every(({ question, revision }) => keys.has(revisionKey(question, revision)));
}

function readOrNull(bytes: Uint8Array): AnswersArchive | null {
  try {
    return readAnswers(bytes);
  } catch {
    return null;
  }
}

/** The answers of an attempt that are some to its paper, as they stand here; whatever else was in the file stays out. */
function ownAnswers(
  { plan }: AnswersArchive,
  bodies: Revisions,
  theirs: ArchivedAttempt,
  attempt: string,
): (typeof answersNow.$inferInsert)[] {
  const met = placementsMet({ plan, revisions: bodies }, theirs);
  const items = new Map(placements(plan).flatMap(({ item }) => (met.has(item.id) ? [[item.id, item]] : [])));
  const rows: (typeof answersNow.$inferInsert)[] = [];
  for (const [itemId, slots] of Object.entries(theirs.answers)) {
    const item = items.get(itemId);
    const question = item && bodies.get(revisionKey(item.question, item.revision));
    for (const [slotId, raw] of Object.entries(slots)) {
      const slot = question && Object.hasOwn(question.slots, slotId) ? question.slots[slotId] : undefined;
      if (!slot) continue;
      const kind = kindOf(slot.kind);
      // Files beside an answer say whose attempt they came with.
      const value: unknown = JSON.parse(JSON.stringify(raw).replaceAll(theirs.id, attempt));
      const read = readResponse(kind, value);
      if (!read || !kind.accepts(slot.setup, read.response)) continue;
      const at = theirs.handedInAt;
      const when = { writtenAt: at, receivedAt: at, keptAt: at };
      rows.push({
        ...{ attempt, item: itemId, slot: slotId, value: storedResponse(kind, read.response) },
        ...{ device: 'from a file', seq: rows.length + 1, ...when },
      });
    }
  }
  return rows;
}
