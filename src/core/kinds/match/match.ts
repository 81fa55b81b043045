import { onPlaces, whatIsRight } from '../../rules/placing/right';
import { writtenPlacing } from '../../rules/placing/lettered';
import { z } from 'zod';
import { type Finding, stops } from '../../base/finding';
import { mediaShown, renamedShown, type Shown, shownMedia, shownOnSheet } from '../../content/shown';
import {
  acceptingWhatStands,
  byId,
  firstAccepted,
  mixed,
  nearKey,
  oneOnEach,
  partId,
  type PlacedResponse,
} from '../../rules/placing/placed';
import { markPlaced, placeRules, PLACING_SCHEMES, putRules, worthOf } from '../../rules/placing/rules';
import type { KindWith } from '../contract';
import { eachDifferent } from '../each-different';
import { placedKind } from '../placed-kind';

export const MOST_PAIRS = 40;

const setup = z.object({
  version: z.literal(1),
  /** What stands at the left, each with a place for its partner. Plain text in which $…$ is a formula. */
  prompts: z
    .array(
      z.object({
        id: partId,
        text: z.string().max(500),
        media: shownMedia.optional(),
        /** Its partners; none for what has no partner. */
        accepts: z.array(partId).max(MOST_PAIRS),
        ...placeRules,
      }),
    )
    .min(1)
    .max(MOST_PAIRS),
  /** What is given to them; those that nobody accepts are distractors. */
  partners: z.array(z.object({ id: partId, text: z.string().max(500), media: shownMedia.optional() })).max(MOST_PAIRS),
  /** Whether a partner may be given to several. */
  again: z.boolean(),
  scheme: z.enum(PLACING_SCHEMES),
});
export type MatchSetup = z.infer<typeof setup>;

export interface MatchSheet {
  prompts: Shown[];
  partners: Shown[];
  again: boolean;
}

const keyOf = ({ prompts, again }: MatchSetup): PlacedResponse | null => firstAccepted(prompts, again);

const { inResponses, ...common } = placedKind('match', ({ prompts, partners, again }: MatchSetup) =>
  oneOnEach(partners, prompts, again),
);

function wordsOf({ prompts, partners }: MatchSetup, { placed }: PlacedResponse): string {
  const named = new Map(partners.map(({ id, text }) => [id, text]));
  return prompts
    .flatMap(({ id, text }) =>
      placed.filter(({ place }) => place === id).map(({ item }) => `${text}: ${named.get(item)}`),
    )
    .join('; ');
}

function readiness(setup: MatchSetup): Finding[] {
  const findings: Finding[] = [];
  const { prompts, partners, again } = setup;
  const paired = prompts.filter(({ accepts }) => accepts.length > 0);
  if (paired.length < 2) findings.push(stops('match-few', []));
  else if (!again && (keyOf(setup)?.placed.length ?? 0) < paired.length) findings.push(stops('match-shared', []));
  findings.push(...eachDifferent(prompts, 'prompts'), ...eachDifferent(partners, 'partners'));
  return findings;
}

/** What is typed, a pair a line: what stands at the left, "=", and its partner; either side may be missing. */
function typedPairs(typed: string, parted: string | RegExp = '\n'): [left: string, right: string][] {
  return typed
    .split(parted)
    .map((line): [string, string] => {
      const [left = '', ...right] = line.split('=').map((side) => side.trim());
      return [left.slice(0, 500), right.join(' = ').slice(0, 500)];
    })
    .filter((sides) => sides.some((side) => side !== ''))
    .slice(0, MOST_PAIRS);
}

function withKey(setup: MatchSetup, typed: string): MatchSetup {
  const pairs = typedPairs(typed);
  const texts = [...new Set(pairs.map(([, right]) => right))].filter((right) => right !== '');
  const partners = texts.map((text, i) => ({ id: `a${i}`, text }));
  const prompts = pairs
    .filter(([left]) => left !== '')
    .map(([text, right], i) => {
      const accepts = partners.filter((partner) => partner.text === right).map(({ id }) => id);
      return { id: `p${i}`, text, accepts, feedback: '' };
    });
  if (prompts.length === 0) return setup;
  const given = prompts.flatMap(({ accepts }) => accepts);
  return { ...setup, prompts, partners, again: setup.again || new Set(given).size < given.length };
}

function keyText({ prompts, partners }: MatchSetup): string {
  const named = new Map(partners.map(({ id, text }) => [id, text]));
  const paired = new Set(prompts.flatMap(({ accepts }) => accepts));
  return [
    ...prompts.map(({ text, accepts }) =>
      accepts[0] === undefined ? text : `${text} = ${named.get(accepts[0]) ?? ''}`,
    ),
    ...partners.filter(({ id }) => !paired.has(id)).map(({ text }) => `= ${text}`),
  ].join('\n');
}

/** Pairs to be matched. */
export const match: KindWith<
  'marked' | 'parts' | 'typed' | 'media' | 'lettered' | 'partly',
  MatchSetup,
  MatchSheet,
  PlacedResponse
> = {
  ...common,
  placement: 'block',
  setup: { name: 'match setup', version: 1, schema: setup, migrations: [] },
  fresh: () => ({
    version: 1,
    prompts: ['p1', 'p2', 'p3'].map((id) => ({ id, text: '', accepts: [], feedback: '' })),
    partners: [],
    again: false,
    scheme: 'by-part',
  }),
  sheet: ({ prompts, partners, again }, seed) => ({
    prompts: prompts.map(shownOnSheet),
    partners: mixed(partners, seed).map(shownOnSheet),
    again,
  }),
  readiness,
  describe: ({ prompts, partners }) => [...prompts, ...byId(partners)].map(({ text }) => text).join(' / '),
  describeResponse: wordsOf,
  put: (setup, put) => ({
    ...setup,
    prompts: setup.prompts.map((prompt) => ({
      ...putRules(prompt, put),
      text: put(prompt.text, 'words'),
    })),
    partners: setup.partners.map((partner) => ({ ...partner, text: put(partner.text, 'words') })),
  }),
  marked: {
    mark({ prompts, partners, scheme }, { placed }) {
      const named = new Map(partners.map(({ id, text }) => [id, text]));
      return markPlaced(
        prompts.map(({ text, ...prompt }) => ({ ...prompt, name: text })),
        placed.map(({ item, place }) => ({ at: place, what: item, name: named.get(item) ?? '' })),
        scheme,
      );
    },
    key: keyOf,
    describeKey: (setup) => wordsOf(setup, keyOf(setup) ?? { placed: [] }),
    fixedKeyPlace: () => null,
    worth: ({ prompts }) => worthOf(prompts),
    keyed: (setup, response) => ({ ...setup, prompts: setup.prompts.map((one) => acceptingWhatStands(one, response)) }),
    tryouts: (setup) => nearKey(keyOf(setup)?.placed ?? []),
  },
  parts: {
    of: ({ prompts, partners }) => [...prompts, ...partners].map(({ id }) => id),
    ...inResponses,
    rename: ({ prompts, partners, again }, names) => ({
      prompts: prompts.map((prompt) => renamedShown(prompt, names)),
      partners: byId(partners.map((partner) => renamedShown(partner, names))),
      again,
    }),
  },
  partly: {
    right: ({ prompts }, response) => whatIsRight(response, onPlaces(prompts)),
  },
  lettered: {
    crossed: () => 0,
    written: ({ prompts, partners }, response) => writtenPlacing(partners, prompts, response),
  },
  media: { of: ({ prompts, partners }) => mediaShown([...prompts, ...partners]) },
  typed: {
    name: 'match',
    withKey,
    keyText,
    response: (setup, typed) => ({
      placed: typedPairs(typed, /\n|;/).flatMap(([left, right]) => {
        const place = setup.prompts.find(({ text }) => text === left);
        const item = setup.partners.find(({ text }) => text === right);
        return place && item ? [{ item: item.id, place: place.id }] : [];
      }),
    }),
    responseText: (setup, { placed }) => {
      const named = new Map(setup.partners.map(({ id, text }) => [id, text]));
      return setup.prompts
        .flatMap(({ id, text }) => {
          const given = placed.find(({ place }) => place === id);
          return given ? [`${text} = ${named.get(given.item) ?? ''}`] : [];
        })
        .join('; ');
    },
  },
};
