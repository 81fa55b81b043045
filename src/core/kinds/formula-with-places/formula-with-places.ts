import { z } from 'zod';
import { exact, exactText, ONE, sum, ZERO } from '../../base/exact';
import { type Finding, stops, under } from '../../base/finding';
import { marked, type Marking, type TraceStep, waits } from '../../rules/marking';
import { gistOfMaths } from '../../rules/maths/gist';
import { fillPlaces, placesIn, withNamedPlaces } from '../../rules/maths/places';
import {
  LONGEST_FORMULA,
  markMaths,
  mathsRules,
  mathsRulesReadiness,
  type MathsRules,
  putInMaths,
  rulesFromKey,
  sameFormula,
} from '../../rules/maths/rules';
import { mathsTryouts } from '../../rules/maths/tryouts';
import type { KindWith } from '../contract';

const placeId = z.string().regex(/^[a-z0-9]{1,12}$/);

const setup = z.object({
  version: z.literal(1),
  /** The formula with its places, each filled with its key: `x = \frac{\placeholder[p1]{3}}{4}`. */
  formula: z.string().max(LONGEST_FORMULA),
  /** How the answer in each place is judged; its first key is what stands in the formula. */
  places: z.record(placeId, z.object({ rules: mathsRules, weight: exactText })),
  /** How the whole formula is judged at once, with all places filled; null when each place is judged by itself. */
  whole: mathsRules.nullable(),
});
export type PlacesSetup = z.infer<typeof setup>;

/** What stands in each place, as LaTeX or plain typing. */
const response = z.object({ places: z.record(placeId, z.string().max(500)) });
export type PlacesResponse = z.infer<typeof response>;

export interface PlacesSheet {
  /** The formula with empty places. */
  formula: string;
  /** The same to look at, with numbered boxes, between dollar signs. */
  shown: string;
  places: string[];
  variables: string[];
  decimalComma: boolean;
}

const ids = ({ formula }: PlacesSetup): string[] => placesIn(formula).map(({ id }) => id);
const keyOf = (setup: PlacesSetup, id: string): string =>
  placesIn(setup.formula).find((place) => place.id === id)?.content ?? '';

/** The rules of a place, with what stands in the formula as their first key. */
function rulesOf(setup: PlacesSetup, id: string): MathsRules {
  const key = keyOf(setup, id);
  const rules = setup.places[id]?.rules ?? rulesFromKey(key);
  const [first, ...rest] = rules.rules;
  return { ...rules, rules: [{ form: null, share: '1', feedback: '', ...first, key }, ...rest] };
}

/** The formula with what was answered in its places, each in brackets, so that it stays what it is. */
function filled(setup: PlacesSetup, { places }: PlacesResponse): string {
  return fillPlaces(setup.formula, ({ id }) => `\\left(${places[id]?.trim() ?? ''}\\right)`);
}

const keys = (setup: PlacesSetup): PlacesResponse => ({
  places: Object.fromEntries(placesIn(setup.formula).map(({ id, content }) => [id, content])),
});

function boxed(setup: PlacesSetup, content: (id: string, index: number) => string): string {
  return `$\\displaystyle ${fillPlaces(setup.formula, ({ id }, index) => `\\boxed{${content(id, index) || '\\;'}}`)}$`;
}

function markEach(setup: PlacesSetup, { places }: PlacesResponse): Marking {
  const trace: TraceStep[] = [];
  const feedback: string[] = [];
  const weights = ids(setup).map((id) => exact(setup.places[id]?.weight ?? '1'));
  const all = sum(weights);
  let share = ZERO;
  let waiting = false;
  ids(setup).forEach((id, index) => {
    const typed = places[id]?.trim() ?? '';
    const marking: Marking = typed === '' ? marked(ZERO, [{ code: 'blank' }]) : markMaths(rulesOf(setup, id), typed);
    trace.push({ code: 'place', values: { number: index + 1 } }, ...marking.trace);
    if (marking.state === 'waits') waiting = true;
    else {
      share = share.add(marking.share.mul(weights[index] ?? ONE));
      if (marking.feedback) feedback.push(marking.feedback);
    }
  });
  return waiting || all.equals(0) ? waits(trace) : marked(share.div(all), trace, feedback.join(' '));
}

function markWhole(setup: PlacesSetup, rules: MathsRules, given: PlacesResponse): Marking {
  if (ids(setup).some((id) => (given.places[id]?.trim() ?? '') === ''))
    return marked(ZERO, [{ code: 'places-empty' }], rules.otherwiseFeedback);
  return markMaths(wholeRules(setup, rules), filled(setup, given));
}

function wholeRules(setup: PlacesSetup, rules: MathsRules): MathsRules {
  const key = filled(setup, keys(setup));
  const [first, ...rest] = rules.rules;
  return {
    ...rules,
    mode: rulesFromKey(key).mode,
    rules: [{ form: null, share: '1', feedback: '', ...first, key }, ...rest],
  };
}

function readiness(setup: PlacesSetup): Finding[] {
  const found = placesIn(setup.formula);
  if (found.length === 0) return [stops('no-places', [])];
  const findings: Finding[] = [];
  found.forEach(({ id, content }, index) => {
    if (content === '') findings.push(stops('place-without-key', ['places', id], { number: index + 1 }));
    else if (setup.whole === null)
      findings.push(...under('places', under(id, mathsRulesReadiness(rulesOf(setup, id)))));
  });
  if (setup.whole && findings.length === 0) findings.push(...mathsRulesReadiness(wholeRules(setup, setup.whole)));
  return findings;
}

/** A place in plain typing: ?(what stands in it). */
const TYPED_PLACE = /\?\(((?:[^()]|\([^()]*\))*)\)/g;

function fromTypedKey(setup: PlacesSetup, typed: string): PlacesSetup {
  const line =
    typed
      .replace(/^\*\s*/, '')
      .split('\n')[0]
      ?.trim() ?? '';
  const marked = line.replace(TYPED_PLACE, (_, content: string) => `\\placeholder{${content}}`);
  const formula = line === '' ? '' : withNamedPlaces(placesIn(marked).length > 0 ? marked : `\\placeholder{${line}}`);
  return withFormula({ ...setup, places: {} }, formula);
}

/** The setup with another formula: new places get rules from what stands in them, places that are gone lose theirs. */
export function withFormula(setup: PlacesSetup, written: string): PlacesSetup {
  const formula = withNamedPlaces(written);
  const places = placesIn(formula).map(({ id, content }) => {
    const known = setup.places[id];
    const fresh = rulesFromKey(content);
    const rules =
      known && known.rules.rules.length > 1 ? known.rules : { ...(known?.rules ?? fresh), mode: fresh.mode };
    return [
      id,
      {
        rules: { ...rules, rules: rules.rules.map((rule, i) => (i === 0 ? { ...rule, key: content } : rule)) },
        weight: known?.weight ?? '1',
      },
    ];
  });
  return { ...setup, formula, places: Object.fromEntries(places) };
}

/** What is typed for the places, one after another. */
function inPlaces(setup: PlacesSetup, parts: readonly string[]): PlacesResponse {
  return { places: Object.fromEntries(ids(setup).map((id, i) => [id, (parts[i] ?? '').trim().slice(0, 500)])) };
}

/** The key, and the key with one place as somebody might fill it otherwise. */
function tryouts(setup: PlacesSetup): PlacesResponse[] {
  const right = ids(setup).map((id) => keyOf(setup, id));
  if (right.length === 0 || right.includes('')) return [];
  const others = ids(setup).flatMap((id, at) =>
    mathsTryouts(rulesOf(setup, id))
      .slice(1, 4)
      .map((typed) => right.map((key, i) => (i === at ? typed : key))),
  );
  return [right, ...others].map((parts) => inPlaces(setup, parts));
}

export const formulaWithPlaces: KindWith<
  'marked' | 'typed' | 'valued' | 'parts',
  PlacesSetup,
  PlacesSheet,
  PlacesResponse
> = {
  name: 'formulaWithPlaces',
  placement: 'inline',
  setup: { name: 'formula with places', version: 1, schema: setup, migrations: [] },
  response: { name: 'formula with places response', version: 1, schema: response, migrations: [] },
  accepts: (setup, response) => Object.keys(response.places).every((id) => ids(setup).includes(id)),
  fresh: () => ({ version: 1, formula: '', places: {}, whole: null }),
  blank: ({ places: given }) => Object.values(given).every((typed) => typed.trim() === ''),
  sheet: (setup) => ({
    formula: fillPlaces(setup.formula, ({ id }) => `\\placeholder[${id}]{}`),
    shown: boxed(setup, (_, index) => `\\;${index + 1}\\;`),
    places: ids(setup),
    variables: [...new Set(ids(setup).flatMap((id) => setup.places[id]?.rules.variables ?? []))],
    decimalComma: Object.values(setup.places).some(({ rules }) => rules.decimalComma),
  }),
  readiness,
  describe: ({ formula }) => fillPlaces(formula, () => '…'),
  describeResponse: (setup, given) => boxed(setup, (id) => given.places[id]?.trim() ?? ''),
  gist: (setup, given) =>
    ids(setup)
      .map((id) => gistOfMaths(rulesOf(setup, id), given.places[id] ?? ''))
      .join(' ; '),
  same: (setup, a, b) =>
    ids(setup).every((id) => sameFormula(rulesOf(setup, id), a.places[id] ?? '', b.places[id] ?? '')),
  put(setup, put) {
    const formula = put(setup.formula, 'formula');
    const rules = Object.entries(setup.places).map(([id, place]) => [
      id,
      { ...place, rules: putInMaths(place.rules, put) },
    ]);
    return { ...setup, formula, places: Object.fromEntries(rules), whole: setup.whole && putInMaths(setup.whole, put) };
  },
  marked: {
    mark: (setup, given) => (setup.whole ? markWhole(setup, setup.whole, given) : markEach(setup, given)),
    key: (setup) => (ids(setup).length === 0 || ids(setup).some((id) => keyOf(setup, id) === '') ? null : keys(setup)),
    describeKey: (setup) => (ids(setup).length === 0 ? '' : boxed(setup, (id) => keyOf(setup, id))),
    fixedKeyPlace: () => null,
    tryouts,
  },
  typed: {
    name: 'formula with places',
    withKey: fromTypedKey,
    keyText: ({ formula }) => fillPlaces(formula, ({ content }) => `?(${content})`),
    response: (setup, typed) => inPlaces(setup, typed.split(';')),
    responseText: (setup, { places: given }) =>
      ids(setup)
        .map((id) => given[id] ?? '')
        .join('; '),
  },
  parts: {
    of: ids,
    spokenOf: ({ places: given }) => Object.keys(given),
    rename: (sheet, names) => ({
      ...sheet,
      formula: fillPlaces(sheet.formula, ({ id }) => `\\placeholder[${names.get(id) ?? id}]{}`),
      places: sheet.places.map((id) => names.get(id) ?? id),
    }),
    inNames: ({ places: given }, names) => ({
      places: Object.fromEntries(Object.entries(given).map(([id, typed]) => [names.get(id) ?? id, typed])),
    }),
  },
  valued: {
    value(setup, given) {
      const [only, more] = ids(setup);
      const typed = only === undefined || more !== undefined ? '' : (given.places[only]?.trim() ?? '');
      return typed === '' ? null : typed;
    },
  },
};
