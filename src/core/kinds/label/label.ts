import { z } from 'zod';
import { shuffled } from '../../base/random';
import { type Margin, placeName, type Spot } from '../../content/board';
import { mediaHash } from '../../content/document';
import {
  type Arrangement,
  byId,
  canStand,
  firstAccepted,
  nearKey,
  partId,
  placedGist,
  placedResponse,
  type PlacedResponse,
  renamed,
  spokenOf,
} from '../../rules/placing/placed';
import { markPlaced, PLACING_SCHEMES } from '../../rules/placing/rules';
import type { KindWith } from '../contract';
import { readiness } from './readiness';

export const MOST_PLACES = 40;
export const MOST_NAMES = 60;

const side = z.number().min(0).max(100);
const margin = z.object({ top: side, right: side, bottom: side, left: side });

const spot: z.ZodType<Spot> = z.object({ x: z.number().min(-100).max(200), y: z.number().min(-100).max(200) });

const place = z.object({
  id: partId,
  /** Where the writing line stands: its end towards the picture on the white beside it, else its middle. */
  at: spot,
  /** The spot on the picture that its pointer line leads to; null for a line without one. */
  foot: spot.nullable(),
  /** Names that are right here. */
  accepts: z.array(partId).max(MOST_NAMES),
  /** For those who cannot see where it points; never the name. */
  description: z.string().max(300),
  /** Said to a student who put a wrong name here. */
  feedback: z.string().max(1000),
});
export type LabelPlace = z.infer<typeof place>;

const name = z.object({
  id: partId,
  /** Plain text in which $…$ is a formula. */
  text: z.string().max(300),
});
export type LabelName = z.infer<typeof name>;

const setup = z.object({
  version: z.literal(1),
  picture: z
    .object({
      media: mediaHash,
      /** Width over height. */
      ratio: z.number().positive().max(100),
      description: z.string().max(1000),
    })
    .nullable(),
  margin,
  /** In the order in which they are numbered and gone through by keys. */
  places: z.array(place).max(MOST_PLACES),
  /** What can be put on places; those that no place accepts are left over. */
  names: z.array(name).max(MOST_NAMES),
  /** Whether a name may be used again and again. */
  again: z.boolean(),
  /** How the names stand in the list: mixed anew for everybody, or by the alphabet. Never in the author's order, which is that of the places. */
  list: z.enum(['mixed', 'alphabet']),
  scheme: z.enum(PLACING_SCHEMES),
});
export type LabelSetup = z.infer<typeof setup>;

export interface LabelSheet {
  picture: LabelSetup['picture'];
  margin: Margin;
  places: Pick<LabelPlace, 'id' | 'at' | 'foot' | 'description'>[];
  names: LabelName[];
  again: boolean;
  list: LabelSetup['list'];
}

/** By their words, the same on every machine; equal ones by their ids. */
const byWords = (names: readonly LabelName[]): LabelName[] =>
  byId(names).sort((a, b) => (a.text === b.text ? 0 : a.text < b.text ? -1 : 1));

const keyOf = ({ places, again }: LabelSetup): PlacedResponse | null => firstAccepted(places, again);

const arrangement = ({ places, names, again }: LabelSetup): Arrangement => ({
  items: names.map(({ id }) => id),
  places: places.map(({ id }) => ({ id, most: 1 })),
  again,
});

function wordsOf({ places, names }: LabelSetup, { placed }: PlacedResponse): string {
  const named = new Map(names.map(({ id, text }) => [id, text]));
  return places
    .flatMap(({ id }, i) => placed.filter((one) => one.place === id).map(({ item }) => `${i + 1} ${named.get(item)}`))
    .join('; ');
}

/** Names to be put where they belong on a picture. */
export const label: KindWith<'marked' | 'parts' | 'media', LabelSetup, LabelSheet, PlacedResponse> = {
  name: 'label',
  placement: 'block',
  setup: { name: 'label setup', version: 1, schema: setup, migrations: [] },
  response: { name: 'label response', version: 1, schema: placedResponse, migrations: [] },
  accepts: (setup, { placed }) => canStand(arrangement(setup), placed),
  fresh: () => ({
    version: 1,
    picture: null,
    margin: { top: 0, right: 0, bottom: 0, left: 0 },
    places: [],
    names: [],
    again: false,
    list: 'mixed',
    scheme: 'by-part',
  }),
  blank: ({ placed }) => placed.length === 0,
  sheet({ picture, margin: white, places, names, again, list }, seed) {
    const known = list === 'alphabet' ? byWords(names) : byId(names);
    return {
      picture,
      margin: white,
      places: places.map(({ id, at, foot, description }) => ({ id, at, foot, description })),
      names: list === 'mixed' && seed !== null ? shuffled(known, seed) : known,
      again,
      list,
    };
  },
  readiness,
  describe: ({ picture, names }) => [picture?.description ?? '', ...byWords(names).map(({ text }) => text)].join(' / '),
  describeResponse: wordsOf,
  gist: (_, given) => placedGist(given),
  put: (setup, put) => ({
    ...setup,
    picture: setup.picture && { ...setup.picture, description: put(setup.picture.description, 'words') },
    places: setup.places.map((one) => ({
      ...one,
      description: put(one.description, 'words'),
      feedback: put(one.feedback, 'words'),
    })),
    names: setup.names.map((one) => ({ ...one, text: put(one.text, 'words') })),
  }),
  marked: {
    mark({ places, names, scheme }, { placed }) {
      const named = new Map(names.map(({ id, text }) => [id, text]));
      return markPlaced(
        places.map(({ id, accepts, feedback }, i) => ({ id, name: placeName(i), accepts, feedback })),
        placed.map(({ item, place: at }) => ({ at, what: item, name: named.get(item) ?? '' })),
        scheme,
      );
    },
    key: keyOf,
    describeKey: (setup) => wordsOf(setup, keyOf(setup) ?? { placed: [] }),
    fixedKeyPlace: () => null,
    tryouts: (setup) => nearKey(keyOf(setup)?.placed ?? []),
  },
  parts: {
    of: ({ places, names }) => [...places, ...names].map(({ id }) => id),
    spokenOf,
    rename(sheet, own) {
      const names = sheet.names.map(({ id, text }) => ({ id: own.get(id) ?? id, text }));
      return {
        ...sheet,
        places: sheet.places.map((one) => ({ ...one, id: own.get(one.id) ?? one.id })),
        names: sheet.list === 'alphabet' ? byWords(names) : byId(names),
      };
    },
    inNames: renamed,
  },
  media: { of: ({ picture }) => (picture ? [picture.media] : []) },
};
