import { type Finding, stops } from '../../base/finding';
import { choice, type ChoiceResponse, type ChoiceSetup, type ChoiceSheet } from '../choice/choice';
import type { KindWith } from '../contract';

const FRESH: ChoiceSetup = { ...choice.fresh(), options: [], look: 'menu' };

/**
 * With these words as options, the first one right. Words that stood there keep
 * their names and what is said of them; so do words that are only written
 * otherwise in their place.
 */
export function withWords(setup: ChoiceSetup, right: string, wrong: readonly string[]): ChoiceSetup {
  const words = [right, ...wrong].slice(0, 26).map((text) => text.slice(0, 2000));
  const left = [...setup.options];
  const take = (at: number): ChoiceSetup['options'][number] | undefined => (at < 0 ? undefined : left.splice(at, 1)[0]);
  const same = words.map((text) => take(left.findIndex((one) => one.text === text)));
  const kept = same.map((old, i) => old ?? take(left.findIndex((one) => one === setup.options[i])));
  const used = new Set(kept.map((old) => old?.id));
  const free = Array.from({ length: 52 }, (_, i) => `m${i + 1}`).filter((id) => !used.has(id));
  const options = words.map((text, i) => {
    const old = kept[i];
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
export const menu: KindWith<'marked' | 'typed' | 'parts' | 'lettered', ChoiceSetup, ChoiceSheet, ChoiceResponse> = {
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
