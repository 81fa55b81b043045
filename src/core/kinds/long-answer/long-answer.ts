import { z } from 'zod';
import { type HandedFile, handedFile } from '../../content/handed-file';
import type { Content } from '../../content/document';
import { writtenSchema } from '../../content/written';
import { type Finding, stops, under, warns } from '../../base/finding';
import { type Marking, type TraceStep, waits } from '../../rules/marking';
import { KEYWORDS_BECOME_POINTS } from '../../rules/text/migrate';
import { textRulesReadiness } from '../../rules/text/readiness';
import { keywordsIn, markText, putInText, rulesFromKey, textRules } from '../../rules/text/rules';
import { namedPoints } from '../../rules/text/unread';
import { wordedBy } from '../../rules/text/worded';
import { gistOfText } from '../../rules/text/words';
import { countWords } from '../../text/readability';
import type { KindWith } from '../contract';
import { judgedWords } from '../judged-words';

/** The longest answer that can be handed in, in characters. */
export const LONGEST_ANSWER = 50_000;

const setup = z.object({
  version: z.literal(2),
  /** Plain lines, text with headings, lists and weights, or text with formulas in it. */
  write: z.enum(['plain', 'rich', 'formulas']),
  /** Height of the space, in lines. */
  lines: z.number().int().min(2).max(40),
  /** How many words are asked for; null where it does not matter. */
  least: z.number().int().min(1).max(20_000).nullable(),
  most: z.number().int().min(1).max(20_000).nullable(),
  /** How many files may stand beside it. */
  files: z.number().int().min(0).max(10).default(0),
  /** An answer as it might be, for markers. */
  example: z.string().max(LONGEST_ANSWER),
  /** Words to look for. They help the marker, and give marks only when they count. */
  rules: textRules,
  counts: z.boolean(),
});
export type LongAnswerSetup = z.infer<typeof setup>;

const response = z.object({
  /** The words; in text with formulas, $…$ is one. */
  text: z.string().max(LONGEST_ANSWER),
  /** As it was written, where it was written with headings, lists and weights. */
  rich: writtenSchema.optional(),
  /** Files beside it. */
  files: z.array(handedFile).max(10).optional(),
});
export interface LongAnswerResponse {
  text: string;
  rich?: Content | undefined;
  files?: HandedFile[] | undefined;
}

export type LongAnswerSheet = Pick<LongAnswerSetup, 'write' | 'lines' | 'least' | 'most' | 'files'>;

function readiness({ rules, counts, example, least, most }: LongAnswerSetup): Finding[] {
  const findings: Finding[] = counts ? under('rules', textRulesReadiness(rules)) : [];
  if (!counts && example.trim() === '') findings.push(warns('no-example', ['example']));
  if (least !== null && most !== null && least > most)
    findings.push(stops('words-turned-round', ['most'], { least, most }));
  return findings;
}

function mark(
  { rules, counts, least, most }: LongAnswerSetup,
  { text, files = [] }: LongAnswerResponse,
  asked?: string,
): Marking {
  const words = countWords(text);
  const length: TraceStep[] = [
    ...(least !== null && words < least ? [{ code: 'words-too-few', values: { words, least } }] : []),
    ...(most !== null && words > most ? [{ code: 'words-too-many', values: { words, most } }] : []),
  ];
  // Nobody but a person reads a file.
  if (counts && files.length === 0) {
    const marking = markText(rules, text, asked);
    return { ...marking, trace: [...length, ...marking.trace] };
  }
  const hits = keywordsIn(rules, text);
  return waits([
    { code: 'long-answer' },
    ...(files.length > 0 ? [{ code: 'files-beside', values: { files: files.length } }] : []),
    ...length,
    ...(hits.length > 0 ? [{ code: 'words-noticed', evidence: hits }] : []),
  ]);
}

export const longAnswer: KindWith<
  'marked' | 'typed' | 'files' | 'worded' | 'judged',
  LongAnswerSetup,
  LongAnswerSheet,
  LongAnswerResponse
> = {
  name: 'longAnswer',
  placement: 'block',
  setup: { name: 'long answer setup', version: 2, schema: setup, migrations: [KEYWORDS_BECOME_POINTS] },
  response: { name: 'long answer response', version: 1, schema: response, migrations: [] },
  accepts: ({ write, files: most }, { rich, files = [] }) =>
    files.length <= most &&
    new Set(files.map(({ hash }) => hash)).size === files.length &&
    (rich === undefined || write === 'rich'),
  fresh: () => ({
    version: 2,
    write: 'plain',
    lines: 8,
    least: null,
    most: null,
    files: 0,
    example: '',
    rules: { ...rulesFromKey(''), rules: [] },
    counts: false,
  }),
  blank: ({ text, files = [] }) => text.trim() === '' && files.length === 0,
  sheet: ({ write, lines, least, most, files }) => ({ write, lines, least, most, files }),
  readiness,
  describe: () => '…',
  describeResponse: (_, { text, files = [] }) => [text, ...files.map(({ name }) => `[${name}]`)].join('\n').trim(),
  gist: ({ rules }, { text, files = [] }) =>
    [gistOfText(text, rules.forgives), ...files.map(({ hash }) => hash)].join(' ').trim(),
  put: (setup, put) => ({ ...setup, example: put(setup.example, 'words'), rules: putInText(setup.rules, put) }),
  marked: {
    mark,
    key: ({ example }) => (example.trim() === '' ? null : { text: example }),
    describeKey: ({ example }) => example,
    fixedKeyPlace: () => null,
    tryouts: ({ example }) =>
      [...new Set([example, example.split(/(?<=[.!?])\s/)[0] ?? ''])]
        .filter((text) => text.trim() !== '')
        .map((text) => ({ text })),
  },
  typed: {
    name: 'long answer',
    withKey: (setup, typed) => ({ ...setup, example: typed }),
    keyText: ({ example }) => example,
    response: (_, text) => ({ text }),
    responseText: (_, { text }) => text,
  },
  worded: {
    ...wordedBy<LongAnswerSetup, LongAnswerResponse>(),
    points: ({ rules, counts }) => (counts ? namedPoints(rules) : []),
  },
  files: { of: ({ files = [] }) => files },
  judged: judgedWords,
};
