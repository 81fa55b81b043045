import { readFileSync } from 'node:fs';
import path from 'node:path';
import Papa from 'papaparse';
import { foldCapitals, plainReading } from '@/core/rules/text/normalise';
import { markText, rulesFromKey } from '@/core/rules/text/rules';
import { editDistance } from '@/core/text/edit-distance';
import { STEM_LANGUAGES, type StemLanguage, stemOf } from '@/core/text/stems';
import { agrees, type Row } from './compare';

/** The rows of a CSV file, given by its path or by the folder that it stands in. */
function table(file: string, name: string): Record<string, string>[] {
  const text = readFileSync(file.endsWith('.csv') ? file : path.join(file, name), 'utf8');
  return Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true }).data;
}

/** Whether a marker with the rule that a typed key makes accepts the answer. */
function accepted(key: string, answer: string): string {
  return markText(rulesFromKey(key), answer).state === 'marked' ? 'accepted' : 'not accepted';
}

export interface SlipRow extends Row {
  /** Optimal string alignment. */
  distance: number;
}

/** Misspellings with the word that is meant: from Debian's codespell 2.2.2; to be accepted at distance 1. */
export function misspellingRows(file: string): SlipRow[] {
  return table(file, 'misspellings_en.csv').map(({ misspelling = '', correction = '', osa = '' }) => ({
    name: `${misspelling} for ${correction}`,
    expected: 'accepted',
    got: accepted(correction, misspelling),
    distance: Number(osa),
  }));
}

/** Pairs of two different words (SCOWL, and commonly confused ones): neither may be taken for the other. */
export function realWordRows(file: string): Row[] {
  return table(file, 'real_word_pairs_en.csv').map(({ word_a = '', word_b = '' }) => ({
    name: `${word_a} / ${word_b}`,
    expected: 'not accepted',
    got: [accepted(word_a, word_b), accepted(word_b, word_a)].includes('accepted') ? 'accepted' : 'not accepted',
  }));
}

/** Words with their stems by libstemmer 2.2; the language stands in the file's name (stems_en.csv). */
export function stemRows(file: string): Row[] {
  const found = /stems_([a-z]{2})/.exec(path.basename(file))?.[1];
  const language = STEM_LANGUAGES.find((l): l is StemLanguage => l === found) ?? 'en';
  return table(file, `stems_${language}.csv`).map(({ word = '', stem = '' }) => ({
    name: word,
    expected: stem,
    got: stemOf(word, language),
  }));
}

/** Levenshtein and optimal string alignment by jellyfish and R stringdist, which agree. */
export function editDistanceRows(file: string): Row[] {
  return table(file, 'edit_distance.csv').map(({ a = '', b = '', levenshtein, optimal_string_alignment }) => ({
    name: `${a} → ${b}`,
    expected: `${levenshtein} ${optimal_string_alignment}`,
    got: `${editDistance([...a], [...b])} ${editDistance([...a], [...b], { transpositions: true })}`,
  }));
}

interface UnicodeCase {
  name: string;
  input: string;
  nfc: string;
  casefold: string;
}

/** Full case folding by Python 3.11 unicodedata, of the composed form; plain readings are checked in the tests. */
export function unicodeRows(file: string): Row[] {
  const cases = JSON.parse(
    readFileSync(file.endsWith('.json') ? file : path.join(file, 'unicode.json'), 'utf8'),
  ) as UnicodeCase[];
  return cases.map(({ name, input, nfc, casefold }) => ({
    name,
    expected: casefold.normalize('NFC'),
    got: plainReading(input) === '' ? '' : foldCapitals(nfc).normalize('NFC'),
  }));
}

/** How many of the slips at distance 1 are accepted. */
export function atDistanceOne(rows: readonly SlipRow[]): { rows: number; agree: number } {
  const near = rows.filter((row) => row.distance === 1);
  return { rows: near.length, agree: near.filter(agrees).length };
}
