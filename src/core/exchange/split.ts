import type { SourceLine } from './lines';

/** An option as it was found. */
export interface FoundOption {
  text: string;
  key: boolean;
}

/** A question as it was found in a document, with what was recognised of it. */
export interface FoundQuestion {
  /** The number it had. */
  number: string;
  /** Its lines without number, marks, options and answer. */
  lines: SourceLine[];
  options: FoundOption[];
  /** The answer as it was written, when there are no options. */
  answer: string;
  /** Marks as they were written, such as "2" or "1.5"; empty when none were. */
  marks: string;
  explanation: string;
}

export interface SplitDocument {
  questions: FoundQuestion[];
  /** Lines that belong to no question: titles, instructions, page numbers. */
  left: string[];
}

const NUMBER = /^(?:(?:question|q|task|nr|no)\.?\s*)?\(?(\d{1,3})\s*[.):]\s+(?=\S)|^(?:question|task)\s+(\d{1,3})\s*$/i;
const LABELLED = /^(?:question|q|task|nr|no)\.?\s*(\d{1,3})\s*[-–—.:)]?\s+/i;
const OPTION = /^(\*|✓|√|\[ ?\]|\[x\])?\s*(?:\(([a-h])\)|([a-h])\s*[).:]|\[([a-h])\])\s*(\*|✓|√|\[x\])?\s*(?=\S)/i;
const BULLET = /^(\*|✓|√|\[ ?\]|\[x\]|[-–•○◯□☐]|☑|☒|●)\s+(?=\S)/i;
/** Words with their options behind them on one line. */
const WITH_OPTIONS = /^(.*?\S)(?:\t|\s{2,})\s*((?:\*\s*)?(?:\(a\)|a[).])\s*\S.*\bb[).].*)$/i;
const TICKED = /^(\*|✓|√|\[x\]|☑|☒|●)$/i;
const ANSWER = /^(?:correct\s+)?(?:answer|ans|key|solution)s?\s*[:=.]\s*(.+)$/i;
const WHY = /^(?:explanation|because|reason|feedback|why)\s*[:=]\s*(.+)$/i;
const MARKS = /\s*[([]\s*(\d+(?:[.,]\d+)?|½|\d+½)\s*(?:marks?|points?|pts?|p)?\s*[)\]]\s*$/i;
const MARKS_NAMED = /^[([]?\s*(?:marks?|points?)\s*[:=]?\s*(\d+(?:[.,]\d+)?)\s*[)\]]?$/i;
const KEY_LIST = /^(?:answer\s*key|answers|key|solutions?)\s*:?\s*$/i;
const TWO_WAY_PAIRS = /(\d{1,3})\s*[.):-]?\s*(true|false|yes|no)\b/gi;
const KEY_PAIRS = /(\d{1,3})\s*[.):-]?\s*([a-h](?:\s*[,&+]\s*[a-h])*)(?=[\s;,.]|$)/gi;

/**
 * Splits the lines of a document into questions. Numbers, options a) b) c),
 * keys (star, tick, bold, "Answer: b", a list of answers at the end) and marks
 * in brackets are recognised; what is not is left in the words.
 */
export function splitDocument(lines: readonly SourceLine[]): SplitDocument {
  const { body, keys } = withoutKeyList(lines);
  const questions: FoundQuestion[] = [];
  const left: string[] = [];
  let current: FoundQuestion | null = null;
  for (const line of body) {
    const number = numberOf(line, current);
    if (number) {
      current = { number: number.number, lines: [], options: [], answer: '', marks: '', explanation: '' };
      questions.push(current);
      addLine(current, { ...line, text: number.rest });
    } else if (!current) {
      if (line.text !== '') left.push(line.text);
    } else addLine(current, line);
  }
  for (const question of questions) finish(question, keys.get(question.number));
  return { questions, left };
}

/** The number with which a line begins a new question, if it does. */
function numberOf(line: SourceLine, current: FoundQuestion | null): { number: string; rest: string } | null {
  const byLabel = /^(\d{1,3})[.)]?$/.exec(line.label);
  if (byLabel?.[1]) return { number: byLabel[1], rest: line.text };
  if (line.label !== '') return null;
  const named = LABELLED.exec(line.text);
  if (named?.[1]) return { number: named[1], rest: line.text.slice(named[0].length) };
  const found = NUMBER.exec(line.text);
  if (!found) return null;
  const number = found[1] ?? found[2] ?? '';
  // A number inside a question counts on from its own; any other is a list or a value.
  const expected = current ? Number(current.number) + 1 : null;
  if (expected !== null && Number(number) !== expected && Number(number) !== 1) return null;
  return { number, rest: line.text.slice(found[0].length) };
}

function addLine(question: FoundQuestion, line: SourceLine): void {
  const text = line.text.trim();
  if (text === '' && line.blocks.length === 0) return;
  const [, before, optionsBehind] = WITH_OPTIONS.exec(text) ?? [];
  if (before && optionsBehind) {
    addLine(question, { ...line, text: before });
    addLine(question, { ...line, text: optionsBehind, blocks: [] });
    return;
  }
  const answer = ANSWER.exec(text);
  if (answer?.[1]) {
    question.answer = answer[1].trim();
    return;
  }
  const why = WHY.exec(text);
  if (why?.[1]) {
    question.explanation = why[1].trim();
    return;
  }
  const named = MARKS_NAMED.exec(text);
  if (named?.[1]) {
    question.marks = named[1];
    return;
  }
  const options = optionsOf(line, question);
  if (options.length > 0) {
    question.options.push(...options);
    return;
  }
  const last = question.options.at(-1);
  // Words after options go on with the last one, unless they stand apart.
  if (last && question.lines.length > 0 && line.blocks.length === 0 && /^[a-z(]/.test(text)) last.text += ` ${text}`;
  else question.lines.push({ ...line, text });
}

/** The options on a line: usually one, but "a) red  b) blue" are two. */
function optionsOf(line: SourceLine, question: FoundQuestion): FoundOption[] {
  const labelled = /^\(?([a-h])[.)]$/i.test(line.label) || (line.label === '•' && question.lines.length > 0);
  if (labelled) return [{ text: cleanOption(line.text), key: line.marked || TICKED.test(line.text.slice(0, 1)) }];
  const first = OPTION.exec(line.text);
  if (first) {
    const letter = (first[2] ?? first[3] ?? first[4] ?? '').toLowerCase();
    if (question.options.length === 0 && letter !== 'a') return [];
    const pieces = line.text.split(/\s{2,}(?=(?:\*\s*)?(?:\([a-h]\)|[a-h][).])\s*\S)|\t+/i);
    return pieces.flatMap((piece): FoundOption[] => {
      const found = OPTION.exec(piece);
      if (!found) return [];
      const rest = piece.slice(found[0].length);
      const ticked = TICKED.test(found[1] ?? found[5] ?? '') || /(\*|✓|√|\((?:correct|right|x)\))\s*$/i.test(rest);
      return [{ text: cleanOption(rest), key: ticked || (line.marked && pieces.length === 1) }];
    });
  }
  const bullet = BULLET.exec(line.text);
  if (bullet?.[1] && question.lines.length > 0) {
    const text = line.text.slice(bullet[0].length);
    return [{ text: cleanOption(text), key: TICKED.test(bullet[1]) || line.marked }];
  }
  return [];
}

function cleanOption(text: string): string {
  return text
    .replace(/^(\*|✓|√)\s*/, '')
    .replace(/\s*(\*|✓|√|\((?:correct|right|x)\))\s*$/i, '')
    .trim();
}

function finish(question: FoundQuestion, fromList: string | undefined): void {
  for (const line of question.lines) {
    const marks = MARKS.exec(line.text);
    if (marks?.[1] && question.marks === '') {
      question.marks = marks[1];
      line.text = line.text.slice(0, marks.index).trim();
    }
  }
  question.marks = question.marks.replace(',', '.').replace(/^(\d*)½$/, (_, n: string) => String(Number(n || 0) + 0.5));
  if (question.options.length > 0 && question.options.every((o) => o.key) && question.options.length > 1) {
    // Everything is bold: that is the print, not a key.
    for (const option of question.options) option.key = false;
  }
  const said = fromList ?? question.answer;
  const letters = said.match(/^\(?[a-h]\)?(?:\s*(?:,|&|\+|and)?\s*\(?[a-h]\)?)*\.?$/i)
    ? said.toLowerCase().match(/[a-h](?![a-z])/g)
    : null;
  if (question.options.length > 0 && said !== '') {
    question.options.forEach((option, i) => {
      const letter = String.fromCharCode(97 + i);
      const named = letters
        ? letters.includes(letter)
        : option.text.toLowerCase() === said.replace(/^\(?[a-h]\)\s*/i, '').toLowerCase();
      if (named) option.key = true;
    });
    question.answer = '';
  } else if (fromList !== undefined && question.answer === '') question.answer = fromList;
}

/** Cuts off a list of answers at the end, such as "Answers: 1 b, 2 a, 3 c". */
function withoutKeyList(lines: readonly SourceLine[]): { body: readonly SourceLine[]; keys: Map<string, string> } {
  const keys = new Map<string, string>();
  const at = lines.findLastIndex(
    (line) => KEY_LIST.test(line.text) || /^(?:answer\s*key|answers)\s*:\s*1\b/i.test(line.text),
  );
  if (at < 0) return { body: lines, keys };
  const rest = lines.slice(at);
  const text = rest
    .map((line) => `${line.label} ${line.text}`)
    .join('\n')
    .replace(/^[^\n:]*:?/, '');
  for (const [, number = '', letters = ''] of text.matchAll(KEY_PAIRS)) keys.set(number, letters);
  for (const [, number = '', word = ''] of text.matchAll(TWO_WAY_PAIRS)) keys.set(number, word);
  for (const line of rest.slice(1)) {
    const [, number, words] =
      /^(\d{1,3})(?:\s*[.):-]\s*|\s+(?=\p{L}{2}))(.{2,})$/u.exec(
        line.label ? `${line.label} ${line.text}` : line.text,
      ) ?? [];
    if (number && words && !keys.has(number)) keys.set(number, words.trim());
  }
  return keys.size > 0 ? { body: lines.slice(0, at), keys } : { body: lines, keys };
}
