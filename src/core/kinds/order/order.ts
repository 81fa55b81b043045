import { z } from 'zod';
import { type Finding, stops } from '../../base/finding';
import { mediaShown, renamedShown, type Shown, shownMedia, shownOnSheet } from '../../content/shown';
import type { Marking } from '../../rules/marking';
import { markOrder, ORDER_SCHEMES } from '../../rules/ordering/rules';
import { byId, mixed, partId } from '../../rules/placing/placed';
import type { KindWith } from '../contract';
import { eachDifferent } from '../each-different';

/** Down, one a line; or across, as the words of a sentence or the letters of a word. */
const LOOKS = ['down', 'across'] as const;
export type OrderLook = (typeof LOOKS)[number];

export const MOST_IN_ORDER = 40;

const setup = z.object({
  version: z.literal(1),
  /** In the right order. Plain text in which $…$ is a formula. */
  items: z
    .array(z.object({ id: partId, text: z.string().max(1000), media: shownMedia.optional() }))
    .min(1)
    .max(MOST_IN_ORDER),
  look: z.enum(LOOKS),
  scheme: z.enum(ORDER_SCHEMES),
  /** Said to a student whose order is not the right one. */
  feedback: z.string().max(1000),
});
export type OrderSetup = z.infer<typeof setup>;

/** All of them, in the student's order; none while nothing was moved. */
const response = z.object({ order: z.array(partId).max(MOST_IN_ORDER) });
export type OrderResponse = z.infer<typeof response>;

export interface OrderSheet {
  items: Shown[];
  look: OrderLook;
}

const keyOf = ({ items }: OrderSetup): string[] => items.map(({ id }) => id);

function readiness({ items }: OrderSetup): Finding[] {
  return [...(items.length < 2 ? [stops('order-one', [])] : []), ...eachDifferent(items, 'items')];
}

function mark(setup: OrderSetup, { order }: OrderResponse): Marking {
  const marking = markOrder(keyOf(setup), order, setup.scheme);
  if (marking.state !== 'marked' || setup.feedback === '' || marking.share.equals(1)) return marking;
  return { ...marking, feedback: setup.feedback };
}

function wordsOf({ items, look }: OrderSetup, order: readonly string[]): string {
  const text = new Map(items.map((item) => [item.id, item.text]));
  return order.map((id) => text.get(id) ?? '').join(look === 'down' ? ' → ' : ' ');
}

/** The key, two neighbours changed about, the first one last, and backwards. */
function tryouts(setup: OrderSetup): OrderResponse[] {
  const key = keyOf(setup);
  const [first = '', second = '', ...rest] = key;
  const tried = [key, [second, first, ...rest], [second, ...rest, first], [...key].reverse()];
  return [...new Map(tried.map((order) => [order.join(), { order }])).values()];
}

/** Things to be put in the right order. */
export const order: KindWith<'marked' | 'typed' | 'parts' | 'media', OrderSetup, OrderSheet, OrderResponse> = {
  name: 'order',
  placement: 'block',
  setup: { name: 'order setup', version: 1, schema: setup, migrations: [] },
  response: { name: 'order response', version: 1, schema: response, migrations: [] },
  accepts({ items }, { order: given }) {
    const known = new Set(items.map(({ id }) => id));
    const all = new Set(given).size === items.length && given.every((id) => known.has(id));
    return given.length === 0 || (given.length === items.length && all);
  },
  fresh: () => ({
    version: 1,
    items: ['a', 'b', 'c'].map((id) => ({ id, text: '' })),
    look: 'down',
    scheme: 'place',
    feedback: '',
  }),
  blank: ({ order: given }) => given.length === 0,
  // From the same order whatever the key is, so that the shuffle tells nothing.
  sheet: ({ items, look }, seed) => ({
    items: mixed(items, seed).map(shownOnSheet),
    look,
  }),
  readiness,
  describe: ({ items }) =>
    byId(items)
      .map(({ text }) => text)
      .join(' / '),
  describeResponse: (setup, { order: given }) => wordsOf(setup, given),
  gist: (_, { order: given }) => given.join(' '),
  put: (setup, put) => ({
    ...setup,
    items: setup.items.map((item) => ({ ...item, text: put(item.text, 'words') })),
    feedback: put(setup.feedback, 'words'),
  }),
  marked: {
    mark,
    key: (setup) => (readiness(setup).length === 0 ? { order: keyOf(setup) } : null),
    describeKey: (setup) => wordsOf(setup, keyOf(setup)),
    fixedKeyPlace: () => null,
    keyed: (setup, { order: given }) => ({
      ...setup,
      items: given.flatMap((id) => setup.items.find((item) => item.id === id) ?? []),
    }),
    tryouts,
  },
  parts: {
    of: keyOf,
    spokenOf: ({ order: given }) => given,
    rename: (sheet, names) => ({
      ...sheet,
      items: byId(sheet.items.map((item) => renamedShown(item, names))),
    }),
    inNames: ({ order: given }, names) => ({ order: given.map((id) => names.get(id) ?? id) }),
  },
  media: { of: ({ items }) => mediaShown(items) },
  typed: {
    name: 'order',
    withKey(setup, typed) {
      const lines = typed
        .split('\n')
        .map((line) => line.trim())
        .filter((line) => line !== '');
      if (lines.length === 0) return setup;
      const items = lines.slice(0, MOST_IN_ORDER).map((text, i) => ({ id: `i${i}`, text: text.slice(0, 1000) }));
      return { ...setup, items };
    },
    keyText: ({ items }) => items.map(({ text }) => text).join('\n'),
    response({ items }, typed) {
      const numbers = (typed.match(/\d+/g) ?? []).map(Number);
      const named = numbers.flatMap((n) => items[n - 1]?.id ?? []);
      const rest = items.map(({ id }) => id).filter((id) => !named.includes(id));
      return { order: named.length === 0 ? [] : [...new Set([...named, ...rest])] };
    },
    responseText: ({ items }, { order: given }) =>
      given.map((id) => items.findIndex((item) => item.id === id) + 1).join(' '),
  },
};
