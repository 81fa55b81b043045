import type { Anchor } from '../content/anchors';
import type { HandedFile } from '../content/handed-file';
import type { Finding } from '../base/finding';
import type { StoredForm } from '../base/stored-form';
import type { Marking } from '../rules/marking';
import type { Judgement, Rubric } from '../rules/rubric/rubric';
import type { Conventions } from '../rules/maths/rules';
import type { ClassAnswer, NamedPoint, Piece, UnreadPhrase } from '../rules/text/unread';
import type { Put } from '../content/put';
import type { Understood } from '../speech/understood';

/**
 * What every kind of answer slot provides, and beside it the capabilities that
 * a kind has or has not. `Setup` is what the teacher sets, key and rules
 * included; `Sheet` is what a student may see; `Response` is what a student
 * answers. A place that would need to know a kind by name means that something
 * is missing here.
 */
export interface Kind<Setup, Sheet, Response> {
  name: string;
  /** Whether the slot stands inside a line or is a block of its own. */
  placement: 'inline' | 'block';
  setup: StoredForm<Setup>;
  response: StoredForm<Response>;
  /** Whether a response of the right form is one that this slot could have been given: its options, its places, as many files as it takes. */
  accepts: (setup: Setup, response: Response) => boolean;
  /** A fresh slot, without a key, read by the conventions of the department. */
  fresh: (conventions?: Conventions) => Setup;
  blank: (response: Response) => boolean;
  /** What the student may see: never the key, the rules or feedback. `seed` decides every shuffle; null leaves the author's order. */
  sheet: (setup: Setup, seed: number | null) => Sheet;
  readiness: (setup: Setup) => Finding[];
  /** The slot in a few plain words, for search, print and lists. */
  describe: (setup: Setup) => string;
  /** A response in plain words, for markers, tables and screen readers. */
  describeResponse: (setup: Setup, response: Response) => string;
  /**
   * What the answer comes to, as one line: answers with the same line are one
   * answer, however they were written. For gathering the answers of many, and
   * for answers that were decided one by one.
   */
  gist: (setup: Setup, response: Response) => string;
  /** Whether two answers with different gists are one answer all the same; for kinds in which that takes working out. */
  same?: (setup: Setup, a: Response, b: Response) => boolean;
  /** What whoever marks looks for, in plain words, where no key says it. No student sees it. */
  looksFor?: (setup: Setup) => string;
  /** The slot with named values put into its texts, its key and its rules. */
  put: (setup: Setup, put: Put) => Setup;

  marked?: Marked<Setup, Response>;
  typed?: Typed<Setup, Response>;
  valued?: Valued<Setup, Response>;
  files?: Files<Response>;
  parts?: Parts<Setup, Sheet, Response>;
  media?: Media<Setup>;
  lettered?: Lettered<Sheet, Response>;
  partly?: Partly<Setup, Response>;
  worded?: Worded<Setup, Response>;
  judged?: Judged<Setup, Response>;
  selfJudged?: SelfJudged<Setup, Response>;
  spoken?: Spoken<Setup, Response>;
  offers?: Offers<Setup, Response>;
}

/** Has a key and rules: a machine marks it, or says that a person has to. Where this is missing, a person always has to. */
export interface Marked<Setup, Response> {
  /** `asked` is the text of the question, for rules that have to know what was copied from it. */
  mark: (setup: Setup, response: Response, asked?: string) => Marking;
  /** A fully right response; null while there is no key. */
  key: (setup: Setup) => Response | null;
  /** The key in plain words, for results. */
  describeKey: (setup: Setup) => string;
  /** Where on the sheet the key always stands (1, 2 …), when it does and that could give it away; else null. */
  fixedKeyPlace: (setup: Setup) => number | null;
  /** How often each thing that earns a part of the marks counts; missing where parts are not counted. */
  worth?: (setup: Setup) => readonly number[];
  /** The same slot with this response as the one that is right as a whole. Where it is missing, one answer alone can be right. */
  keyed?: (setup: Setup, response: Response) => Setup;
  /** Answers worth trying, from the rules: the key otherwise written, near misses, typical slips. */
  tryouts: (setup: Setup) => Response[];
}

/** Can be typed as plain text, key and answers: in a spreadsheet, in a document, in a line of the bench. */
export interface Typed<Setup, Response> {
  /** How the kind is called in a spreadsheet. */
  name: string;
  /**
   * The slot with what a teacher typed as its key, in the manner of the sheet:
   * an answer, a number with its unit, or options one a line with "*" before
   * the right ones.
   */
  withKey: (setup: Setup, typed: string) => Setup;
  /** The key as `withKey` takes it. */
  keyText: (setup: Setup) => string;
  /** An answer as a response: options by letter or words, text and numbers as they are. */
  response: (setup: Setup, typed: string) => Response;
  /** A response as `response` takes it. */
  responseText: (setup: Setup, response: Response) => string;
}

/** Its answer is a value that a later slot may reckon with. */
export interface Valued<Setup, Response> {
  /** The value as plain typing; null when the response has none. */
  value: (setup: Setup, response: Response) => string | null;
}

/** Files may stand beside its answer. */
export interface Files<Response> {
  of: (response: Response) => readonly HandedFile[];
}

/**
 * Has parts (options, places) that responses speak of by names. Every attempt
 * has names of its own for them, so that the author's tell nothing.
 */
export interface Parts<Setup, Sheet, Response> {
  /** The author's names. */
  of: (setup: Setup) => readonly string[];
  /** The names that a response speaks of. */
  spokenOf: (response: Response) => readonly string[];
  /** The sheet under other names; parts that may stand in any order stand in that of the new names. */
  rename: (sheet: Sheet, names: ReadonlyMap<string, string>) => Sheet;
  /** A response under other names; each that it speaks of has one. */
  inNames: (response: Response, names: ReadonlyMap<string, string>) => Response;
}

/** On a printed paper its parts are called by letters, so that an answer is written with few signs. */
export interface Lettered<Sheet, Response> {
  /** How many letters there are to cross; 0 where letters are written at places or in an order. */
  crossed: (sheet: Sheet) => number;
  /** An answer in the letters of this sheet; null when it has none. */
  written: (sheet: Sheet, response: Response) => string | null;
}

/** A part of a wrong answer can be right. */
export interface Partly<Setup, Response> {
  /** A response without what is wrong in it; what is right stays when it is tried again. */
  right: (setup: Setup, response: Response) => Response;
}

/** Pictures or sounds stand in its setup. */
export interface Media<Setup> {
  /** By their hashes. */
  of: (setup: Setup) => readonly string[];
}

/** Marked by points that are said in words. */
export interface Worded<Setup, Response> {
  /** The points that a further wording can be given to. */
  points: (setup: Setup) => readonly NamedPoint[];
  /** An answer in pieces, those that no rule has read told from the others. */
  pieces: (setup: Setup, response: Response, asked?: string) => readonly Piece[];
  /** What the answers of a class say that no rule has read. */
  unread: (
    setup: Setup,
    answers: readonly (Omit<ClassAnswer, 'text'> & { response: Response })[],
    asked?: string,
  ) => readonly UnreadPhrase[];
  /** The slot with one more wording accepted for a point. */
  give: (setup: Setup, point: string, wording: string) => Setup;
}

/** A number that an answer came to, and the one that is hoped for. */
export interface Figure {
  value: number;
  goal: number | null;
}

/** A remark of whoever marks can be pinned to a place in its answer; where this is missing, remarks are about the answer as a whole. */
export interface Judged<Setup, Response> {
  /** Whether the answer has this place: words that stand in it, one of its pages, a shape of its drawing. */
  holds: (setup: Setup, response: Response, anchor: Anchor) => boolean;
  /** The text in which words can be named; missing where there is none. */
  text?: (response: Response) => string;
  /** What the signs at an answer come to as one number, which is followed over time; null where nothing was marked or it is not known. */
  figure?: (setup: Setup, response: Response, anchors: readonly Anchor[]) => Figure | null;
  /** A place in an answer, for tests and for the first try. */
  somewhere: (setup: Setup, response: Response) => Anchor | null;
}

/** Students judge their own work by a rubric of its setup, and whoever marks does so by the same one. */
export interface SelfJudged<Setup, Response> {
  rubric: (setup: Setup) => Rubric;
  judgement: (response: Response) => Judgement;
  /** Whether they do so once it is handed in; until then there is nothing to be marked. */
  afterwards: (setup: Setup) => boolean;
}

/** Its answer is one of few that stand on the sheet. */
export interface Offers<Setup, Response> {
  /** Each of them as a response; empty where this slot takes several together. */
  of: (setup: Setup) => readonly Response[];
}

/** Its answer is spoken: a machine listens before it is marked. */
export interface Spoken<Setup, Response> {
  /** What it is compared with: words, and somebody saying them, as a sound among the media. */
  samples: (setup: Setup) => readonly { words: string; sound: string }[];
  /** How often it may be said; null for as often as one likes. */
  tries: (setup: Setup) => number | null;
  recording: (response: Response) => HandedFile | null;
  /** Null where nobody has listened yet. */
  understood: (response: Response) => Understood | null;
  /** The response with what was understood. What a page says of it is never believed. */
  withUnderstood: (response: Response, understood: Understood | null) => Response;
}

export const CAPABILITIES = [
  'marked',
  'typed',
  'valued',
  'files',
  'parts',
  'media',
  'lettered',
  'partly',
  'worded',
  'judged',
  'selfJudged',
  'spoken',
  'offers',
] as const;
export type Capability = (typeof CAPABILITIES)[number];

/** A kind that has these capabilities. */
export type KindWith<C extends Capability, Setup, Sheet, Response> = Kind<Setup, Sheet, Response> &
  Required<Pick<Kind<Setup, Sheet, Response>, C>>;

/** A slot for tests: each kind has one in `sample.ts` of its folder, which the contract tests and the question of every kind are made of. */
export interface KindSample<Setup> {
  /** Ready, with a key in which a word or a number of `SAMPLE_SECRETS` stands. */
  setup: Setup;
  /** The same slot with other keys: what a student may see of them is the same. */
  otherKeys: Setup[];
  /** Responses that it may be given, where no machine marks it and there is no key to take for one. */
  responses?: unknown[];
  /** A key as it is typed, where not any two lines are one. */
  typed?: string;
}

/** What stands only in keys, rules and feedback of samples; no student may ever receive it before release. */
export const SAMPLE_SECRETS = ['secretkeyword', '73219', 'Secret feedback'];
