import type { Block } from '../content/document';

/** A line of a document that is brought in: its words, and what hangs on it. */
export interface SourceLine {
  /** The words; formulas stand as $…$. */
  text: string;
  /** The whole line, or its option's words, were printed bold, underlined or coloured. */
  marked: boolean;
  /** The sign that a list gave the line, such as "3." or "b)"; the words do not repeat it. */
  label: string;
  /** Pictures, tables and equations that follow the words. */
  blocks: Block[];
}

/** Lines of plain text. A line that begins with a star keeps it; it may mark a key. */
export function linesFromText(text: string): SourceLine[] {
  return text
    .replace(/\r\n?/g, '\n')
    .replace(/\f/g, '\n')
    .replace(/[\u00a0\u2007\u202f]/g, ' ')
    .split('\n')
    .map((line) => ({ text: line.trim(), marked: false, label: '', blocks: [] }));
}
