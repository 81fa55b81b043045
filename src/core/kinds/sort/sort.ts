import { z } from 'zod';
import { type Finding, stops, warns } from '../../base/finding';
import { shuffled } from '../../base/random';
import {
  type Arrangement,
  byId,
  canStand,
  different,
  partId,
  placedGist,
  placedResponse,
  type PlacedResponse,
  renamed,
  spokenOf,
} from '../../rules/placing/placed';
import { markPlaced, PLACING_SCHEMES } from '../../rules/placing/rules';
import { plainReading } from '../../rules/text/normalise';
import type { KindWith } from '../contract';

export const MOST_GROUPS = 8;
export const MOST_ITEMS = 60;

const setup = z.object({
  version: z.literal(1),
  groups: z
    .array(z.object({ id: partId, text: z.string().max(200) }))
    .min(1)
    .max(MOST_GROUPS),
  items: z
    .array(
      z.object({
        id: partId,
        /** Plain text in which $…$ is a formula. */
        text: z.string().max(500),
        /** The groups that take it; none for what belongs nowhere. */
        groups: z.array(partId).max(MOST_GROUPS),
        /** Said to a student who put it in a wrong one. */
        feedback: z.string().max(1000),
      }),
    )
    .max(MOST_ITEMS),
  scheme: z.enum(PLACING_SCHEMES),
});
export type SortSetup = z.infer<typeof setup>;
export type SortItem = SortSetup['items'][number];

export interface SortSheet {
  groups: { id: string; text: string }[];
  items: { id: string; text: string }[];
}

const arrangement = ({ groups, items }: SortSetup): Arrangement => ({
  items: items.map(({ id }) => id),
  places: groups.map(({ id }) => ({ id, most: null })),
  again: false,
});

const belonging = ({ items }: SortSetup): SortItem[] => items.filter(({ groups }) => groups.length > 0);

function keyOf(setup: SortSetup): PlacedResponse | null {
  const placed = belonging(setup).map(({ id, groups }) => ({ item: id, place: groups[0] ?? '' }));
  return placed.length > 0 ? { placed } : null;
}

function wordsOf({ groups, items }: SortSetup, { placed }: PlacedResponse): string {
  const named = new Map(items.map(({ id, text }) => [id, text]));
  return groups
    .map(({ id, text }) => ({ text, here: placed.filter(({ place }) => place === id) }))
    .filter(({ here }) => here.length > 0)
    .map(({ text, here }) => `${text}: ${here.map(({ item }) => named.get(item) ?? '').join(', ')}`)
    .join('; ');
}

function readiness(setup: SortSetup): Finding[] {
  const findings: Finding[] = [];
  const { groups, items } = setup;
  if (groups.length < 2) findings.push(stops('sort-one-group', []));
  if (belonging(setup).length < 2) findings.push(stops('sort-few-items', []));
  for (const [at, list] of [
    ['groups', groups],
    ['items', items],
  ] as const) {
    const seen = new Set<string>();
    for (const { id, text } of list) {
      const plain = plainReading(text);
      if (plain === '') findings.push(stops('sort-empty', [at, id]));
      else if (seen.has(plain)) findings.push(stops('sort-same', [at, id], { text: plain }));
      seen.add(plain);
    }
  }
  for (const { id, text } of groups)
    if (text !== '' && !items.some((item) => item.groups.includes(id)))
      findings.push(warns('sort-empty-group', ['groups', id], { text }));
  return findings;
}

/** The key; one in another group; one left out; all in the first group. */
function tryouts(setup: SortSetup): PlacedResponse[] {
  const key = keyOf(setup)?.placed ?? [];
  const [first, ...rest] = key;
  if (!first) return [];
  const elsewhere = setup.groups.find(({ id }) => id !== first.place)?.id ?? first.place;
  const inFirst = key.map(({ item }) => ({ item, place: setup.groups[0]?.id ?? '' }));
  return different([key, [{ ...first, place: elsewhere }, ...rest], rest, inFirst]);
}

/** Items to be sorted into groups. */
export const sort: KindWith<'marked' | 'parts', SortSetup, SortSheet, PlacedResponse> = {
  name: 'sort',
  placement: 'block',
  setup: { name: 'sort setup', version: 1, schema: setup, migrations: [] },
  response: { name: 'sort response', version: 1, schema: placedResponse, migrations: [] },
  accepts: (setup, { placed }) => canStand(arrangement(setup), placed),
  fresh: () => ({
    version: 1,
    groups: ['g1', 'g2'].map((id) => ({ id, text: '' })),
    items: [],
    scheme: 'by-part',
  }),
  blank: ({ placed }) => placed.length === 0,
  sheet: ({ groups, items }, seed) => ({
    groups: groups.map(({ id, text }) => ({ id, text })),
    items: (seed === null ? byId(items) : shuffled(byId(items), seed)).map(({ id, text }) => ({ id, text })),
  }),
  readiness,
  describe: ({ groups, items }) => [...groups, ...byId(items)].map(({ text }) => text).join(' / '),
  describeResponse: wordsOf,
  gist: (_, given) => placedGist(given),
  put: (setup, put) => ({
    ...setup,
    groups: setup.groups.map((group) => ({ ...group, text: put(group.text, 'words') })),
    items: setup.items.map((item) => ({
      ...item,
      text: put(item.text, 'words'),
      feedback: put(item.feedback, 'words'),
    })),
  }),
  marked: {
    mark({ groups, items, scheme }, { placed }) {
      const named = new Map(groups.map(({ id, text }) => [id, text]));
      return markPlaced(
        items.map(({ id, text, groups: accepts, feedback }) => ({ id, name: text, accepts, feedback })),
        placed.map(({ item, place }) => ({ at: item, what: place, name: named.get(place) ?? '' })),
        scheme,
      );
    },
    key: keyOf,
    describeKey: (setup) => wordsOf(setup, keyOf(setup) ?? { placed: [] }),
    fixedKeyPlace: () => null,
    tryouts,
  },
  parts: {
    of: ({ groups, items }) => [...groups, ...items].map(({ id }) => id),
    spokenOf,
    rename: ({ groups, items }, names) => ({
      groups: groups.map(({ id, text }) => ({ id: names.get(id) ?? id, text })),
      items: byId(items.map(({ id, text }) => ({ id: names.get(id) ?? id, text }))),
    }),
    inNames: renamed,
  },
};
