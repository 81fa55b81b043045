import { z } from 'zod';
import { ZERO } from '../../base/exact';
import { type Finding, stops, warns } from '../../base/finding';
import { CHOICE_SCHEMES, markChoices } from '../../rules/choice/rules';
import { marked, type Marking } from '../../rules/marking';
import { partId } from '../../rules/placing/placed';
import type { KindWith } from '../contract';
import { piecesOf, resplit, UNIT_SIZES } from './units';

/** So long a text can be, and so many units it can have. */
export const MOST_TEXT = 6000;
export const MOST_UNITS = 1000;

const unit = z.object({
  id: partId,
  from: z.int().min(0).max(MOST_TEXT),
  to: z.int().min(0).max(MOST_TEXT),
  key: z.boolean(),
  feedback: z.string().max(1000),
});

const setup = z.object({
  version: z.literal(1),
  text: z.string().max(MOST_TEXT),
  size: z.enum(UNIT_SIZES),
  /** In the order of the text, none over another. */
  units: z.array(unit).max(MOST_UNITS),
  /** How many a student may select at most; null for as many as there are. */
  most: z.int().min(1).max(MOST_UNITS).nullable(),
  scheme: z.enum(CHOICE_SCHEMES),
});
export type SelectSetup = z.infer<typeof setup>;

const response = z.object({ selected: z.array(partId).max(MOST_UNITS) });
export type SelectResponse = z.infer<typeof response>;

export interface SelectSheet {
  /** The text in its order: what can be selected, and what stands between. */
  pieces: { id: string | null; text: string }[];
  most: number | null;
}

const keysOf = ({ units }: SelectSetup): string[] => units.filter(({ key }) => key).map(({ id }) => id);

const wordsOf = ({ text, units }: SelectSetup, ids: readonly string[]): string[] =>
  units.filter(({ id }) => ids.includes(id)).map(({ from, to }) => text.slice(from, to));

function readiness(setup: SelectSetup): Finding[] {
  if (setup.units.length < 2) return [stops('select-no-text', ['text'])];
  const keys = keysOf(setup).length;
  if (keys === 0) return [stops('select-no-key', ['units'])];
  if (setup.most !== null && setup.most < keys)
    return [stops('select-most-too-few', ['most'], { most: setup.most, keys })];
  return keys === setup.units.length ? [warns('select-all-right', ['units'])] : [];
}

function mark(setup: SelectSetup, { selected }: SelectResponse): Marking {
  const known = selected.filter((id) => setup.units.some((one) => one.id === id));
  if (setup.most !== null && known.length > setup.most)
    return marked(ZERO, [{ code: 'choices-too-many', values: { keys: setup.most } }]);
  const marking = markChoices(new Set(keysOf(setup)), known, setup.scheme);
  const said = setup.units.filter(({ id, key, feedback }) => !key && feedback !== '' && known.includes(id));
  return {
    ...marking,
    trace: [{ code: 'choices-chosen', evidence: wordsOf(setup, known) }, ...marking.trace],
    ...(said.length > 0 ? { feedback: said.map(({ feedback }) => feedback).join(' ') } : {}),
  };
}

/** All right ones; one of them; all with a wrong one; a wrong one alone. */
function tryouts(setup: SelectSetup): SelectResponse[] {
  const keys = keysOf(setup);
  const [wrong] = setup.units.filter(({ key }) => !key).map(({ id }) => id);
  const also = wrong === undefined ? [] : [[...keys, wrong], [wrong]];
  const tried = [keys, keys.slice(0, 1), ...also].filter((selected) => selected.length > 0);
  return [...new Map(tried.map((selected) => [selected.join(), { selected }])).values()];
}

/** Words or sentences of a text to be selected. */
export const select: KindWith<'marked' | 'parts', SelectSetup, SelectSheet, SelectResponse> = {
  name: 'select',
  placement: 'block',
  setup: { name: 'select setup', version: 1, schema: setup, migrations: [] },
  response: { name: 'select response', version: 1, schema: response, migrations: [] },
  accepts({ units, most }, { selected }) {
    const known = new Set(units.map(({ id }) => id));
    const each = new Set(selected).size === selected.length && selected.every((id) => known.has(id));
    return each && selected.length <= (most ?? units.length);
  },
  fresh: () => ({ version: 1, text: '', size: 'words', units: [], most: null, scheme: 'by-part-deductions' }),
  blank: ({ selected }) => selected.length === 0,
  sheet: ({ text, units, most }) => ({ pieces: piecesOf(text, units), most }),
  readiness,
  describe: ({ text }) => text,
  describeResponse: (setup, { selected }) => wordsOf(setup, selected).join('; '),
  gist: (_, { selected }) => [...selected].sort().join(' '),
  put(setup, put) {
    const text = put(setup.text, 'words');
    const units = setup.units.map((one) => ({ ...one, feedback: put(one.feedback, 'words') }));
    // Only where a value stood in the text do the units lie elsewhere now.
    return {
      ...setup,
      text,
      units: text === setup.text ? units : resplit({ text: setup.text, units }, text, setup.size, MOST_UNITS),
    };
  },
  marked: {
    mark,
    key: (setup) => (keysOf(setup).length > 0 ? { selected: keysOf(setup) } : null),
    describeKey: (setup) => wordsOf(setup, keysOf(setup)).join('; '),
    fixedKeyPlace: () => null,
    worth: (setup) => keysOf(setup).map(() => 1),
    keyed: (setup, { selected }) => ({
      ...setup,
      units: setup.units.map((one) => ({ ...one, key: selected.includes(one.id) })),
    }),
    tryouts,
  },
  parts: {
    of: ({ units }) => units.map(({ id }) => id),
    spokenOf: ({ selected }) => selected,
    rename: (sheet, names) => ({
      ...sheet,
      pieces: sheet.pieces.map(({ id, text }) => ({ id: id === null ? null : (names.get(id) ?? id), text })),
    }),
    inNames: ({ selected }, names) => ({ selected: selected.map((id) => names.get(id) ?? id) }),
  },
};
