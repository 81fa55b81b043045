import { z } from 'zod';

/**
 * The rich content of a question, an instruction or an explanation: a
 * validated document, never HTML. The node names are those of the editor, so
 * that what is written is what is stored. Answer slots are nodes that carry
 * only the id of a slot; what the slot is lives beside the document.
 */
const mark = z.object({ type: z.enum(['bold', 'italic', 'subscript', 'superscript', 'code']) });

const text = z.object({
  type: z.literal('text'),
  text: z.string().min(1).max(50_000),
  marks: z.array(mark).max(5).optional(),
});
const hardBreak = z.object({ type: z.literal('hardBreak') });
const formula = z.object({
  type: z.literal('formula'),
  attrs: z.object({ latex: z.string().max(2000) }),
});
export const slotId = z.string().regex(/^[a-z0-9]{1,24}$/);
const inlineSlot = z.object({ type: z.literal('inlineSlot'), attrs: z.object({ id: slotId }) });
const inline = z.discriminatedUnion('type', [text, hardBreak, formula, inlineSlot]);

const paragraph = z.object({ type: z.literal('paragraph'), content: z.array(inline).max(2000).optional() });
const heading = z.object({
  type: z.literal('heading'),
  attrs: z.object({ level: z.union([z.literal(2), z.literal(3)]) }),
  content: z.array(inline).max(500).optional(),
});
const blockFormula = z.object({
  type: z.literal('blockFormula'),
  attrs: z.object({ latex: z.string().max(5000) }),
});
export const mediaHash = z.string().regex(/^[a-f0-9]{64}$/);
/** A place on a picture, in percent of its width and height from the upper left corner. */
const place = z.object({ x: z.number().min(0).max(100), y: z.number().min(0).max(100) });
const pictureLabel = z.object({
  text: z.string().max(120),
  /** The middle of the words. */
  at: place,
  /** What they point at; null for words without a line. */
  to: place.nullable(),
});
export type PictureLabel = z.infer<typeof pictureLabel>;
export const pictureLabels = z.array(pictureLabel).max(40);
const picture = z.object({
  type: z.literal('picture'),
  attrs: z.object({
    media: mediaHash,
    /** What a person who cannot see the picture needs to know. Empty: not yet described. */
    description: z.string().max(1000),
    /** Width as a share of the sheet, in percent. */
    width: z.number().min(5).max(100),
    /** Width over height of the stored picture, so that the sheet does not jump while it loads. */
    ratio: z.number().positive().max(100),
    align: z.enum(['left', 'center', 'right']).default('left'),
    /** Stands below the picture, for everybody. */
    caption: z.string().max(500).default(''),
    /** Whether students may enlarge it and put it away. */
    enlarge: z.boolean().default(true),
    /** Words over the picture, with or without a line to what they mean. */
    labels: pictureLabels.default([]),
  }),
});
/** The picture that a slot is about: to be labelled, or pointed at. */
export const slotPicture = z.object({
  media: mediaHash,
  /** Width over height. */
  ratio: z.number().positive().max(100),
  /** How many pixels wide it is stored; left out for drawings, which have none, and where it is not known. */
  pixels: z.int().min(1).optional(),
  description: z.string().max(1000),
});
export type SlotPicture = z.infer<typeof slotPicture>;
/** A sound or a film of the department's own. */
const recording = z.object({
  type: z.literal('recording'),
  attrs: z.object({
    media: mediaHash,
    medium: z.enum(['sound', 'film']),
    /** What it is, said before it is played; also for those who cannot hear it. */
    description: z.string().max(1000),
    /** Captions as WebVTT, kept as media too; null while there are none. */
    captions: mediaHash.nullable(),
  }),
});
export type RecordingAttributes = z.infer<typeof recording>['attrs'];
/** A file to take along: a data sheet, a table of values. */
const file = z.object({
  type: z.literal('file'),
  attrs: z.object({
    media: mediaHash,
    /** Under which name it is saved. */
    name: z.string().min(1).max(200),
    /** In bytes. */
    size: z.number().int().min(0),
  }),
});
export type FileAttributes = z.infer<typeof file>['attrs'];
/** A web page or simulation by its address; which may stand here is the department's to say. */
const page = z.object({
  type: z.literal('page'),
  attrs: z.object({
    address: z.string().min(1).max(1000),
    /** What it is; also what is shown when it cannot be reached. */
    description: z.string().max(1000),
    /** In pixels of the sheet. */
    height: z.number().int().min(120).max(1200),
  }),
});
export type PageAttributes = z.infer<typeof page>['attrs'];
const codeBlock = z.object({
  type: z.literal('codeBlock'),
  content: z
    .array(z.object({ type: z.literal('text'), text: z.string().min(1).max(20_000) }))
    .max(50)
    .optional(),
});
const blockSlot = z.object({ type: z.literal('blockSlot'), attrs: z.object({ id: slotId }) });

export type Inline = z.infer<typeof inline>;
type Leaf =
  | z.infer<typeof paragraph>
  | z.infer<typeof heading>
  | z.infer<typeof blockFormula>
  | z.infer<typeof codeBlock>;
export type Block =
  | Leaf
  | z.infer<typeof picture>
  | z.infer<typeof recording>
  | z.infer<typeof file>
  | z.infer<typeof page>
  | z.infer<typeof blockSlot>
  | List
  | Table;
interface List {
  type: 'bulletList' | 'orderedList';
  content: { type: 'listItem'; content: Block[] }[];
}
interface Table {
  type: 'table';
  content: { type: 'tableRow'; content: Cell[] }[];
}
export interface Cell {
  type: 'tableCell' | 'tableHeader';
  attrs?: {
    colspan?: number;
    rowspan?: number;
    /** Widths of the columns it spans, in pixels of the sheet; null where it was not set. */
    colwidth?: number[] | null;
  };
  content: Block[];
}

export type PictureAttributes = z.infer<typeof picture>['attrs'];

/** How a picture stands until somebody says otherwise. */
export const FRESH_PICTURE: Pick<PictureAttributes, 'align' | 'caption' | 'enlarge' | 'labels'> = {
  align: 'left',
  caption: '',
  enlarge: true,
  labels: [],
};

const block: z.ZodType<Block> = z.lazy(() =>
  z.union([paragraph, heading, blockFormula, codeBlock, picture, recording, file, page, blockSlot, list, table]),
);
const list: z.ZodType<List> = z.object({
  type: z.enum(['bulletList', 'orderedList']),
  content: z.array(z.object({ type: z.literal('listItem'), content: z.array(block).max(50) })).max(200),
});
const span = z.number().int().min(1).max(50).optional();
const cell: z.ZodType<Cell> = z.object({
  type: z.enum(['tableCell', 'tableHeader']),
  attrs: z
    .object({ colspan: span, rowspan: span, colwidth: z.array(z.number().min(20).max(2000)).max(50).nullish() })
    .optional(),
  content: z.array(block).max(50),
});
const table: z.ZodType<Table> = z.object({
  type: z.literal('table'),
  content: z.array(z.object({ type: z.literal('tableRow'), content: z.array(cell).max(30) })).max(200),
});

export const contentSchema = z.object({
  type: z.literal('doc'),
  content: z.array(block).max(500),
});
export type Content = z.infer<typeof contentSchema>;
export type ContentNode = Block | Inline | List['content'][number] | Table['content'][number] | Cell;

export const emptyContent: Content = { type: 'doc', content: [{ type: 'paragraph' }] };

/** The document without empty paragraphs at its end, which the editor leaves as a place to go on writing. */
export function withoutEmptyEnd(content: Content): Content {
  const last = content.content.findLastIndex((block) => block.type !== 'paragraph' || (block.content?.length ?? 0) > 0);
  return last === content.content.length - 1 ? content : { ...content, content: content.content.slice(0, last + 1) };
}

/** Every node of the document in reading order. */
export function* nodesOf(content: Content): Generator<ContentNode> {
  function* walk(node: ContentNode): Generator<ContentNode> {
    yield node;
    if ('content' in node && node.content) {
      for (const child of node.content as ContentNode[]) yield* walk(child);
    }
  }
  for (const node of content.content) yield* walk(node);
}

/** The pictures, sounds, films and files of the document with their captions, in reading order, by their hashes. */
export function mediaOf(content: Content): string[] {
  return [...nodesOf(content)].flatMap((node) => {
    if (node.type === 'picture' || node.type === 'file') return [node.attrs.media];
    return node.type === 'recording' ? [node.attrs.media, ...(node.attrs.captions ? [node.attrs.captions] : [])] : [];
  });
}

const knownSlots = new WeakMap<Content, readonly string[]>();

/** The ids of the answer slots in reading order, each once. Looked for once in each document, since documents never change. */
export function slotIds(content: Content): readonly string[] {
  const known = knownSlots.get(content);
  if (known) return known;
  const ids = new Set<string>();
  for (const node of nodesOf(content)) {
    if (node.type === 'inlineSlot' || node.type === 'blockSlot') ids.add(node.attrs.id);
  }
  const found = [...ids];
  knownSlots.set(content, found);
  return found;
}
