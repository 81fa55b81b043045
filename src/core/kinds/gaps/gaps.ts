import { onPlaces, whatIsRight } from '../../rules/placing/right';
import { writtenPlacing } from '../../rules/placing/lettered';
import { z } from 'zod';
import { type Finding, stops, warns } from '../../base/finding';
import { filledText, gapName, type Piece, piecesAround } from '../../content/gapped-text';
import { mediaShown, renamedShown, type Shown, shownMedia, shownOnSheet } from '../../content/shown';
import {
  acceptingWhatStands,
  byId,
  firstAccepted,
  leftOver,
  mixed,
  nearKey,
  oneOnEach,
  partId,
  type PlacedResponse,
} from '../../rules/placing/placed';
import { markPlaced, placeRules, PLACING_SCHEMES, putRules, worthOf } from '../../rules/placing/rules';
import type { KindWith } from '../contract';
import { eachDifferent } from '../each-different';
import { placedKind } from '../placed-kind';

/** So long a text can be, and so many gaps and tiles it can have. */
export const MOST_TEXT = 6000;
export const MOST_GAPS = 40;
export const MOST_TILES = 60;

const gap = z.object({
  id: partId,
  /** The stretch of the text that is taken out. */
  from: z.int().min(0).max(MOST_TEXT),
  to: z.int().min(0).max(MOST_TEXT),
  /** The tiles of which any one is right here. */
  accepts: z.array(partId).max(MOST_TILES),
  ...placeRules,
});

const setup = z.object({
  version: z.literal(1),
  /** With the words that are taken out. Plain text in which $…$ is a formula. */
  text: z.string().max(MOST_TEXT),
  /** In the order of the text, none over another. */
  gaps: z.array(gap).max(MOST_GAPS),
  /** What there is to put in; those that no gap accepts are distractors. */
  tiles: z.array(z.object({ id: partId, text: z.string().max(300), media: shownMedia.optional() })).max(MOST_TILES),
  /** Whether a tile may be put into several gaps. */
  again: z.boolean(),
  scheme: z.enum(PLACING_SCHEMES),
});
export type GapsSetup = z.infer<typeof setup>;
export type Gap = GapsSetup['gaps'][number];

export interface GapsSheet {
  pieces: Piece[];
  tiles: Shown[];
  again: boolean;
}

const keyOf = ({ gaps, again }: GapsSetup): PlacedResponse | null => firstAccepted(gaps, again);

const { inResponses, ...common } = placedKind('gaps', ({ gaps, tiles, again }: GapsSetup) =>
  oneOnEach(tiles, gaps, again),
);

const wordsOf = ({ text, gaps, tiles }: GapsSetup, { placed }: PlacedResponse): string =>
  filledText(piecesAround(text, gaps), placed, new Map(tiles.map((tile) => [tile.id, tile.text])));

function readiness(setup: GapsSetup): Finding[] {
  const { text, gaps, tiles, again } = setup;
  if (text.trim() === '') return [stops('gaps-no-text', ['text'])];
  if (gaps.length === 0) return [stops('gaps-none', ['gaps'])];
  const findings = eachDifferent(tiles, 'tiles');
  gaps.forEach(({ id, accepts }, i) => {
    if (accepts.length === 0) findings.push(stops('gap-empty', ['gaps', id], { number: i + 1 }));
  });
  const filled = gaps.filter(({ accepts }) => accepts.length > 0).length;
  if (!again && (keyOf(setup)?.placed.length ?? 0) < filled) findings.push(stops('gaps-shared', ['gaps']));
  if (leftOver(tiles, gaps).length === 0) findings.push(warns('gaps-no-distractor', ['tiles']));
  return findings;
}

/** Tiles to be put into the gaps of a text. */
export const gaps: KindWith<
  'marked' | 'parts' | 'media' | 'lettered' | 'partly',
  GapsSetup,
  GapsSheet,
  PlacedResponse
> = {
  ...common,
  placement: 'block',
  setup: { name: 'gaps setup', version: 1, schema: setup, migrations: [] },
  fresh: () => ({ version: 1, text: '', gaps: [], tiles: [], again: false, scheme: 'by-part' }),
  sheet: ({ text, gaps: all, tiles, again }, seed) => ({
    pieces: piecesAround(text, all),
    tiles: mixed(tiles, seed).map(shownOnSheet),
    again,
  }),
  readiness,
  describe: (whole) =>
    `${wordsOf(whole, { placed: [] })} / ${byId(whole.tiles)
      .map((tile) => tile.text)
      .join(' / ')}`,
  describeResponse: wordsOf,
  put(whole, put) {
    // Piece by piece, so that the gaps lie where they lay.
    let text = '';
    let at = 0;
    const moved = whole.gaps.map((one) => {
      text += put(whole.text.slice(at, one.from), 'words');
      const from = text.length;
      text += whole.text.slice(one.from, one.to);
      at = one.to;
      return { ...putRules(one, put), from, to: text.length };
    });
    text += put(whole.text.slice(at), 'words');
    const tiles = whole.tiles.map((tile) => ({ ...tile, text: put(tile.text, 'words') }));
    return { ...whole, text, gaps: moved, tiles };
  },
  marked: {
    mark({ gaps: all, tiles, scheme }, { placed }) {
      const named = new Map(tiles.map((tile) => [tile.id, tile.text]));
      return markPlaced(
        all.map((one, i) => ({ ...one, name: gapName(i) })),
        placed.map(({ item, place }) => ({ at: place, what: item, name: named.get(item) ?? '' })),
        scheme,
      );
    },
    key: keyOf,
    describeKey: (whole) => wordsOf(whole, keyOf(whole) ?? { placed: [] }),
    fixedKeyPlace: () => null,
    worth: (whole) => worthOf(whole.gaps),
    keyed: (whole, response) => ({ ...whole, gaps: whole.gaps.map((one) => acceptingWhatStands(one, response)) }),
    tryouts: (whole) => nearKey(keyOf(whole)?.placed ?? []),
  },
  parts: {
    of: ({ gaps: all, tiles }) => [...all, ...tiles].map(({ id }) => id),
    ...inResponses,
    rename: ({ pieces, tiles, again }, names) => ({
      pieces: pieces.map((piece) => (piece.id === null ? piece : { ...piece, id: names.get(piece.id) ?? piece.id })),
      tiles: byId(tiles.map((tile) => renamedShown(tile, names))),
      again,
    }),
  },
  partly: {
    right: ({ gaps: all }, response) => whatIsRight(response, onPlaces(all)),
  },
  lettered: {
    crossed: () => 0,
    written: ({ pieces, tiles }, response) =>
      writtenPlacing(
        tiles,
        pieces.flatMap(({ id }) => (id === null ? [] : [{ id }])),
        response,
      ),
  },
  media: { of: ({ tiles }) => mediaShown(tiles) },
};
