import { writtenLetters } from '../../rules/placing/lettered';
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

export const MOST_EXTRA = 20;

/** The line of a typed key under which stands what does not belong. */
const LEFT_OUT = 'left out:';

const line = z.object({ id: partId, text: z.string().max(1000), media: shownMedia.optional() });

const setup = z.object({
  version: z.literal(1),
  /** In the right order. Plain text in which $…$ is a formula. Equal ones stand for one another. */
  items: z.array(line).min(1).max(MOST_IN_ORDER),
  /** What does not belong and is to be left out; none when left out. */
  extra: z.array(line).max(MOST_EXTRA).optional(),
  look: z.enum(LOOKS),
  scheme: z.enum(ORDER_SCHEMES),
  /** Said to a student whose order is not the right one. */
  feedback: z.string().max(1000),
});
export type OrderSetup = z.infer<typeof setup>;

/** All of them, or where some may be left out those that are not, in the student's order; none while nothing was moved. */
const response = z.object({ order: z.array(partId).max(MOST_IN_ORDER + MOST_EXTRA) });
export type OrderResponse = z.infer<typeof response>;

export interface OrderSheet {
  items: Shown[];
  look: OrderLook;
  /** Whether some may be left out. */
  leave: boolean;
}

const all = ({ items, extra = [] }: OrderSetup): OrderSetup['items'] => [...items, ...extra];

/** Equal ones by one name: that of the first of them. */
function sameNames(setup: OrderSetup, ids: readonly string[]): string[] {
  const first = new Map<string, string>();
  const names = new Map<string, string>();
  for (const { id, text, media } of all(setup)) {
    const what = `${media?.hash ?? ''} ${text.trim()}`;
    if (!first.has(what)) first.set(what, id);
    names.set(id, first.get(what) ?? id);
  }
  return ids.map((id) => names.get(id) ?? id);
}

const keyOf = ({ items }: OrderSetup): string[] => items.map(({ id }) => id);

/** Whether some may be left out: where some do not belong. */
const mayLeave = ({ extra = [] }: OrderSetup): boolean => extra.length > 0;

function readiness(setup: OrderSetup): Finding[] {
  const { items, extra = [] } = setup;
  const said = [...eachDifferent(items, 'items'), ...eachDifferent(extra, 'extra')];
  const few = new Set(sameNames(setup, keyOf(setup))).size < 2;
  return [...(few ? [stops('order-one', [])] : []), ...said.filter(({ code }) => code !== 'line-twice')];
}

function mark(setup: OrderSetup, { order }: OrderResponse): Marking {
  const marking = markOrder(sameNames(setup, keyOf(setup)), sameNames(setup, order), setup.scheme);
  if (marking.state !== 'marked' || setup.feedback === '' || marking.share.equals(1)) return marking;
  return { ...marking, feedback: setup.feedback };
}

function wordsOf(setup: OrderSetup, order: readonly string[]): string {
  const text = new Map(all(setup).map((item) => [item.id, item.text]));
  return order.map((id) => text.get(id) ?? '').join(setup.look === 'down' ? ' → ' : ' ');
}

/** The key, two neighbours changed about, the first one last, backwards, and with one too many. */
function tryouts(setup: OrderSetup): OrderResponse[] {
  const key = keyOf(setup);
  const [first = '', second = '', ...rest] = key;
  const more = (setup.extra ?? []).slice(0, 1).map(({ id }) => [...key, id]);
  const tried = [key, [second, first, ...rest], [second, ...rest, first], [...key].reverse(), ...more];
  return [...new Map(tried.map((order) => [order.join(), { order }])).values()];
}

/** Things to be put in the right order. */
export const order: KindWith<
  'marked' | 'typed' | 'parts' | 'media' | 'lettered',
  OrderSetup,
  OrderSheet,
  OrderResponse
> = {
  name: 'order',
  placement: 'block',
  setup: { name: 'order setup', version: 1, schema: setup, migrations: [] },
  response: { name: 'order response', version: 1, schema: response, migrations: [] },
  accepts(setup, { order: given }) {
    const known = new Set(all(setup).map(({ id }) => id));
    const once = new Set(given).size === given.length && given.every((id) => known.has(id));
    return once && (given.length === 0 || given.length === known.size || mayLeave(setup));
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
  sheet: (setup, seed) => ({
    items: mixed(all(setup), seed).map(shownOnSheet),
    look: setup.look,
    leave: mayLeave(setup),
  }),
  readiness,
  describe: (setup) =>
    byId(all(setup))
      .map(({ text }) => text)
      .join(' / '),
  describeResponse: (setup, { order: given }) => wordsOf(setup, given),
  gist: (setup, { order: given }) => sameNames(setup, given).join(' '),
  put: (setup, put) => ({
    ...setup,
    items: setup.items.map((item) => ({ ...item, text: put(item.text, 'words') })),
    ...(setup.extra ? { extra: setup.extra.map((one) => ({ ...one, text: put(one.text, 'words') })) } : {}),
    feedback: put(setup.feedback, 'words'),
  }),
  marked: {
    mark,
    key: (setup) => (readiness(setup).length === 0 ? { order: keyOf(setup) } : null),
    describeKey: (setup) => wordsOf(setup, keyOf(setup)),
    fixedKeyPlace: () => null,
    worth: ({ items, scheme }) => items.slice(scheme === 'neighbours' ? 1 : 0).map(() => 1),
    keyed: (setup, { order: given }) => ({
      ...setup,
      items: given.flatMap((id) => all(setup).find((item) => item.id === id) ?? []),
      ...(setup.extra ? { extra: all(setup).filter(({ id }) => !given.includes(id)) } : {}),
    }),
    tryouts,
  },
  parts: {
    of: (setup) => all(setup).map(({ id }) => id),
    spokenOf: ({ order: given }) => given,
    rename: (sheet, names) => ({
      ...sheet,
      items: byId(sheet.items.map((item) => renamedShown(item, names))),
    }),
    inNames: ({ order: given }, names) => ({ order: given.map((id) => names.get(id) ?? id) }),
  },
  lettered: {
    crossed: () => 0,
    written: ({ items }, { order: given }) => writtenLetters(items, given),
  },
  media: { of: (setup) => mediaShown(all(setup)) },
  typed: {
    name: 'order',
    withKey(setup, typed) {
      const lines = typed
        .split('\n')
        .map((line) => line.trim())
        .filter((line) => line !== '');
      const at = lines.findIndex((line) => line.toLowerCase() === LEFT_OUT);
      const belong = at < 0 ? lines : lines.slice(0, at);
      if (belong.length === 0) return setup;
      const named = (letter: string) => (text: string, i: number) => ({
        id: `${letter}${i}`,
        text: text.slice(0, 1000),
      });
      const extra = at < 0 ? [] : lines.slice(at + 1, at + 1 + MOST_EXTRA).map(named('x'));
      const { extra: _, ...rest } = setup;
      return { ...rest, items: belong.slice(0, MOST_IN_ORDER).map(named('i')), ...(extra.length > 0 ? { extra } : {}) };
    },
    keyText: ({ items, extra = [] }) =>
      [...items, ...(extra.length > 0 ? [{ text: LEFT_OUT }, ...extra] : [])].map(({ text }) => text).join('\n'),
    response(setup, typed) {
      const numbers = (typed.match(/\d+/g) ?? []).map(Number);
      const named = numbers.flatMap((n) => all(setup)[n - 1]?.id ?? []);
      const rest = mayLeave(setup) ? [] : keyOf(setup).filter((id) => !named.includes(id));
      return { order: named.length === 0 ? [] : [...new Set([...named, ...rest])] };
    },
    responseText: (setup, { order: given }) =>
      given.map((id) => all(setup).findIndex((item) => item.id === id) + 1).join(' '),
  },
};
