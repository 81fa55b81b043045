import { z } from 'zod';
import { type Finding, stops, warns } from '../../base/finding';
import { handedFile } from '../../content/handed-file';
import { clock } from '../../content/recordings';
import { mediaHash } from '../../content/document';
import { type Marking, waits } from '../../rules/marking';
import { textRulesReadiness } from '../../rules/text/readiness';
import { markText, putInText, rulesFromKey, textRules } from '../../rules/text/rules';
import { gistOfText } from '../../rules/text/words';
import { SURE_ENOUGH } from '../../speech/understood';
import type { KindWith } from '../contract';

/** The longest that is said at once, in seconds. */
export const LONGEST_SAYING = 10;
/** Samples that a slot may have. */
export const MOST_SPOKEN = 40;

const spoken = z.object({
  id: z.string().min(1).max(12),
  words: z.string().max(200),
  /** A WAV file among the media, by its hash. */
  sound: mediaHash,
});
export type SpokenWords = z.infer<typeof spoken>;

const setup = z.object({
  version: z.literal(1),
  rules: textRules,
  /** The words as somebody says them, and others that may be said: what a recording is compared with. */
  spoken: z.array(spoken).max(MOST_SPOKEN),
  /** How long it can be, in seconds. */
  seconds: z.number().int().min(2).max(LONGEST_SAYING),
  /** How often it can be said; null for as often as one likes. */
  tries: z.number().int().min(1).max(20).nullable(),
  /** How sure it has to be to be marked without a person. */
  sure: z.enum(['fairly', 'quite', 'very']),
});
export type SaySetup = z.infer<typeof setup>;

const response = z.object({
  file: handedFile.nullable(),
  /** How long it is, in seconds. */
  seconds: z.number().min(0).max(3600),
  /** How often it was said. */
  tries: z.number().int().min(0).max(1000),
  /** What was understood; null while nobody has listened. The server says it, never the page. */
  understood: z.object({ words: z.string().max(200), sure: z.number().min(0).max(1) }).nullable(),
});
export type SayResponse = z.infer<typeof response>;

export type SaySheet = Pick<SaySetup, 'seconds' | 'tries' | 'sure'>;

/** What a sample is called in the tray. */
export const spokenAs = (words: string): string => `“${words}”, spoken`;

/** Whether somebody who says this has said a fully right answer. */
export const saysRight = ({ rules }: Pick<SaySetup, 'rules'>, words: string): boolean => {
  const marking = markText(rules, words);
  return marking.state === 'marked' && marking.share.compare(1) === 0;
};

function readiness(slot: SaySetup): Finding[] {
  const findings = textRulesReadiness(slot.rules);
  const { spoken: samples } = slot;
  if (samples.some(({ words }) => words.trim() === '')) findings.push(stops('spoken-without-words', ['spoken']));
  if (!samples.some(({ words }) => saysRight(slot, words))) findings.push(stops('spoken-no-right', ['spoken']));
  else if (samples.every(({ words }) => saysRight(slot, words))) findings.push(warns('spoken-no-other', ['spoken']));
  return findings;
}

function mark({ rules, sure }: SaySetup, { understood }: SayResponse, asked?: string): Marking {
  if (!understood) return waits([{ code: 'not-heard' }]);
  if (understood.words === '') return waits([{ code: 'nothing-understood' }]);
  const step = {
    code: 'understood',
    values: { sure: Math.round(100 * understood.sure) },
    evidence: [understood.words],
  };
  if (understood.sure < SURE_ENOUGH[sure]) return waits([step, { code: 'not-sure-enough' }]);
  const marking = markText(rules, understood.words, asked);
  return { ...marking, trace: [step, ...marking.trace] };
}

/** A sample as if a student had said it. */
const said = ({ sound, words }: SpokenWords): SayResponse => ({
  file: { hash: sound, name: 'sample.wav', size: 1, attempt: '' },
  seconds: 1,
  tries: 1,
  understood: { words, sure: 1 },
});

/** A word or a phrase that is spoken, understood by a machine as well as it can, and marked by rules for text. What is doubtful waits for a person, who listens. */
export const say: KindWith<'marked' | 'files' | 'media' | 'spoken' | 'judged', SaySetup, SaySheet, SayResponse> = {
  name: 'say',
  placement: 'block',
  setup: { name: 'say setup', version: 1, schema: setup, migrations: [] },
  response: { name: 'say response', version: 1, schema: response, migrations: [] },
  accepts: ({ tries }, { file, tries: taken }) =>
    (file === null || /\.wav$/i.test(file.name)) && (tries === null || taken <= tries),
  // What is understood is one of the samples, so whatever is not right is wrong.
  fresh: () => ({
    version: 1,
    rules: { ...rulesFromKey(''), otherwise: 'zero' },
    spoken: [],
    seconds: 5,
    tries: 3,
    sure: 'quite',
  }),
  blank: ({ file }) => file === null,
  sheet: ({ seconds, tries, sure }) => ({ seconds, tries, sure }),
  readiness,
  describe: () => '…',
  describeResponse(_, { file, seconds, understood }) {
    if (file === null) return '';
    return understood?.words ? `“${understood.words}”` : `[${file.name}${seconds > 0 ? `, ${clock(seconds)}` : ''}]`;
  },
  // What was not understood surely is nobody else's answer.
  gist: ({ rules, sure }, { file, understood }) =>
    understood && understood.words !== '' && understood.sure >= SURE_ENOUGH[sure]
      ? gistOfText(understood.words, rules.forgives)
      : (file?.hash ?? ''),
  put: (given, put) => ({
    ...given,
    rules: putInText(given.rules, put),
    spoken: given.spoken.map((one) => ({ ...one, words: put(one.words, 'words') })),
  }),
  marked: {
    mark,
    key(slot) {
      const sample = slot.spoken.find(({ words }) => saysRight(slot, words));
      return sample ? said(sample) : null;
    },
    describeKey: (slot) => slot.spoken.find(({ words }) => saysRight(slot, words))?.words ?? '',
    fixedKeyPlace: () => null,
    tryouts: ({ spoken: samples }) => samples.map(said),
  },
  files: { of: ({ file }) => (file === null ? [] : [file]) },
  media: { of: ({ spoken: samples }) => samples.map(({ sound }) => sound) },
  spoken: {
    samples: ({ spoken: samples }) => samples.map(({ words, sound }) => ({ words, sound })),
    tries: ({ tries }) => tries,
    recording: ({ file }) => file,
    understood: ({ understood }) => understood,
    withUnderstood: (given, understood) => ({ ...given, understood }),
  },
  judged: {
    holds: (_, { file, seconds }, anchor) =>
      file !== null && anchor.at === 'seconds' && (seconds === 0 || anchor.from <= seconds + 1),
    somewhere: (_, { file }) => (file === null ? null : { at: 'seconds', from: 0, to: 0 }),
  },
};
