import { writtenLetters } from '../../rules/placing/lettered';
import { z } from 'zod';
import { type Finding, stops, warns } from '../../base/finding';
import { shuffled } from '../../base/random';
import { mediaShown, renamedShown, type Shown, shownMedia, shownOnSheet } from '../../content/shown';
import { CHOICE_SCHEMES, markChoices } from '../../rules/choice/rules';
import { marked, type Marking } from '../../rules/marking';
import { ZERO } from '../../base/exact';
import type { KindWith } from '../contract';
import { eachDifferent } from '../each-different';

const optionId = z.string().regex(/^[a-z0-9]{1,12}$/);

const option = z.object({
  id: optionId,
  /** Plain text in which $…$ is a formula. */
  text: z.string().max(2000),
  media: shownMedia.optional(),
  key: z.boolean(),
  feedback: z.string().max(1000),
});

/** How the options stand on the sheet: one a line, in two columns, or to be opened in a line of the text. */
const LOOKS = ['list', 'columns', 'menu'] as const;
export type ChoiceLook = (typeof LOOKS)[number];

const setup = z.object({
  version: z.literal(1),
  /** Options in the author's order. */
  options: z.array(option).min(1).max(26),
  /** Whether more than one may be chosen. */
  several: z.boolean(),
  scheme: z.enum(CHOICE_SCHEMES),
  shuffle: z.boolean(),
  /** With several: how many a student may choose at most; null for as many as there are. */
  most: z.int().min(1).max(26).nullable().default(null),
  look: z.enum(LOOKS),
});
export type ChoiceSetup = z.infer<typeof setup>;

const response = z.object({ chosen: z.array(optionId).max(26) });
export type ChoiceResponse = z.infer<typeof response>;

export interface ChoiceSheet {
  options: Shown[];
  /** Whether the options may stand in any order. */
  shuffle: boolean;
  several: boolean;
  /** How many may be chosen, when that is limited. */
  most: number | null;
  look: ChoiceLook;
}

/** A closed list shows words only and lets one be chosen; what cannot stand in it stands as a list. */
function lookOf({ look, several, options }: ChoiceSetup): ChoiceLook {
  return look === 'menu' && (several || options.some((o) => o.text.includes('$') || o.media)) ? 'list' : look;
}

function keysOf(setup: ChoiceSetup): ReadonlySet<string> {
  return new Set(setup.options.filter((o) => o.key).map((o) => o.id));
}

function wordsOf(setup: ChoiceSetup, ids: readonly string[]): string {
  return setup.options
    .filter((o) => ids.includes(o.id))
    .map((o) => o.text)
    .join('; ');
}

function readiness(setup: ChoiceSetup): Finding[] {
  const findings: Finding[] = [];
  const keys = keysOf(setup).size;
  if (keys === 0) findings.push(stops('choice-no-key', []));
  if (!setup.several && keys > 1) findings.push(stops('choice-two-keys', []));
  if (setup.several && setup.most !== null && setup.most < keys)
    findings.push(stops('choice-most-too-few', [], { most: setup.most, keys }));
  if (setup.look !== lookOf(setup)) findings.push(warns('choice-no-menu', []));
  if (setup.options.length < 2) findings.push(stops('choice-one-option', []));
  else if (keys === setup.options.length) findings.push(warns('choice-no-distractor', []));
  findings.push(...eachDifferent(setup.options, 'options'));
  return findings;
}

function mark(setup: ChoiceSetup, { chosen }: ChoiceResponse): Marking {
  const known = chosen.filter((id) => setup.options.some((o) => o.id === id));
  const most = setup.several ? (setup.most ?? known.length) : 1;
  if (known.length > most) return marked(ZERO, [{ code: 'choices-too-many', values: { keys: most } }]);
  const marking = markChoices(keysOf(setup), known, setup.several ? setup.scheme : 'whole');
  const feedback = setup.options
    .filter((o) => known.includes(o.id) && o.feedback !== '')
    .map((o) => o.feedback)
    .join(' ');
  const chosenStep = { code: 'choices-chosen', evidence: known.map((id) => wordsOf(setup, [id])) };
  return { ...marking, trace: [chosenStep, ...marking.trace], ...(feedback ? { feedback } : {}) };
}

/** How an option is called where answers are typed. */
const letterOf = (index: number): string => String.fromCharCode(97 + index);

function withKey(setup: ChoiceSetup, typed: string): ChoiceSetup {
  const lines = typed
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '')
    .slice(0, 26);
  const options = lines.map((line, i) => ({
    id: letterOf(i),
    text: line.replace(/^\*\s*/, '').slice(0, 2000),
    key: line.startsWith('*'),
    feedback: '',
  }));
  return options.length === 0 ? setup : { ...setup, options, several: options.filter((o) => o.key).length > 1 };
}

/** An option by its very words, or options by their letters. */
function fromTyped(setup: ChoiceSetup, typed: string): ChoiceResponse {
  const exactly = setup.options.find((o) => o.text.trim() === typed.trim());
  if (exactly) return { chosen: [exactly.id] };
  const letters = typed.toLowerCase().match(/[a-z]/g) ?? [];
  const chosen = letters.map((letter) => setup.options[letter.charCodeAt(0) - 97]?.id).filter((id) => id !== undefined);
  return { chosen: [...new Set(chosen)] };
}

/** Of one answer every option; of several all right ones, one of them, and all with a wrong one. */
function tryouts({ options, several }: ChoiceSetup): ChoiceResponse[] {
  const keys = options.filter((o) => o.key).map((o) => o.id);
  const wrong = options.filter((o) => !o.key).map((o) => o.id);
  const all = several
    ? [keys, keys.slice(0, 1), [...keys, ...wrong.slice(0, 1)]]
    : [...keys, ...wrong].map((id) => [id]);
  const different = new Map(all.filter((chosen) => chosen.length > 0).map((chosen) => [chosen.join(), chosen]));
  return [...different.values()].map((chosen) => ({ chosen }));
}

export const choice: KindWith<
  'marked' | 'typed' | 'parts' | 'media' | 'lettered' | 'offers',
  ChoiceSetup,
  ChoiceSheet,
  ChoiceResponse
> = {
  name: 'choice',
  placement: 'block',
  setup: { name: 'choice setup', version: 1, schema: setup, migrations: [] },
  response: { name: 'choice response', version: 1, schema: response, migrations: [] },
  offers: { of: ({ options, several }) => (several ? [] : options.map(({ id }) => ({ chosen: [id] }))) },
  accepts({ options, several, most }, { chosen }) {
    const known = new Set(options.map((o) => o.id));
    const least = new Set(chosen).size === chosen.length && chosen.every((id) => known.has(id));
    return least && chosen.length <= (several ? (most ?? options.length) : 1);
  },
  fresh: () => ({
    version: 1,
    options: ['a', 'b', 'c'].map((id) => ({ id, text: '', key: false, feedback: '' })),
    several: false,
    scheme: 'by-part-deductions',
    shuffle: true,
    most: null,
    look: 'list',
  }),
  blank: ({ chosen }) => chosen.length === 0,
  sheet(setup, seed) {
    const { options, several, most, shuffle } = setup;
    return {
      options: (shuffle && seed !== null ? shuffled(options, seed) : options).map(shownOnSheet),
      shuffle,
      several,
      most: several ? most : null,
      look: lookOf(setup),
    };
  },
  readiness,
  describe: (setup) => setup.options.map((o) => o.text).join(' / '),
  describeResponse: (setup, { chosen }) => wordsOf(setup, chosen),
  gist: (_, { chosen }) => [...chosen].sort().join(' '),
  put: (setup, put) => ({
    ...setup,
    options: setup.options.map((o) => ({ ...o, text: put(o.text, 'words'), feedback: put(o.feedback, 'words') })),
  }),
  marked: {
    mark,
    key: (setup) => (keysOf(setup).size > 0 ? { chosen: [...keysOf(setup)] } : null),
    describeKey: (setup) => wordsOf(setup, [...keysOf(setup)]),
    fixedKeyPlace: ({ several, shuffle, options }) =>
      several || shuffle ? null : options.findIndex((o) => o.key) + 1 || null,
    worth: (setup) => [...keysOf(setup)].map(() => 1),
    tryouts,
  },
  parts: {
    of: ({ options }) => options.map((o) => o.id),
    spokenOf: ({ chosen }) => chosen,
    rename(sheet, names) {
      const options = sheet.options.map((option) => renamedShown(option, names));
      return { ...sheet, options: sheet.shuffle ? options.sort((a, b) => (a.id < b.id ? -1 : 1)) : options };
    },
    inNames: ({ chosen }, names) => ({ chosen: chosen.map((id) => names.get(id) ?? id) }),
  },
  lettered: {
    crossed: ({ options }) => options.length,
    written: ({ options }, { chosen }) =>
      writtenLetters(
        options,
        options.flatMap(({ id }) => (chosen.includes(id) ? [id] : [])),
      ),
  },
  media: { of: ({ options }) => mediaShown(options) },
  typed: {
    name: 'choice',
    withKey,
    keyText: ({ options }) => options.map((o) => `${o.key ? '* ' : ''}${o.text}`).join('\n'),
    response: fromTyped,
    responseText: ({ options }, { chosen }) =>
      options.flatMap(({ id }, i) => (chosen.includes(id) ? [letterOf(i)] : [])).join(' '),
  },
};
