import { whatIsRight } from '../../rules/placing/right';
import { writtenPlacing } from '../../rules/placing/lettered';
import { z } from 'zod';
import { type Finding, stops, warns } from '../../base/finding';
import { mediaShown, renamedShown, type Shown, shownMedia, shownOnSheet } from '../../content/shown';
import { byId, different, mixed, partId, type PlacedResponse } from '../../rules/placing/placed';
import { markPlaced, placeRules, PLACING_SCHEMES, putRules, worthOf } from '../../rules/placing/rules';
import type { KindWith } from '../contract';
import { eachDifferent } from '../each-different';
import { placedKind } from '../placed-kind';

export const MOST_GROUPS = 8;
export const MOST_ITEMS = 60;

const setup = z.object({
  version: z.literal(1),
  groups: z
    .array(z.object({ id: partId, text: z.string().max(200), media: shownMedia.optional() }))
    .min(1)
    .max(MOST_GROUPS),
  items: z
    .array(
      z.object({
        id: partId,
        /** Plain text in which $…$ is a formula. */
        text: z.string().max(500),
        media: shownMedia.optional(),
        /** The groups that take it; none for what belongs nowhere. */
        groups: z.array(partId).max(MOST_GROUPS),
        ...placeRules,
      }),
    )
    .max(MOST_ITEMS),
  scheme: z.enum(PLACING_SCHEMES),
});
export type SortSetup = z.infer<typeof setup>;
export type SortItem = SortSetup['items'][number];

export interface SortSheet {
  groups: Shown[];
  items: Shown[];
}

const { inResponses, ...common } = placedKind('sort', ({ groups, items }: SortSetup) => ({
  items: items.map(({ id }) => id),
  places: groups.map(({ id }) => ({ id, most: null })),
  again: false,
}));

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
  findings.push(...eachDifferent(groups, 'groups'), ...eachDifferent(items, 'items'));
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
export const sort: KindWith<
  'marked' | 'parts' | 'media' | 'lettered' | 'partly',
  SortSetup,
  SortSheet,
  PlacedResponse
> = {
  ...common,
  placement: 'block',
  setup: { name: 'sort setup', version: 1, schema: setup, migrations: [] },
  fresh: () => ({
    version: 1,
    groups: ['g1', 'g2'].map((id) => ({ id, text: '' })),
    items: [],
    scheme: 'by-part',
  }),
  sheet: ({ groups, items }, seed) => ({
    groups: groups.map(shownOnSheet),
    items: mixed(items, seed).map(shownOnSheet),
  }),
  readiness,
  describe: ({ groups, items }) => [...groups, ...byId(items)].map(({ text }) => text).join(' / '),
  describeResponse: wordsOf,
  put: (setup, put) => ({
    ...setup,
    groups: setup.groups.map((group) => ({ ...group, text: put(group.text, 'words') })),
    items: setup.items.map((item) => ({
      ...putRules(item, put),
      text: put(item.text, 'words'),
    })),
  }),
  marked: {
    mark({ groups, items, scheme }, { placed }) {
      const named = new Map(groups.map(({ id, text }) => [id, text]));
      return markPlaced(
        items.map(({ text, groups: accepts, ...item }) => ({ ...item, name: text, accepts })),
        placed.map(({ item, place }) => ({ at: item, what: place, name: named.get(place) ?? '' })),
        scheme,
      );
    },
    key: keyOf,
    describeKey: (setup) => wordsOf(setup, keyOf(setup) ?? { placed: [] }),
    fixedKeyPlace: () => null,
    worth: ({ items }) => worthOf(items.map(({ groups: accepts, weight }) => ({ accepts, weight }))),
    keyed: (setup, { placed }) => ({
      ...setup,
      items: setup.items.map((one) => ({
        ...one,
        groups: placed.filter(({ item }) => item === one.id).map(({ place }) => place),
      })),
    }),
    tryouts,
  },
  parts: {
    of: ({ groups, items }) => [...groups, ...items].map(({ id }) => id),
    ...inResponses,
    rename: ({ groups, items }, names) => ({
      groups: groups.map((group) => renamedShown(group, names)),
      items: byId(items.map((item) => renamedShown(item, names))),
    }),
  },
  partly: {
    right: ({ items }, response) =>
      whatIsRight(response, ({ item, place }) => items.find(({ id }) => id === item)?.groups.includes(place) ?? false),
  },
  lettered: {
    crossed: () => 0,
    written: ({ groups, items }, response) => writtenPlacing(items, groups, response),
  },
  media: { of: ({ groups, items }) => mediaShown([...groups, ...items]) },
};
