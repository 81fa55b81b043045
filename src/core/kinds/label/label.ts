import { onPlaces, whatIsRight } from '../../rules/placing/right';
import { writtenPlacing } from '../../rules/placing/lettered';
import { z } from 'zod';
import { shuffled } from '../../base/random';
import { type Margin, placeName, type Spot } from '../../content/board';
import { slotPicture, type SlotPicture } from '../../content/document';
import { mediaShown, renamedShown, type Shown, shownMedia, shownOnSheet } from '../../content/shown';
import {
  acceptingWhatStands,
  byId,
  firstAccepted,
  nearKey,
  oneOnEach,
  partId,
  placedResponse,
  type PlacedResponse,
} from '../../rules/placing/placed';
import { markPlaced, placeRules, PLACING_SCHEMES, putRules, worthOf } from '../../rules/placing/rules';
import type { KindWith } from '../contract';
import { placedKind } from '../placed-kind';
import { readiness } from './readiness';
import { plainLine, typedAsGiven, typedLines } from './typed';

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
  ...placeRules,
});
export type LabelPlace = z.infer<typeof place>;

const name = z.object({
  id: partId,
  /** Plain text in which $…$ is a formula. */
  text: z.string().max(300),
  media: shownMedia.optional(),
});
export type LabelName = z.infer<typeof name>;

const setup = z.object({
  version: z.literal(1),
  picture: slotPicture.nullable(),
  margin,
  /** In the order in which they are numbered and gone through by keys. */
  places: z.array(place).max(MOST_PLACES),
  /** What can be put on places; those that no place accepts are left over. */
  names: z.array(name).max(MOST_NAMES),
  /** Whether a name may be used again and again. */
  again: z.boolean(),
  /** How the names stand in the list: mixed anew for everybody, or by the alphabet. Never in the author's order, which is that of the places. */
  list: z.enum(['mixed', 'alphabet']),
  /** Students type at the places; the names are what is accepted there, wordings parted by ";", and are not shown. */
  typed: z.boolean().optional(),
  scheme: z.enum(PLACING_SCHEMES),
});
export type LabelSetup = z.infer<typeof setup>;

export interface LabelSheet {
  picture: SlotPicture | null;
  margin: Margin;
  places: Pick<LabelPlace, 'id' | 'at' | 'foot' | 'description'>[];
  names: Shown[];
  again: boolean;
  list: LabelSetup['list'];
  /** How many signs long the writing lines are: as the longest name, and no shorter than a word. */
  length: number;
  typed: boolean;
}

const response = placedResponse.extend({ typed: typedLines.optional() });
export type LabelResponse = z.infer<typeof response>;

/** The length of the writing lines, for all the same, so that it tells nothing of any one. */
export const lineLength = (names: readonly Shown[]): number =>
  Math.min(24, Math.max(5, ...names.map(({ text, media }) => (media ? 6 : text.length))));

/** By their words, the same on every machine; equal ones by their ids. */
const byWords = (names: readonly Shown[]): Shown[] =>
  byId(names).sort((a, b) => (a.text === b.text ? 0 : a.text < b.text ? -1 : 1));

const keyOf = ({ places, again, typed = false }: LabelSetup): PlacedResponse | null =>
  firstAccepted(places, again || typed);

const { inResponses, ...common } = placedKind('label', ({ places, names, again }: LabelSetup) =>
  oneOnEach(names, places, again),
);

function wordsOf({ places, names }: LabelSetup, { placed, typed = [] }: LabelResponse): string {
  const named = new Map(names.map(({ id, text }) => [id, text]));
  const lines = [...placed.map(({ place, item }) => ({ place, text: named.get(item) ?? '' })), ...typed];
  return places
    .flatMap(({ id }, i) => lines.filter((one) => one.place === id).map(({ text }) => `${i + 1} ${text}`))
    .join('; ');
}

/** A right answer, placed or typed. */
function rightAnswer(setup: LabelSetup): LabelResponse | null {
  const key = keyOf(setup);
  return key && setup.typed ? asTyped(setup, key) : key;
}

/** What is placed, as somebody types it: the first wording of each name. */
function asTyped({ names }: LabelSetup, { placed }: PlacedResponse): LabelResponse {
  const named = new Map(names.map(({ id, text }) => [id, text.split(';')[0]?.trim() ?? '']));
  return { placed: [], typed: placed.map(({ item, place }) => ({ place, text: named.get(item) ?? '' })) };
}

/** Names to be put where they belong on a picture. */
export const label: KindWith<
  'marked' | 'parts' | 'media' | 'lettered' | 'partly',
  LabelSetup,
  LabelSheet,
  LabelResponse
> = {
  ...common,
  response: { ...common.response, schema: response },
  accepts(setup, { placed, typed = [] }) {
    const places = new Set(setup.places.map(({ id }) => id));
    const once = new Set(typed.map(({ place }) => place)).size === typed.length;
    const lines = setup.typed ? once && typed.every(({ place }) => places.has(place)) : typed.length === 0;
    return lines && (setup.typed ? placed.length === 0 : common.accepts(setup, { placed }));
  },
  blank: ({ placed, typed = [] }) => placed.length === 0 && typed.every(({ text }) => text.trim() === ''),
  gist: (setup, { placed, typed = [] }) =>
    setup.typed
      ? typed
          .map(({ place, text }) => `${place}:${plainLine(text)}`)
          .sort()
          .join(' ')
      : common.gist(setup, { placed }),
  placement: 'block',
  setup: { name: 'label setup', version: 1, schema: setup, migrations: [] },
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
  sheet({ picture, margin: white, places, names, again, list, typed = false }, seed) {
    const known = (list === 'alphabet' ? byWords(names) : byId(names)).map(shownOnSheet);
    return {
      picture,
      margin: white,
      places: places.map(({ id, at, foot, description }) => ({ id, at, foot, description })),
      names: typed ? [] : list === 'mixed' && seed !== null ? shuffled(known, seed) : known,
      again,
      list,
      length: lineLength(names),
      typed,
    };
  },
  readiness,
  describe: ({ picture, names, typed }) =>
    [picture?.description || 'a picture', ...(typed ? [] : byWords(names).map(({ text }) => text))].join(' / '),
  describeResponse: wordsOf,
  put: (setup, put) => ({
    ...setup,
    picture: setup.picture && { ...setup.picture, description: put(setup.picture.description, 'words') },
    places: setup.places.map((one) => ({
      ...putRules(one, put),
      description: put(one.description, 'words'),
    })),
    names: setup.names.map((one) => ({ ...one, text: put(one.text, 'words') })),
  }),
  marked: {
    mark({ places, names, scheme, typed: isTyped = false }, { placed, typed = [] }) {
      const named = new Map(names.map(({ id, text }) => [id, text]));
      const given = isTyped
        ? typedAsGiven({ places, names }, typed)
        : placed.map(({ item, place: at }) => ({ at, what: item, name: named.get(item) ?? '' }));
      if (!Array.isArray(given)) return given;
      return markPlaced(
        places.map((one, i) => ({ ...one, name: placeName(i) })),
        given,
        scheme,
      );
    },
    key: rightAnswer,
    describeKey: (setup) => wordsOf(setup, rightAnswer(setup) ?? { placed: [] }),
    fixedKeyPlace: () => null,
    worth: ({ places }) => worthOf(places),
    // What was typed stands for wordings, not for another arrangement of names.
    keyed: (setup, answer) =>
      setup.typed ? setup : { ...setup, places: setup.places.map((one) => acceptingWhatStands(one, answer)) },
    tryouts(setup) {
      const tried = nearKey(keyOf(setup)?.placed ?? []);
      return setup.typed ? tried.map((one) => asTyped(setup, one)) : tried;
    },
  },
  parts: {
    of: ({ places, names }) => [...places, ...names].map(({ id }) => id),
    spokenOf: ({ placed, typed = [] }) => [...inResponses.spokenOf({ placed }), ...typed.map(({ place }) => place)],
    inNames: ({ placed, typed }, own) => ({
      ...inResponses.inNames({ placed }, own),
      ...(typed ? { typed: typed.map((line) => ({ ...line, place: own.get(line.place) ?? line.place })) } : {}),
    }),
    rename(sheet, own) {
      const names = sheet.names.map((name) => renamedShown(name, own));
      return {
        ...sheet,
        places: sheet.places.map((one) => ({ ...one, id: own.get(one.id) ?? one.id })),
        names: sheet.list === 'alphabet' ? byWords(names) : byId(names),
      };
    },
  },
  partly: {
    right: ({ places }, response) => whatIsRight(response, onPlaces(places)),
  },
  lettered: {
    crossed: () => 0,
    written: ({ names, places, typed }, response) => (typed ? null : writtenPlacing(names, places, response)),
  },
  media: { of: ({ picture, names }) => [...(picture ? [picture.media] : []), ...mediaShown(names)] },
};
