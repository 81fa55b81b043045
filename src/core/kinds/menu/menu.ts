import { type Finding, stops } from '../../base/finding';
import { choice, type ChoiceResponse, type ChoiceSetup, type ChoiceSheet } from '../choice/choice';
import type { KindWith } from '../contract';

const FRESH: ChoiceSetup = { ...choice.fresh(), options: [], look: 'menu' };

/** With these words as options, the first one right; words that stood there keep their names and what is said of them. */
export function withWords(setup: ChoiceSetup, right: string, wrong: readonly string[]): ChoiceSetup {
  const before = new Map(setup.options.map((one) => [one.text, one]));
  const words = [right, ...wrong].slice(0, 26).map((text) => text.slice(0, 2000));
  const kept = new Set(words.flatMap((text) => before.get(text)?.id ?? []));
  const free = Array.from({ length: 52 }, (_, i) => `m${i + 1}`).filter((id) => !kept.has(id));
  const options = words.map((text, i) => {
    const old = words.indexOf(text) === i ? before.get(text) : undefined;
    return { id: old?.id ?? free.shift() ?? '', text, key: i === 0, feedback: old?.feedback ?? '' };
  });
  return { ...setup, options };
}

const isKeyed = ({ options }: ChoiceSetup): boolean => options.some(({ key, text }) => key && text.trim() !== '');

function readiness(setup: ChoiceSetup): Finding[] {
  if (!isKeyed(setup)) return [stops('menu-no-key', [])];
  const drawn = setup.options.some(({ text }) => text.includes('$'));
  return [...choice.readiness({ ...setup, look: 'list' }), ...(drawn ? [stops('menu-formula', [])] : [])];
}

/** One word of several, chosen in a line of the text: a choice with one right answer that opens downwards. */
export const menu: KindWith<'marked' | 'typed' | 'parts', ChoiceSetup, ChoiceSheet, ChoiceResponse> = {
  ...choice,
  name: 'menu',
  placement: 'inline',
  setup: { ...choice.setup, name: 'menu setup' },
  response: { ...choice.response, name: 'menu response' },
  fresh: () => withWords(FRESH, '', ['']),
  // Mixed for everybody, or by the alphabet: the right one is written first.
  sheet(setup, seed) {
    const { options, shuffle } = setup;
    const known = [...options].sort((a, b) => (a.text < b.text ? -1 : 1));
    return { ...choice.sheet({ ...setup, options: shuffle ? options : known }, seed), look: 'menu' };
  },
  readiness,
  describe: ({ options }) =>
    options
      .map(({ text }) => text)
      .sort()
      .join(' / '),
  marked: {
    ...choice.marked,
    key: (setup) => (isKeyed(setup) ? choice.marked.key(setup) : null),
    fixedKeyPlace: () => null,
  },
  typed: {
    ...choice.typed,
    name: 'menu',
    withKey(setup, typed) {
      const words = typed
        .split(typed.includes('\n') ? '\n' : ';')
        .map((word) => word.trim())
        .filter((word) => word !== '');
      const starred = words.find((word) => word.startsWith('*')) ?? words[0];
      if (starred === undefined) return setup;
      const plain = (word: string): string => word.replace(/^\*\s*/, '');
      const wrong = words.filter((word) => word !== starred).map(plain);
      return withWords(setup, plain(starred), wrong.length > 0 ? wrong : ['']);
    },
  },
};
