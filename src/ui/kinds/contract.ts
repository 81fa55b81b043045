import type { ComponentType } from 'react';
import type { Anchor, Pinned } from '@/core/content/anchors';
import type { DrawnFormulas } from '../sheet/formulas';

/** What a student's view of a slot gets: the sheet and the response, never the setup. */
export interface StudentProps<Sheet, Response> {
  /** Unique on the page; names inputs. */
  id: string;
  /** What a screen reader calls the slot, for example "Question 3, answer A". */
  label: string;
  sheet: Sheet;
  response: Response | undefined;
  onChange: (response: Response) => void;
  drawn: DrawnFormulas;
}

/** A response as it was given, where it was given; nothing can be changed. */
export interface ReviewProps<Sheet, Response> {
  sheet: Sheet;
  response: Response | undefined;
  drawn: DrawnFormulas;
  /** Words of the answer that rules found. */
  evidence: readonly string[];
  /** What whoever marked said of places in it. */
  remarks?: readonly Pinned[] | undefined;
  /** Given to whoever marks: takes a place in the answer that shall get a remark. */
  onPin?: ((anchor: Anchor) => void) | undefined;
}

/** What a slot on printed paper is made of: room to write in, in place of what is clicked. */
export interface PrintProps<Sheet> {
  sheet: Sheet;
  drawn: DrawnFormulas;
}

type Values = Readonly<Record<string, string | number>>;
export type FindingSentence = (values: Values) => string;
export type TraceSentence = (values: Values, evidence: readonly string[]) => string;

/** How a kind is called, and the sentences for what only it says, by their codes. */
export interface KindWords {
  name: string;
  /** Shown in a small frame in lists. */
  sign: string;
  findings?: Readonly<Record<string, FindingSentence>>;
  traces?: Readonly<Record<string, TraceSentence>>;
}

/** The student's half of a kind: the slot to be answered, and as it was answered. */
export interface StudentHalf<Sheet = unknown, Response = unknown> {
  Student: ComponentType<StudentProps<Sheet, Response>>;
  Review: ComponentType<ReviewProps<Sheet, Response>>;
  /** Begins to fetch what an answer shows, before it is looked at. */
  ahead?: (response: Response) => void;
}

/** What every page may ask of a kind, on the server as in the browser. */
export interface KindSide<Sheet, Response> {
  words: KindWords;
  /** Whether anything is answered; decides the bar in the contents. */
  answered: (response: Response | undefined) => boolean;
  /** The formulas that a response has as they were typed, when it has any; they are drawn as they were understood. */
  formulas?: (response: Response, sheet: Sheet) => string[];
}

/** What the bench gives to a slot's editor on the sheet and in the margin. */
export interface EditorProps<Setup> {
  setup: Setup;
  /** `apart`: a step of undo by itself; else what follows quickly belongs to it. */
  onChange: (setup: Setup, apart?: 'apart') => void;
  /** Marks of the slot as exact text; shares are shown in them. */
  marks: string;
  letter: string;
  /** On the sheet: goes on writing behind the slot. */
  onLeave?: () => void;
}

/** A ready-made start: the kind with settings. */
export interface Preset<Setup> {
  name: string;
  /** What it is for, in one line. */
  about: string;
  setup: (fresh: Setup) => Setup;
  /** A question of everyday things, to be tried and to start from. */
  example: Example<Setup>;
}

export interface Example<Setup> {
  asks: string;
  /** Out of the preset's own setup. */
  setup: (preset: Setup) => Setup;
}

/** The author's half of a kind: the key on the sheet, the rules in the margin. */
export interface EditorSide<Setup> {
  /** On the sheet: typing the key. */
  Place: ComponentType<EditorProps<Setup>>;
  /** In the margin: everything finer. */
  Note: ComponentType<EditorProps<Setup>>;
  /** The rules as one sentence, read in the margin. */
  sentence: (setup: Setup) => string;
  /** How a trial answer is typed. */
  trialHint: string;
  /** How a key is typed, where more is to be said than that it is the right answer. */
  keyHint?: string;
  presets: Preset<Setup>[];
}
