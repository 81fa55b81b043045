import { z } from 'zod';
import { factsSchema } from '../bank/facts';
import { questionForm, type QuestionBody } from '../bank/question';
import { readStored } from '../base/stored-form';
import { type ExamPlan, examForm } from './plan';
import { readZip, textIn, writeZip } from '../exchange/zip';

/** An exam as an open archive, version 1, and the answers to one; `docs/formats.md` describes both. */
const EXAM = 'exam.json';
const ANSWERS = 'answers.json';

const placed = z.object({
  /** As the plan names it. */
  question: z.string().max(40),
  revision: z.number().int().min(1),
  body: z.unknown(),
  facts: factsSchema.omit({ topic: true, goals: true }),
  topic: z.array(z.string().max(80)).max(20),
});
const examIndex = z.object({
  format: z.literal('zonda-exam'),
  version: z.literal(1),
  plan: z.unknown(),
  questions: z.array(placed).max(6000),
});

export interface PlacedQuestion extends Omit<z.infer<typeof placed>, 'body'> {
  body: QuestionBody;
}

export interface ExamArchive {
  plan: ExamPlan;
  questions: PlacedQuestion[];
  /** The bytes of every picture, recording and caption file, by its hash. */
  media: ReadonlyMap<string, Uint8Array>;
}

export function writeExam({ plan, questions, media }: ExamArchive): Uint8Array {
  const index = { format: 'zonda-exam', version: 1, plan, questions };
  const files = new Map<string, Uint8Array | string>([[EXAM, JSON.stringify(index)]]);
  for (const [hash, bytes] of media) files.set(`media/${hash}`, bytes);
  return writeZip(files);
}

/** Reads an exam with all of its questions. Throws ZipRefused, or an Error when it is no exam or one of its questions does not read. */
export function readExam(bytes: Uint8Array): ExamArchive {
  const files = readZip(bytes);
  const { plan, questions } = examIndex.parse(JSON.parse(textIn(files, EXAM) ?? 'null'));
  const read = questions.map(({ body, ...rest }) => ({ ...rest, body: readStored(questionForm, body) }));
  return { plan: readStored(examForm, plan), questions: read, media: folder(files, 'media/') };
}

const attempt = z.object({
  id: z.string().max(40),
  name: z.string().max(200),
  seed: z.number().int(),
  without: z.array(z.string().max(40)).max(30),
  startedAt: z.number().int(),
  handedInAt: z.number().int(),
  minutes: z.number().int().min(1),
  answers: z.record(z.string(), z.record(z.string(), z.unknown())),
  hints: z.record(z.string(), z.number().int().min(0).max(10)),
  files: z.array(z.object({ hash: z.string().regex(/^[a-f0-9]{64}$/), name: z.string().max(300) })).max(200),
});
export type ArchivedAttempt = z.infer<typeof attempt>;

const answersIndex = z.object({
  format: z.literal('zonda-answers'),
  version: z.literal(1),
  title: z.string().max(200),
  /** The plan of the exam where it came from. */
  plan: z.unknown(),
  attempts: z.array(attempt).max(5000),
});

export interface AnswersArchive {
  title: string;
  plan: ExamPlan;
  attempts: ArchivedAttempt[];
  /** The bytes of files beside answers, by hash. */
  files: ReadonlyMap<string, Uint8Array>;
}

export function writeAnswers({ title, plan, attempts, files: handed }: AnswersArchive): Uint8Array {
  const index = { format: 'zonda-answers', version: 1, title, plan, attempts };
  const files = new Map<string, Uint8Array | string>([[ANSWERS, JSON.stringify(index)]]);
  for (const [hash, bytes] of handed) files.set(`files/${hash}`, bytes);
  return writeZip(files);
}

/** Reads the answers to an exam. Throws ZipRefused, or an Error when they are none. */
export function readAnswers(bytes: Uint8Array): AnswersArchive {
  const files = readZip(bytes);
  const { title, plan, attempts } = answersIndex.parse(JSON.parse(textIn(files, ANSWERS) ?? 'null'));
  return { title, plan: readStored(examForm, plan), attempts, files: folder(files, 'files/') };
}

function folder(files: ReadonlyMap<string, Uint8Array>, name: string): Map<string, Uint8Array> {
  return new Map(
    [...files].flatMap(([path, bytes]) => (path.startsWith(name) ? [[path.slice(name.length), bytes] as const] : [])),
  );
}
