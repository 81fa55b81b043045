import { z } from 'zod';
import { type Finding, warns } from '../../base/finding';
import { fileOfPage } from '../../content/anchors';
import { handedFile } from '../../content/handed-file';
import { takesName } from '../../content/takes';
import { type Corners, isSheet } from '../../pictures/straighten';
import type { KindWith } from '../contract';

/** The most pages or files that a slot takes. */
export const MOST_PAGES = 30;

const setup = z.object({
  version: z.literal(1),
  /** Photographed or scanned pages, documents, or anything. */
  takes: z.enum(['pages', 'documents', 'any']),
  most: z.number().int().min(1).max(MOST_PAGES),
  /** What whoever marks looks for; no student sees it. */
  example: z.string().max(10_000),
});
export type HandInSetup = z.infer<typeof setup>;

const part = z.number().min(0).max(1);
const corner = z.object({ x: part, y: part });
const page = handedFile.extend({
  /** Quarter turns to the right. */
  turn: z.number().int().min(0).max(3),
  /** The corners of the sheet in the picture as it was taken, in parts of its width and height; null where it is shown as a whole. */
  corners: z
    .tuple([corner, corner, corner, corner])
    .refine((corners: Corners) => isSheet(corners))
    .nullable(),
});
export type HandedPage = z.infer<typeof page>;

/** The pages in their order. */
const response = z.object({ pages: z.array(page).max(MOST_PAGES) });
export type HandInResponse = z.infer<typeof response>;

export type HandInSheet = Pick<HandInSetup, 'takes' | 'most'>;

function readiness({ example }: HandInSetup): Finding[] {
  return example.trim() === '' ? [warns('no-example', ['example'])] : [];
}

/** Files that are handed in: photographed pages in their order, documents, or anything. A person looks at them. */
export const handIn: KindWith<'files' | 'judged', HandInSetup, HandInSheet, HandInResponse> = {
  name: 'handIn',
  placement: 'block',
  setup: { name: 'hand in setup', version: 1, schema: setup, migrations: [] },
  response: { name: 'hand in response', version: 1, schema: response, migrations: [] },
  accepts: ({ takes, most }, { pages }) =>
    pages.length <= most &&
    new Set(pages.map(({ hash }) => hash)).size === pages.length &&
    pages.every(({ name }) => takesName(takes, name)),
  fresh: () => ({ version: 1, takes: 'pages', most: 5, example: '' }),
  blank: ({ pages }) => pages.length === 0,
  sheet: ({ takes, most }) => ({ takes, most }),
  readiness,
  describe: () => '…',
  describeResponse: (_, { pages }) => pages.map(({ name }) => `[${name}]`).join('\n'),
  gist: (_, { pages }) => pages.map(({ hash, turn }) => `${hash} ${turn}`).join(' '),
  looksFor: ({ example }) => example,
  put: (given, put) => ({ ...given, example: put(given.example, 'words') }),
  files: { of: ({ pages }) => pages },
  judged: {
    holds: (_, { pages }, anchor) =>
      (anchor.at === 'spot' || anchor.at === 'drawn') && pages.some(({ hash }) => hash === fileOfPage(anchor.page)),
    somewhere: (_, { pages }) => (pages[0] ? { at: 'spot', page: pages[0].hash, x: 0.5, y: 0.5, w: 0, h: 0 } : null),
  },
};
