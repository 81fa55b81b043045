import { and, eq } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { mediaHash } from '@/core/content/document';
import { type PaperQuestion, paperQuestions } from '@/core/exams/paper';
import type { Spoken } from '@/core/kinds/contract';
import { type AnyKind, kindOf } from '@/core/kinds/registry';
import { readResponse, storedResponse } from '@/core/kinds/response';
import { may } from '@/core/people/may';
import { isOver } from '@/core/sittings/attempt';
import type { Understood } from '@/core/speech/understood';
import { type Context, FORBIDDEN, NOT_FOUND, type Outside, parse } from '../context';
import type { Reader } from '../db/database';
import { answersNow, heard } from '../db/schema/attempts';
import { readMedia } from '../media/read-media';
import { type Answers, type AttemptRow, currentAnswers, findAttempt } from './attempts';
import { paperOf } from './pinned';
import { inStages } from './stages';

type SpokenKind = AnyKind & { spoken: Spoken<unknown, unknown> };

/** A spoken answer of an attempt. */
interface SpokenAnswer {
  item: string;
  slot: string;
  kind: SpokenKind;
  setup: unknown;
  response: unknown;
  /** Of the recording. */
  hash: string;
}

/** The answers to these questions that are spoken. */
function spokenAnswers(questions: readonly PaperQuestion[], answers: Answers): SpokenAnswer[] {
  return questions.flatMap(({ id: item, question }) =>
    Object.entries(question.slots).flatMap(([slot, { kind: name, setup }]): SpokenAnswer[] => {
      const kind = kindOf(name);
      const given = kind.spoken && readResponse(kind, answers[item]?.[slot]);
      const recording = given && kind.spoken?.recording(given.response);
      if (!kind.spoken || !given || !recording) return [];
      return [
        { item, slot, kind: { ...kind, spoken: kind.spoken }, setup, response: given.response, hash: recording.hash },
      ];
    }),
  );
}

type Place = Pick<SpokenAnswer, 'item' | 'slot'>;

/** What was understood of the recordings of one place, by their hashes. */
export async function heardAt(
  read: Reader,
  attempt: string,
  { item, slot }: Place,
): Promise<ReadonlyMap<string, Understood>> {
  const rows = await read
    .select({ hash: heard.hash, understood: heard.understood })
    .from(heard)
    .where(and(eq(heard.attempt, attempt), eq(heard.item, item), eq(heard.slot, slot)));
  return new Map(rows.map(({ hash, understood }) => [hash, understood]));
}

/** A spoken response as the server heard it, whatever its page says of that. */
export async function asHeard(
  read: Reader,
  attempt: string,
  place: Place,
  spoken: SpokenKind['spoken'],
  response: unknown,
): Promise<unknown> {
  const hash = spoken.recording(response)?.hash;
  const understood = hash === undefined ? undefined : (await heardAt(read, attempt, place)).get(hash);
  return spoken.withUnderstood(response, understood ?? null);
}

/** How many recordings of a place are listened to while it is written, where it may be said as often as one likes. */
const MOST_HEARD = 50;

const asked = z.object({ hash: mediaHash });

/**
 * Listens to the recording of a spoken answer that has arrived, and tells the student what was understood. A recording
 * is listened to once; no more different ones than the slot may be said, since each would tell something.
 */
export async function hearAnswer(ctx: Context, id: string, raw: unknown): Promise<Result<Understood>> {
  const parsed = parse(asked, raw);
  if (!parsed.ok) return parsed;
  const { read } = ctx.db;
  const found = await findAttempt(read, id, ctx.now);
  if (!found) return NOT_FOUND;
  if (!may(ctx.actor, 'write attempt', found)) return FORBIDDEN;
  const { paper } = await paperOf(read, found.attempt);
  const answer = spokenAnswers(paperQuestions(paper), await currentAnswers(read, id)).find(
    ({ hash }) => hash === parsed.value.hash,
  );
  if (!answer) return refuse('not-said-yet');
  const stages = await inStages(read, found);
  const state = stages ? stages.stateOf(answer.item) : found.state;
  if (!state || isOver(state, ctx.now)) return refuse('door-over');
  const before = await heardAt(read, id, answer);
  const known = before.get(answer.hash);
  if (known) return ok(known);
  if (before.size >= (answer.kind.spoken.tries(answer.setup) ?? MOST_HEARD)) return refuse('said-too-often');
  return ok(await hearOnce(ctx, id, answer));
}

async function hearOnce(out: Outside, attempt: string, answer: SpokenAnswer): Promise<Understood> {
  const { item, slot, kind, setup, hash } = answer;
  const recording = (await out.files.get(hash)) ?? new Uint8Array();
  const samples: { words: string; sound: Uint8Array }[] = [];
  for (const { words, sound } of kind.spoken.samples(setup)) {
    const stored = await readMedia(out, sound);
    if (stored) samples.push({ words, sound: stored.bytes });
  }
  const understood = await out.recogniser.hear({ recording, samples });
  await out.db.transaction((tx) =>
    tx.insert(heard).values({ attempt, item, slot, hash, understood, at: out.now }).onConflictDoNothing(),
  );
  return understood;
}

/**
 * Listens to what nobody has listened to yet among the spoken answers of an attempt, or of one of its questions, and
 * writes what was understood into the answers, so that rules can mark them.
 */
export async function hearBeforeMarking(
  out: Outside,
  attempt: Pick<AttemptRow, 'id' | 'sitting' | 'seed' | 'without'>,
  only?: string,
): Promise<void> {
  const { read } = out.db;
  const { paper } = await paperOf(read, attempt);
  const questions = paperQuestions(paper).filter(({ id }) => only === undefined || id === only);
  if (!questions.some(({ question }) => Object.values(question.slots).some(({ kind }) => kindOf(kind).spoken))) return;
  for (const answer of spokenAnswers(questions, await currentAnswers(read, attempt.id))) {
    const { item, slot, kind, hash, response } = answer;
    if (kind.spoken.understood(response)) continue;
    const understood = (await heardAt(read, attempt.id, answer)).get(hash) ?? (await hearOnce(out, attempt.id, answer));
    const place = and(eq(answersNow.attempt, attempt.id), eq(answersNow.item, item), eq(answersNow.slot, slot));
    await out.db.transaction(async (tx) => {
      const [row] = await tx.select({ value: answersNow.value }).from(answersNow).where(place);
      const now = readResponse(kind, row?.value);
      // It may have been said anew meanwhile.
      if (!now || kind.spoken.recording(now.response)?.hash !== hash) return;
      const value = storedResponse(kind, kind.spoken.withUnderstood(now.response, understood));
      await tx.update(answersNow).set({ value }).where(place);
    });
  }
}
