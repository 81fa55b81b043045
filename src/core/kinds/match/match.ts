import { z } from 'zod';
import { type Finding, stops } from '../../base/finding';
import { shuffled } from '../../base/random';
import {
  type Arrangement,
  byId,
  canStand,
  firstAccepted,
  nearKey,
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

export const MOST_PAIRS = 40;

const setup = z.object({
  version: z.literal(1),
  /** What stands at the left, each with a place for its partner. Plain text in which $…$ is a formula. */
  prompts: z
    .array(
      z.object({
        id: partId,
        text: z.string().max(500),
        /** Its partners; none for what has no partner. */
        accepts: z.array(partId).max(MOST_PAIRS),
        /** Said to a student who gave it a wrong one. */
        feedback: z.string().max(1000),
      }),
    )
    .min(1)
    .max(MOST_PAIRS),
  /** What is given to them; those that nobody accepts are distractors. */
  partners: z.array(z.object({ id: partId, text: z.string().max(500) })).max(MOST_PAIRS),
  /** Whether a partner may be given to several. */
  again: z.boolean(),
  scheme: z.enum(PLACING_SCHEMES),
});
export type MatchSetup = z.infer<typeof setup>;

export interface MatchSheet {
  prompts: { id: string; text: string }[];
  partners: { id: string; text: string }[];
  again: boolean;
}

const keyOf = ({ prompts, again }: MatchSetup): PlacedResponse | null => firstAccepted(prompts, again);

const arrangement = ({ prompts, partners, again }: MatchSetup): Arrangement => ({
  items: partners.map(({ id }) => id),
  places: prompts.map(({ id }) => ({ id, most: 1 })),
  again,
});

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
  for (const [at, list] of [
    ['prompts', prompts],
    ['partners', partners],
  ] as const) {
    const seen = new Set<string>();
    for (const { id, text } of list) {
      const plain = plainReading(text);
      if (plain === '') findings.push(stops('match-empty', [at, id]));
      else if (seen.has(plain)) findings.push(stops('match-same', [at, id], { text: plain }));
      seen.add(plain);
    }
  }
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
export const match: KindWith<'marked' | 'parts' | 'typed', MatchSetup, MatchSheet, PlacedResponse> = {
  name: 'match',
  placement: 'block',
  setup: { name: 'match setup', version: 1, schema: setup, migrations: [] },
  response: { name: 'match response', version: 1, schema: placedResponse, migrations: [] },
  accepts: (setup, { placed }) => canStand(arrangement(setup), placed),
  fresh: () => ({
    version: 1,
    prompts: ['p1', 'p2', 'p3'].map((id) => ({ id, text: '', accepts: [], feedback: '' })),
    partners: [],
    again: false,
    scheme: 'by-part',
  }),
  blank: ({ placed }) => placed.length === 0,
  sheet: ({ prompts, partners, again }, seed) => ({
    prompts: prompts.map(({ id, text }) => ({ id, text })),
    partners: (seed === null ? byId(partners) : shuffled(byId(partners), seed)).map(({ id, text }) => ({ id, text })),
    again,
  }),
  readiness,
  describe: ({ prompts, partners }) => [...prompts, ...byId(partners)].map(({ text }) => text).join(' / '),
  describeResponse: wordsOf,
  gist: (_, given) => placedGist(given),
  put: (setup, put) => ({
    ...setup,
    prompts: setup.prompts.map((prompt) => ({
      ...prompt,
      text: put(prompt.text, 'words'),
      feedback: put(prompt.feedback, 'words'),
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
    tryouts: (setup) => nearKey(keyOf(setup)?.placed ?? []),
  },
  parts: {
    of: ({ prompts, partners }) => [...prompts, ...partners].map(({ id }) => id),
    spokenOf,
    rename: ({ prompts, partners, again }, names) => ({
      prompts: prompts.map(({ id, text }) => ({ id: names.get(id) ?? id, text })),
      partners: byId(partners.map(({ id, text }) => ({ id: names.get(id) ?? id, text }))),
      again,
    }),
    inNames: renamed,
  },
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
