import type { z } from 'zod';
import type { HandedFile } from '../content/handed-file';
import type { Finding } from '../base/finding';
import type { StoredForm } from '../base/stored-form';
import type { Marking } from '../rules/marking';
import type { Conventions } from '../rules/maths/rules';
import type { Put } from '../content/put';

/**
 * What every kind of answer slot provides. `Setup` is what the teacher sets,
 * key and rules included; `Sheet` is what a student may see; `Response` is what
 * a student answers. A place that would need to know a kind by name means that
 * something is missing here.
 */
export interface Kind<Setup, Sheet, Response> {
  name: string;
  /** Whether the slot stands inside a line or is a block of its own. */
  placement: 'inline' | 'block';
  setup: StoredForm<Setup>;
  response: z.ZodType<Response>;
  /** Whether a response of the right form is one that this slot could have been given: its options, its places, as many files as it takes. */
  accepts: (setup: Setup, response: Response) => boolean;
  /** The files that stand beside a response, for kinds that take some. */
  files?: (response: Response) => readonly HandedFile[];
  /** A fresh slot, without a key, read by the conventions of the department. */
  fresh: (conventions?: Conventions) => Setup;
  blank: (response: Response) => boolean;
  /** What the student may see: never the key, the rules or feedback. `seed` decides every shuffle; null leaves the author's order. */
  sheet: (setup: Setup, seed: number | null) => Sheet;
  mark: (setup: Setup, response: Response) => Marking;
  readiness: (setup: Setup) => Finding[];
  /** The slot in a few plain words, for search, print and lists. */
  describe: (setup: Setup) => string;
  /** A response in plain words, for markers, tables and screen readers. */
  describeResponse: (setup: Setup, response: Response) => string;
  /** The key in plain words, for results. */
  describeKey: (setup: Setup) => string;
  /** A fully right response; null while there is no key. */
  key: (setup: Setup) => Response | null;
  /** Where on the sheet the key always stands (1, 2 …), when it does and that could give it away; else null. */
  fixedKeyPlace: (setup: Setup) => number | null;
  /**
   * The slot with what a teacher typed as its key, in the manner of the sheet:
   * an answer, a number with its unit, or options one a line with "*" before
   * the right ones.
   */
  withKey: (setup: Setup, typed: string) => Setup;
  /** The key as `withKey` takes it. */
  typedKey: (setup: Setup) => string;
  /** Typed answers worth trying, from the rules: the key otherwise written, near misses, typical slips. */
  tryouts: (setup: Setup) => string[];
  /**
   * What the answer comes to, as one line: answers with the same line are one
   * answer, however they were written. For gathering the answers of many, and
   * for answers that were decided one by one.
   */
  gist: (setup: Setup, response: Response) => string;
  /** Whether two answers with different gists are one answer all the same; for kinds in which that takes working out. */
  same?: (setup: Setup, a: Response, b: Response) => boolean;
  /** The answer as a value that a later slot may reckon with, as plain typing; null when it has none. */
  valueOf: (setup: Setup, response: Response) => string | null;
  /** The slot with named values put into its texts, its key and its rules. */
  put: (setup: Setup, put: Put) => Setup;
  /** A typed trial answer as a response: options by letter or words, text and numbers as they are. */
  fromTyped: (setup: Setup, typed: string) => Response;
}
