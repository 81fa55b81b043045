import { exact, stored, sum } from '../../base/exact';
import { LANGUAGE_WORDS } from '../../text/languages';
import { STEM_LANGUAGES, type StemLanguage } from '../../text/stems';
import { plainLines, bareWord, readText } from './reading';
import { type Point, pointOf, type PointSet, setOf } from './points';
import type { Wording } from './wordings';
import { FORGIVES_ALL } from './words';

/** Points read from pasted text, to be looked over by whoever pasted it. */
export interface ReadScheme {
  sets: PointSet[];
  /** Lines that say something else, as they stand. */
  left: string[];
  /** What all points come to, in marks. */
  marks: string;
  language: StemLanguage;
}

/** At most so many points are read, and so many lines looked at. */
const MOST_POINTS = 60;
const MOST_LINES = 400;
const MOST_SIGNS = 100_000;
/** A line of more signs is no line of a scheme. */
const LONGEST_LINE = 1000;

const BULLET = /^(?:[-–—•·*▪◦‣]|\(?[a-z0-9]{1,2}[.)])\s+/i;
const POINT = /^(?:P|MP|Point)\s?(\d+)\b[.:)]?\s*/i;
const LABEL = /^(\p{L}[^:/]{1,80}?)\s?:\s+(?=\S)/u;
const ACCEPT = /^(?:also\s+)?(?:accept|allow|accepter|se acepta|aceptar|akzeptiert)\b(?:[^:]{0,80}:)?\s*/i;
const REFUSE =
  /^(?:do not (?:accept|allow)|don[’']t (?:accept|allow)|not accepted|reject|refuse|ne pas accepter|no se acepta|nicht)\b(?:[^:]{0,80}:|\s+if\b)?\s*/i;
/** Within a line, these begin a line of their own. */
const CUE =
  /(?<=[.;)])\s+(?=(?:Accept|Allow|Do not accept|Reject|Ignore|Accepter|Ne pas accepter|Se acepta|No se acepta)\b)/g;
const IGNORE = /^(?:ignore|notes?|ignorer|general|p\d+(?: to|,? and) p\d+)\b/i;
const HALF = /^(?:half(?: a mark)?(?: for)?|½)\s*:?\s*/i;
const ANY_OF = /\bany\s+(one|two|three|four|five|\d)\b(?:\s+(?:of|from))?[^:]*:?\s*/i;
const MOST = /\bm[aá]x(?:imum|imo|\.)?\s*:?\s*(\d+)/i;
const MARKS_FIRST = /^[[(]?(\d+)\s*(?:marks?|points?|pts?)?[\])]?\s*(?:for|:|–|-)\s+/i;
const MARKS_LAST = /\s*[[(](\d+)\s*(?:marks?|points?|pts?)?[\])]\s*$/i;
const COUNTS: Readonly<Record<string, number>> = { one: 1, two: 2, three: 3, four: 4, five: 5 };

interface Draft {
  point: Point;
  marks: number;
}
interface DraftSet {
  drafts: Draft[];
  most: number | null;
}

/**
 * Reads a marking scheme as boards write them: bullets, "P1", "1 mark:", marks
 * at the end of a line, "accept", "do not accept", slashes for alternatives,
 * AND for what is needed together, an idea in CAPITALS, words in brackets that
 * may be left out, "any two from", "max 3". What it does not understand it
 * gives back.
 */
export function readScheme(pasted: string): ReadScheme {
  const sets: DraftSet[] = [];
  const left: string[] = [];
  let last: Draft | null = null;
  const lines = plainLines(pasted.slice(0, MOST_SIGNS)).replace(CUE, '\n').split('\n').slice(0, MOST_LINES);
  const numbers = new Set<string>();
  const inSet = (): DraftSet => {
    const open = sets.at(-1);
    if (open) return open;
    const made = { drafts: [], most: null };
    sets.push(made);
    return made;
  };
  const add = (text: string, marks: number, name: string): void => {
    const count = sets.reduce((n, { drafts }) => n + drafts.length, 0);
    const accept = wordingsIn(text);
    if (count >= MOST_POINTS || accept.length === 0) {
      left.push(text);
      return;
    }
    last = { point: { ...pointOf(`p${count + 1}`, accept), name }, marks };
    inSet().drafts.push(last);
  };
  for (const line of lines) {
    if (line.length > LONGEST_LINE) {
      left.push(`${line.slice(0, 80)}…`);
      continue;
    }
    const bare = line.replace(BULLET, '').trim();
    if (bare === '') continue;
    const bulleted = bare !== line.trim();
    const draft = last as Draft | null;
    if (draft && ACCEPT.test(bare)) draft.point.accept.push(...listed(bare.replace(ACCEPT, '')));
    else if (draft && REFUSE.test(bare)) draft.point.refuse.push(...listed(bare.replace(REFUSE, '')));
    else if (draft && HALF.test(bare)) draft.point.half.push(...listed(bare.replace(HALF, '')));
    else if (IGNORE.test(bare) && !POINT.test(bare.replace(/^p\d+(?: to|,? and)/i, ''))) left.push(bare);
    else {
      const any = ANY_OF.exec(bare);
      const most = MOST.exec(bare);
      const number = any ? (COUNTS[any[1]?.toLowerCase() ?? ''] ?? Number(any[1])) : most ? Number(most[1]) : null;
      if (number !== null && Number.isFinite(number) && number > 0) {
        const named = sets.at(-1);
        // "Max 3" behind points is about them; before them it opens a set.
        if (most && !any && named && named.drafts.length > 1) named.most = number;
        else sets.push({ drafts: [], most: number });
        const rest = bare
          .slice((any ?? most)?.index ?? 0)
          .replace(any ? ANY_OF : MOST, '')
          .trim();
        if (any && rest !== '') for (const one of rest.split(/\s*[;/]\s*/)) add(one, 1, '');
        continue;
      }
      const [, numbered] = POINT.exec(bare) ?? [];
      const pointed = numbered !== undefined;
      // What is said of a point once more is a remark.
      if (pointed && numbers.has(numbered)) {
        left.push(bare);
        continue;
      }
      if (pointed) numbers.add(numbered);
      const text = bare.replace(POINT, '');
      const first = MARKS_FIRST.exec(text);
      const behind = MARKS_LAST.exec(text);
      const said = text.replace(MARKS_FIRST, '').replace(MARKS_LAST, '');
      const label = LABEL.exec(said);
      const name = pointed && label ? (label[1] ?? '') : '';
      const alone = bulleted || pointed || first !== null || behind !== null || draft === null || !/[.:]$/.test(bare);
      if (alone)
        add(name === '' ? said : said.slice(label?.[0].length ?? 0), Number(first?.[1] ?? behind?.[1] ?? 1), name);
      else left.push(bare);
    }
  }
  return finished(sets, left, pasted);
}

/** Shares instead of marks; sets without points are gone. */
function finished(sets: readonly DraftSet[], left: string[], pasted: string): ReadScheme {
  const full = sets.filter(({ drafts }) => drafts.length > 0);
  const worth = full.map(({ drafts, most }) => {
    const all = drafts.map(({ marks }) => exact(String(marks))).sort((a, b) => b.compare(a));
    return sum(all.slice(0, most ?? all.length));
  });
  const total = sum(worth);
  return {
    sets: full.map(({ drafts, most }) => ({
      ...setOf(
        drafts.map(({ point, marks }) => ({
          ...point,
          accept: point.accept.slice(0, 60),
          refuse: point.refuse.slice(0, 60),
          half: point.half.slice(0, 60),
          share: total.equals(0) ? '0' : stored(exact(String(marks)).div(total)),
        })),
      ),
      most: most !== null && most < drafts.length ? most : null,
    })),
    left,
    marks: stored(total),
    language: languageOf(pasted),
  };
}

/** What is said of a point: alternatives, what is needed together, an idea in capitals with what it is said of. */
function wordingsIn(text: string): Wording[] {
  const said = text.replace(/\b(?:both (?:sides )?needed|one side is enough|any one of)\b\.?/gi, '');
  return said
    .split(/\s+OR\s+|;/)
    .flatMap((one): Wording[] => {
      const together = one.split(/\s+AND\s+/).map((part) => cleaned(part));
      if (together.length > 1) {
        const parts = together.filter((part) => part.length > 0);
        return parts.length > 1 ? [{ parts, where: 'answer' }] : (parts[0] ?? []).map(loosened);
      }
      return ideaIn(one) ?? cleaned(one).map(loosened);
    })
    .slice(0, 60);
}

/**
 * "Vessels / arterioles WIDEN / dilate": what comes before the capitals is what
 * the rest is said of. "HEAT is LOST": the capitals alone, in one clause.
 */
function ideaIn(text: string): Wording[] | null {
  const bare = withoutBrackets(text);
  const capitals = [...bare.matchAll(CAPITALS)];
  const [first] = capitals;
  if (!first) return null;
  if (first.index === 0)
    return capitals.length > 1 ? [{ parts: capitals.map(([word]) => [word.toLowerCase()]), where: 'clause' }] : null;
  const [subject, idea] = [cleaned(bare.slice(0, first.index)), cleaned(bare.slice(first.index))];
  const said = subject.map(withoutSmallEnds).filter((one) => one !== '');
  if (idea.length === 0) return null;
  const lowered = idea.map((one) => one.replace(CAPITALS, (word) => word.toLowerCase()));
  return said.length > 0 ? [{ parts: [said, lowered], where: 'clause' }] : [...lowered];
}

/** A phrase without the small words at its ends: "The wind is" is about the wind. */
function withoutSmallEnds(phrase: string): string {
  const words = phrase.split(' ');
  while (words.length > 0 && SMALL.has(bareWord(words[0] ?? ''))) words.shift();
  while (words.length > 0 && SMALL.has(bareWord(words.at(-1) ?? ''))) words.pop();
  return words.join(' ');
}

const CAPITALS = /(?<![\p{L}\d])\p{Lu}{4,}(?!\p{L})/gu;
const SMALL = new Set(STEM_LANGUAGES.flatMap((name) => [...LANGUAGE_WORDS[name].function]));

/** Brackets hold what may be left out; "(accept 12.2 to 12.3)" is a range of its own. */
const withoutBrackets = (text: string): string =>
  text
    .replace(/\((?:accept|allow)\s+([\d.,]+)\s+to\s+([\d.,]*\d)[^)]*\)/gi, ' ; between $1 and $2 ')
    .replace(/\([^)]*\)/g, ' ');

/** Alternatives with slashes between them, those of two numbers left alone; quotes are gone. */
function cleaned(text: string): string[] {
  return withoutBrackets(text)
    .split(/(?<!\d)\s*\/\s*|\s*\/\s*(?!\s*\d)|;/)
    .map((one) =>
      one
        .replace(/["“”«»]|(?<!\p{L})['‘’]|['‘’](?!\p{L})/gu, ' ')
        .replace(/\s+/g, ' ')
        .replace(/^[\s.,:;–-]+|[\s.,:;–-]+$/g, '')
        .slice(0, 200)
        .trim(),
    )
    .filter((one) => /[\p{L}\p{N}]/u.test(one));
}

/** A list behind "accept" or "do not accept": with commas, semicolons or slashes. */
function listed(text: string): Wording[] {
  return withoutBrackets(text)
    .split(/[,;]|\s+(?:or|ou|o|oder)\s+/)
    .flatMap(cleaned)
    .map(loosened)
    .slice(0, 40);
}

/** So many words are hardly ever said in just this order. */
const LONG = 5;

/** A long phrase as the words of it that have a matter of their own, in one sentence. */
function loosened(phrase: string): Wording {
  const words = phrase.split(' ');
  if (words.length < LONG || /^between \d/.test(phrase)) return phrase;
  const matter = [...new Set(words.filter((word) => !SMALL.has(bareWord(word))))].slice(0, 6);
  return matter.length > 1 ? { parts: matter.map((word) => [word]), where: 'sentence' } : phrase;
}

/** A model answer as proposed points: one a sentence, by the words that have a matter of their own. */
export function pointsOfModel(answer: string): ReadScheme {
  const language = languageOf(answer);
  const { tokens } = readText(answer.slice(0, 5000), FORGIVES_ALL, LANGUAGE_WORDS[language]);
  const sentences = new Map<number, string[]>();
  for (const { sentence, bare, shown } of tokens) {
    if (LANGUAGE_WORDS[language].function.has(bare) || bare.length < 3) continue;
    const words = sentences.get(sentence) ?? [];
    if (!words.includes(shown)) words.push(shown);
    sentences.set(sentence, words);
  }
  const drafts = [...sentences.values()].slice(0, MOST_POINTS).map((words, i): Draft => {
    const parts = words.slice(0, 6).map((word) => [word]);
    const [only] = words;
    const accept: Wording[] =
      parts.length === 1 && only !== undefined
        ? [only]
        : [{ parts, where: 'sentence', ...(parts.length > 2 ? { least: Math.ceil(parts.length * 0.6) } : {}) }];
    return { point: pointOf(`p${i + 1}`, accept), marks: 1 };
  });
  return finished([{ drafts, most: null }], [], answer);
}

/** The language that most of the small words of a text belong to. */
function languageOf(text: string): StemLanguage {
  const words = text
    .slice(0, 5000)
    .split(/[^\p{L}'’]+/u)
    .map(bareWord);
  const count = (name: StemLanguage): number => words.filter((word) => LANGUAGE_WORDS[name].function.has(word)).length;
  return [...STEM_LANGUAGES].sort((a, b) => count(b) - count(a))[0] ?? 'en';
}
