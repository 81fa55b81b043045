import { and, eq, inArray } from 'drizzle-orm';
import { ok, type Result, refuse } from '@/core/base/result';
import { mediaIn } from '@/core/exchange/archive';
import { type ExamArchive, type PlacedQuestion, readExam, writeExam } from '@/core/exams/exam-archive';
import { type ExamPlan, placements, revisionKey, type Section } from '@/core/exams/plan';
import { mayWriteIn } from '../bank/access';
import { pageNotAllowed } from '../bank/pages';
import { withOwnPassages } from '../bank/passages';
import { cutRevision, insertQuestion } from '../bank/write';
import { type Context, FORBIDDEN, NOT_FOUND } from '../context';
import { questions, topics } from '../db/schema/bank';
import { exams } from '../db/schema/exams';
import { openExam } from '../exams/exams';
import { withinReach } from '../exams/reach';
import { revisionsOf } from '../exams/revisions';
import { scheduledPlan } from '../exams/sought';
import { addAnyMedia } from '../media/add-any';
import { newId } from '../ports/ids';

/** An exam with everything that is in it, as bytes; its draws as they find now. */
export async function examAsFile(ctx: Context, id: string): Promise<Result<{ title: string; bytes: Uint8Array }>> {
  const opened = await openExam(ctx, id);
  if (!opened.ok) return opened;
  const { plan: written, course } = opened.value;
  // Whoever takes an exam out reads all that is asked in it.
  if (!(await withinReach(ctx, written))) return FORBIDDEN;
  const filled = await scheduledPlan(ctx, { plan: written, exam: id, course: course?.id ?? null });
  if (!filled.ok) return filled;
  const plan = filled.value;
  const bodies = await revisionsOf(ctx.db.read, plan);
  const placed = new Map(
    placements(plan).map(({ item }) => [revisionKey(item.question, item.revision), item] as const),
  );
  const heads = await ctx.db.read
    .select({ id: questions.id, difficulty: questions.difficulty, demand: questions.demand, topic: topics.name })
    .from(questions)
    .leftJoin(topics, eq(topics.id, questions.topic))
    .where(
      inArray(
        questions.id,
        [...placed.values()].map(({ question }) => question),
      ),
    );
  const facts = new Map(heads.map((head) => [head.id, head]));
  const archived = [...placed].flatMap(([key, { question, revision }]): PlacedQuestion[] => {
    const body = bodies.get(key);
    const { difficulty = 1, demand = 'know', topic = null } = facts.get(question) ?? {};
    return body
      ? [{ question, revision, body, facts: { difficulty, demand, tags: [] }, topic: topic === null ? [] : [topic] }]
      : [];
  });
  const media = new Map<string, Uint8Array>();
  for (const hash of new Set(archived.flatMap(({ body }) => mediaIn(body)))) {
    const bytes = await ctx.files.get(hash);
    if (bytes) media.set(hash, bytes);
  }
  return ok({ title: plan.title, bytes: writeExam({ plan, questions: archived, media }) });
}

/** Makes an exam of a file: its questions go into a bank, and the exam belongs to whoever brings it in. */
export async function examFromFile(ctx: Context, bytes: Uint8Array, bank: string): Promise<Result<{ id: string }>> {
  const archive = readOrNull(bytes);
  if (!archive) return refuse('file-no-exam');
  if (!(await mayWriteIn(ctx, bank))) return FORBIDDEN;
  const given = archive.questions.map(({ body }) => body);
  const address = await pageNotAllowed(ctx.db.read, given);
  if (address !== null) return refuse('page-not-allowed', { values: { address } });
  for (const content of archive.media.values()) {
    const added = await addAnyMedia(ctx, content);
    if (!added.ok) return added;
  }
  const bodies = await withOwnPassages(ctx, given);
  const id = newId();
  return ctx.db.transaction(async (tx) => {
    const made = new Map<string, { question: string; revision: number }>();
    for (const [i, { question, revision, facts, topic }] of archive.questions.entries()) {
      const [named] = await tx
        .select({ id: topics.id })
        .from(topics)
        .where(and(eq(topics.bank, bank), eq(topics.name, topic.at(-1) ?? '')));
      const all = { ...facts, topic: named?.id ?? null, goals: [] };
      const body = bodies[i];
      if (!body) return NOT_FOUND;
      const own = await insertQuestion(tx, { bank, facts: all, body }, ctx.actor.id, ctx.now);
      const cut = await cutRevision(tx, own, ctx.actor.id, ctx.now);
      made.set(revisionKey(question, revision), { question: own, revision: cut ?? 1 });
    }
    const plan = placedAnew(archive.plan, made);
    if (!plan) return refuse('file-no-exam');
    await tx.insert(exams).values({
      id,
      course: null,
      title: plan.title,
      plan,
      version: 1,
      owner: ctx.actor.id,
      savedAt: ctx.now,
      origin: archive.plan,
    });
    return ok({ id });
  });
}

function readOrNull(bytes: Uint8Array): ExamArchive | null {
  try {
    return readExam(bytes);
  } catch {
    return null;
  }
}

/** A plan with the questions as they are called here; what is for some students only is theirs where it came from, and for everybody here. Null when one is missing. */
function placedAnew(
  plan: ExamPlan,
  made: ReadonlyMap<string, { question: string; revision: number }>,
): ExamPlan | null {
  const complete = placements(plan).every(({ item }) => made.has(revisionKey(item.question, item.revision)));
  if (!complete) return null;
  const { blueprint: _, ...rest } = plan;
  const sections = plan.sections.map(
    ({ only: __, ...section }): Section => ({
      ...section,
      items: section.items.map((item) => ({ ...item, ...made.get(revisionKey(item.question, item.revision)) })),
    }),
  );
  return { ...rest, sections };
}
