import type { ComponentType } from 'react';
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
}

/** What a page may ask of a response without drawing its slot. It stands apart from the components, so that the server can ask it too. */
export interface ResponseSide<Sheet, Response> {
  /** Whether anything is answered; decides the bar in the contents. */
  answered: (response: Response | undefined) => boolean;
  /** The formulas that a response has as they were typed, when it has any; they are drawn as they were understood. */
  formulas?: (response: Response, sheet: Sheet) => string[];
}

/** What the bench gives to a slot's editor on the sheet and in the margin. */
export interface EditorProps<Setup> {
  setup: Setup;
  onChange: (setup: Setup) => void;
  /** Marks of the slot as exact text; shares are shown in them. */
  marks: string;
  letter: string;
  /** On the sheet: goes on writing behind the slot. */
  onLeave?: () => void;
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
}
