import type { QuestionFacts } from '@/core/bank/facts';
import type { QuestionBody } from '@/core/bank/question';
import { ok, type Result, refuse } from '@/core/base/result';
import { FRESH_PICTURE, type PictureAttributes } from '@/core/content/document';
import { mediaIn } from '@/core/exchange/archive';
import type { Doubt } from '@/core/exchange/recognised';
import type { BadRow } from '@/core/exchange/rows';
import { may } from '@/core/people/may';
import { type Context, FORBIDDEN } from '../context';
import { addAnyMedia } from '../media/add-any';
import { addMedia } from '../media/add-media';
import { readMedia } from '../media/read-media';
import { readApart } from './read-apart';
import type { FileRead } from './read-file';

/** The largest file that is read. */
export const MAX_FILE_BYTES = 50 * 1024 * 1024;

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

/** Reads questions from a file. Nothing is kept but pictures. */
export async function readForBringingIn(
  ctx: Context,
  { name, bytes }: { name: string; bytes: Uint8Array },
): Promise<Result<BroughtIn>> {
  if (!may(ctx.actor, 'build exams', null)) return FORBIDDEN;
  if (bytes.length === 0) return refuse('file-empty');
  if (bytes.length > MAX_FILE_BYTES) return refuse('file-too-large', { values: { most: MAX_FILE_BYTES / 1048576 } });
  const file = await readApart(name, bytes);
  if (!file.ok) return file;
  const read = await broughtIn(ctx, file.value);
  return read ? ok(read) : refuse('file-kind-unknown');
}

async function broughtIn(ctx: Context, file: FileRead): Promise<BroughtIn | null> {
  if (file.is === 'document') return fromDocument(ctx, file);
  if (file.is === 'archive') return fromArchive(ctx, file);
  if (file.is === 'unknown') return null;
  const items = file.questions.map(
    ({ row, body, facts, topic }): BroughtItem => ({
      number: String(row),
      body,
      facts,
      topic: topic === '' ? [] : [topic],
      goals: [],
      doubts: [],
    }),
  );
  return { ...NOTHING, source: 'spreadsheet', items, bad: file.bad, unknownColumns: file.unknownColumns };
}

async function fromDocument(ctx: Context, file: Extract<FileRead, { is: 'document' }>): Promise<BroughtIn> {
  const kept = new Map<string, PictureAttributes | null>();
  for (const [hash, bytes] of file.pictures) kept.set(hash, await keepPicture(ctx, bytes));
  const items = file.questions.map(
    (found): BroughtItem => ({
      ...found,
      body: withPictures(found.body, kept),
      facts: NO_FACTS,
      topic: [],
      goals: [],
    }),
  );
  const { left, picturesLost, fromPdf } = file;
  return { ...NOTHING, source: 'document', items, left, picturesLost, fromPdf };
}

async function keepPicture(ctx: Context, bytes: Uint8Array): Promise<PictureAttributes | null> {
  const added = await addMedia(ctx, bytes);
  if (!added.ok) return null;
  const { media, ratio, width } = added.value;
  return { ...FRESH_PICTURE, media, ratio, width: Math.round(Math.min(100, Math.max(20, width / 8))), description: '' };
}

/** A question with its pictures as they were kept; an empty line stands where one was refused. */
function withPictures(body: QuestionBody, kept: ReadonlyMap<string, PictureAttributes | null>): QuestionBody {
  return JSON.parse(JSON.stringify(body), (_, node: unknown) => {
    if (node === null || typeof node !== 'object' || !('type' in node) || node.type !== 'picture') return node;
    const { media } = (node as { type: 'picture'; attrs: PictureAttributes }).attrs;
    if (!kept.has(media)) return node;
    const attrs = kept.get(media);
    return attrs ? { ...node, attrs } : { type: 'paragraph' };
  }) as QuestionBody;
}

async function fromArchive(ctx: Context, archive: Extract<FileRead, { is: 'archive' }>): Promise<BroughtIn> {
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
