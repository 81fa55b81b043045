import { z } from 'zod';
import { factsSchema } from '../bank/facts';
import { placedSlots, questionForm, type QuestionBody } from '../bank/question';
import { readStored } from '../base/stored-form';
import { mediaOf } from '../content/document';
import { kindOf } from '../kinds/registry';
import { readZip, textIn, writeZip } from './zip';

/** The open archive of questions, version 1; `docs/formats.md` describes it. */
const FORMAT = 'zonda-questions';
const INDEX = 'questions.json';

const entry = z.object({
  body: z.unknown(),
  facts: factsSchema.omit({ topic: true, goals: true }),
  /** The names of the topics from the outermost to its own. */
  topic: z.array(z.string().max(80)).max(20),
  /** Codes of learning goals. */
  goals: z.array(z.string().max(30)).max(30),
});
const index = z.object({ format: z.literal(FORMAT), version: z.literal(1), questions: z.array(entry).max(20_000) });

export interface ArchivedQuestion extends Omit<z.infer<typeof entry>, 'body'> {
  body: QuestionBody;
}

export interface Archive {
  questions: ArchivedQuestion[];
  /** The bytes of every picture, recording and caption file, by its hash. */
  media: Map<string, Uint8Array>;
  /** Places of questions that could not be read, counted from 1. */
  unreadable: number[];
}

/** The hashes of everything that stands in a question. */
export function mediaIn(question: QuestionBody): string[] {
  const { content, explanation, passage } = question;
  const inSlots = placedSlots(question).flatMap(({ slot }) => kindOf(slot.kind).media?.of(slot.setup) ?? []);
  return [...[content, explanation, ...(passage ? [passage.content] : [])].flatMap(mediaOf), ...inSlots];
}

export function writeArchive({ questions, media }: Omit<Archive, 'unreadable'>): Uint8Array {
  const files = new Map<string, Uint8Array | string>();
  files.set(INDEX, JSON.stringify({ format: FORMAT, version: 1, questions }, null, 1));
  for (const [hash, bytes] of media) files.set(`media/${hash}`, bytes);
  return writeZip(files);
}

/**
 * Reads an archive; a question that does not read is told by its place and
 * left out. Throws ZipRefused, or an Error when it is no archive of questions.
 */
export function readArchive(bytes: Uint8Array): Archive {
  const files = readZip(bytes);
  const text = textIn(files, INDEX);
  if (text === null) throw new Error(`There is no ${INDEX}`);
  const { questions } = index.parse(JSON.parse(text));
  const archive: Archive = { questions: [], media: new Map(), unreadable: [] };
  questions.forEach(({ body, ...rest }, i) => {
    try {
      archive.questions.push({ ...rest, body: readStored(questionForm, body) });
    } catch {
      archive.unreadable.push(i + 1);
    }
  });
  for (const [name, content] of files) if (name.startsWith('media/')) archive.media.set(name.slice(6), content);
  return archive;
}
