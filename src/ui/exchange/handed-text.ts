import { linesFromText } from '@/core/exchange/lines';
import { splitDocument } from '@/core/exchange/split';

const KEY = 'zonda-bring-in-text';

/** Whether a text reads like several questions: at least two that are numbered, with options or answers. */
export function manyQuestions(text: string): boolean {
  if (text.length > 200_000 || !/\n/.test(text)) return false;
  const { questions } = splitDocument(linesFromText(text));
  return questions.length > 1 && questions.some(({ options, answer, marks }) => options.length > 1 || answer || marks);
}

/** Leaves a text for the page that brings in questions. */
export function handToBringIn(text: string): void {
  sessionStorage.setItem(KEY, text);
}

/** The text that was left there; it is given once. */
export function handedText(): string {
  const text = sessionStorage.getItem(KEY) ?? '';
  sessionStorage.removeItem(KEY);
  return text;
}
