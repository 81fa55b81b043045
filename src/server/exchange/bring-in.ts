import { fileTypeFromBuffer } from 'file-type';
import { type QuestionFacts } from '@/core/bank/facts';
import type { QuestionBody } from '@/core/bank/question';
import { ok, type Result, refuse } from '@/core/base/result';
import { FRESH_PICTURE, type PictureAttributes } from '@/core/content/document';
import { mediaIn, readArchive } from '@/core/exchange/archive';
import { linesFromDocx } from '@/core/exchange/docx';
import { linesFromText, type SourceLine } from '@/core/exchange/lines';
import { type Doubt, recognise } from '@/core/exchange/recognised';
import { type BadRow, questionsFromRows } from '@/core/exchange/rows';
import { splitDocument } from '@/core/exchange/split';
import { ZipRefused } from '@/core/exchange/zip';
import { may } from '@/core/people/may';
import { type Context, FORBIDDEN } from '../context';
import { addAnyMedia } from '../media/add-any';
import { addMedia } from '../media/add-media';
import { readMedia } from '../media/read-media';
import { linesFromPdf } from './pdf';
import { rowsFromCsv, rowsFromXlsx } from './spreadsheet';

/** The largest file that is read. */
export const MAX_FILE_BYTES = 50 * 1024 * 1024;
const MOST_QUESTIONS = 10_000;

/** A question that was found in a file, before anybody agreed to it. */
export interface BroughtItem {
  /** Its number or row in the file. */
  number: string;
  body: QuestionBody;
  facts: Pick<QuestionFacts, 'difficulty' | 'demand' | 'tags'>;
  /** Names of its topics, the outermost first; empty when the file says none. */
  topic: string[];
  /** Codes of learning goals. */
  goals: string[];
  doubts: (Doubt | 'picture-missing')[];
}

export interface BroughtIn {
  source: 'document' | 'spreadsheet' | 'archive';
  items: BroughtItem[];
  /** Lines that belong to no question. */
  left: string[];
  /** Rows with faults, each with its place and reason. */
  bad: BadRow[];
  unknownColumns: string[];
  /** Pictures of a PDF, which cannot come along. */
  picturesLost: number;
  /** A PDF knows no formulas: they are letters in a row. */
  fromPdf: boolean;
  /** Places in an archive that could not be read. */
  unreadable: number[];
}

const NOTHING = { picturesLost: 0, fromPdf: false, left: [], bad: [], unknownColumns: [], unreadable: [] };
const NO_FACTS = { difficulty: 1, demand: 'know' as const, tags: [] };

/** Reads questions from a file by what its bytes are, whatever its name says. Nothing is kept but pictures. */
export async function readForBringingIn(
  ctx: Context,
  { name, bytes }: { name: string; bytes: Uint8Array },
): Promise<Result<BroughtIn>> {
  if (!may(ctx.actor, 'build exams', null)) return FORBIDDEN;
  if (bytes.length === 0) return refuse('file-empty');
  if (bytes.length > MAX_FILE_BYTES) return refuse('file-too-large', { values: { most: MAX_FILE_BYTES / 1048576 } });
  try {
    const read = await readByKind(ctx, name, bytes);
    if (!read) return refuse('file-kind-unknown');
    if (read.items.length > MOST_QUESTIONS) return refuse('file-too-many', { values: { most: MOST_QUESTIONS } });
    return ok(read);
  } catch (error) {
    if (error instanceof ZipRefused && error.reason === 'too-large') return refuse('file-grows');
    return refuse('file-unreadable');
  }
}

async function readByKind(ctx: Context, name: string, bytes: Uint8Array): Promise<BroughtIn | null> {
  const type = await fileTypeFromBuffer(bytes);
  switch (type?.mime) {
    case 'application/vnd.openxmlformats-officedocument.wordprocessingml.document':
      return fromLines(await linesFromDocx(bytes, (picture) => keepPicture(ctx, picture)));
    case 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet':
      return fromRows(await rowsFromXlsx(bytes));
    case 'application/pdf': {
      const { lines, pictures } = await linesFromPdf(bytes);
      return { ...fromLines(lines), picturesLost: pictures, fromPdf: true };
    }
    case 'application/zip':
      return fromArchive(ctx, bytes);
  }
  // The mark of UTF-16 looks like the beginning of a sound.
  const text = type && !/\.(csv|tsv|txt|md)$/i.test(name) ? null : decodedText(bytes);
  if (text === null) return null;
  return /\.(csv|tsv)$/i.test(name) ? fromRows(rowsFromCsv(text)) : fromLines(linesFromText(text));
}

/**
 * The text of bytes in whatever programs save it: UTF-8, UTF-16 with its mark (Unicode Standard, 23.8), else the
 * one-byte letters of older spreadsheets (windows-1252, WHATWG Encoding). Null when it is no text.
 */
function decodedText(bytes: Uint8Array): string | null {
  const [first, second] = bytes;
  if (first === 0xff && second === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (first === 0xfe && second === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  if (bytes.includes(0)) return null;
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

async function keepPicture(ctx: Context, bytes: Uint8Array): Promise<PictureAttributes | null> {
  const added = await addMedia(ctx, bytes);
  if (!added.ok) return null;
  const { media, ratio, width } = added.value;
  return { ...FRESH_PICTURE, media, ratio, width: Math.round(Math.min(100, Math.max(20, width / 8))), description: '' };
}

function fromLines(lines: SourceLine[]): BroughtIn {
  const { questions, left } = splitDocument(lines);
  const items = questions.map((found): BroughtItem => ({ ...recognise(found), facts: NO_FACTS, topic: [], goals: [] }));
  return { ...NOTHING, source: 'document', items, left };
}

function fromRows(rows: string[][]): BroughtIn {
  const { questions, bad, unknownColumns } = questionsFromRows(rows);
  const items = questions.map(
    ({ row, body, facts, topic }): BroughtItem => ({
      number: String(row),
      body,
      facts,
      topic: topic === '' ? [] : [topic],
      goals: [],
      doubts: [],
    }),
  );
  return { ...NOTHING, source: 'spreadsheet', items, bad, unknownColumns };
}

async function fromArchive(ctx: Context, bytes: Uint8Array): Promise<BroughtIn> {
  const archive = readArchive(bytes);
  const there = new Set<string>();
  for (const content of archive.media.values()) {
    const added = await addAnyMedia(ctx, content);
    if (added.ok) there.add(added.value.media);
  }
  const known = async (hash: string): Promise<boolean> => there.has(hash) || (await readMedia(ctx, hash)) !== null;
  const items: BroughtItem[] = [];
  for (const [i, { body, facts, topic, goals }] of archive.questions.entries()) {
    const missing = (await Promise.all(mediaIn(body).map(known))).includes(false);
    items.push({ number: String(i + 1), body, facts, topic, goals, doubts: missing ? ['picture-missing'] : [] });
  }
  return { ...NOTHING, source: 'archive', items, unreadable: archive.unreadable };
}
