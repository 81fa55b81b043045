import { z } from 'zod';
import { type Finding, warns } from '../../base/finding';
import { handedFile } from '../../content/handed-file';
import { readingFigures, readWords } from '../../content/reading-aloud';
import { clock, recordingName } from '../../content/recordings';
import type { KindWith } from '../contract';

/** The longest recording, in seconds. What a browser records in the sizes that are asked for stays below the largest file. */
export const LONGEST = { voice: 20 * 60, film: 4 * 60 } as const;

const setup = z.object({
  version: z.literal(1),
  takes: z.enum(['voice', 'film']),
  /** How long it can be, in seconds. */
  seconds: z.number().int().min(5).max(LONGEST.voice),
  /** How often it can be recorded; null for as often as one likes. */
  tries: z.number().int().min(1).max(20).nullable(),
  /** What is read aloud; empty where nothing is. */
  reads: z.string().max(10_000),
  /** Words read rightly in a minute that are hoped for; null where nothing is. */
  goal: z.number().int().min(1).max(500).nullable().default(null),
  /** What whoever marks listens for; no student sees it. */
  example: z.string().max(10_000),
});
export type RecordSetup = z.infer<typeof setup>;

const response = z.object({
  file: handedFile.nullable(),
  /** How long it is, in seconds; 0 where a file was chosen and it is not known. */
  seconds: z.number().min(0).max(36_000),
  /** How often it was recorded. */
  tries: z.number().int().min(0).max(1000),
});
export type RecordResponse = z.infer<typeof response>;

export type RecordSheet = Pick<RecordSetup, 'takes' | 'seconds' | 'tries' | 'reads'>;

function readiness({ takes, seconds, example, reads }: RecordSetup): Finding[] {
  const findings: Finding[] = [];
  if (seconds > LONGEST[takes]) findings.push(warns('recording-long', ['seconds'], { most: LONGEST[takes] / 60 }));
  if (example.trim() === '' && reads.trim() === '') findings.push(warns('no-example', ['example']));
  return findings;
}

/** A voice or a short film, recorded on the spot or handed in as a file. A person listens to it. */
export const record: KindWith<'files' | 'judged', RecordSetup, RecordSheet, RecordResponse> = {
  name: 'record',
  placement: 'block',
  setup: { name: 'record setup', version: 1, schema: setup, migrations: [] },
  response: { name: 'record response', version: 1, schema: response, migrations: [] },
  accepts: ({ takes, tries }, { file, tries: taken }) =>
    (file === null || recordingName(takes, file.name)) && (tries === null || taken <= tries),
  fresh: () => ({ version: 1, takes: 'voice', seconds: 60, tries: null, reads: '', goal: null, example: '' }),
  blank: ({ file }) => file === null,
  sheet: ({ takes, seconds, tries, reads }) => ({ takes, seconds, tries, reads }),
  readiness,
  describe: () => '…',
  describeResponse: (_, { file, seconds }) =>
    file === null ? '' : `[${file.name}${seconds > 0 ? `, ${clock(seconds)}` : ''}]`,
  gist: (_, { file }) => file?.hash ?? '',
  looksFor: ({ example, goal, reads }) =>
    [example, reads !== '' && goal !== null ? `${goal} words read rightly in a minute` : ''].filter(Boolean).join('; '),
  put: (given, put) => ({ ...given, reads: put(given.reads, 'words'), example: put(given.example, 'words') }),
  files: { of: ({ file }) => (file === null ? [] : [file]) },
  judged: {
    // How long a chosen file is, nobody has said.
    holds: ({ reads }, { file, seconds }, anchor) =>
      file !== null &&
      ((anchor.at === 'seconds' && (seconds === 0 || anchor.from <= seconds + 1)) ||
        (anchor.at === 'read' && anchor.word < readWords(reads).length)),
    figure({ reads, goal }, { seconds }, anchors) {
      const marked = anchors.filter((anchor) => anchor.at === 'read');
      const { correctPerMinute } = readingFigures(readWords(reads).length, marked, seconds);
      return marked.length === 0 || correctPerMinute === null ? null : { value: correctPerMinute, goal };
    },
    somewhere: (_, { file }) => (file === null ? null : { at: 'seconds', from: 0, to: 0 }),
  },
};
