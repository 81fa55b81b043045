import { readFileSync } from 'node:fs';
import path from 'node:path';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { editDistance } from '@/core/text/edit-distance';
import { readability, readingEase, readingGrade, syllables } from '@/core/text/readability';

const fixture = (name: string): string => readFileSync(path.join(import.meta.dirname, 'fixtures', name), 'utf8');
const table = (name: string): Record<string, string>[] =>
  Papa.parse<Record<string, string>>(fixture(name), { header: true, skipEmptyLines: true }).data;

/** Source: jellyfish and R stringdist, which agree on every row. */
describe('edit distance', () => {
  const rows = table('edit_distance.csv');
  it('has rows', () => expect(rows.length).toBeGreaterThanOrEqual(200));
  it.each(rows.map((r) => [r.a ?? '', r.b ?? '', Number(r.levenshtein), Number(r.optimal_string_alignment)] as const))(
    '%s → %s',
    (a, b, levenshtein, alignment) => {
      expect(editDistance([...a], [...b])).toBe(levenshtein);
      expect(editDistance([...b], [...a], { transpositions: true })).toBe(alignment);
    },
  );
});

interface ReadingCase {
  words: number;
  sentences: number;
  syllables: number;
  flesch_reading_ease: number;
  flesch_kincaid_grade: number;
  text?: string;
}

/** Formulas: Flesch 1948, Kincaid et al. 1975. Syllables of the passages: CMU Pronouncing Dictionary. */
describe('readability', () => {
  const { from_counts, passages } = JSON.parse(fixture('readability.json')) as Record<string, ReadingCase[]>;
  it.each([...(from_counts ?? []), ...(passages ?? [])])('formulas from counts %#', (c) => {
    expect(readingEase(c.words, c.sentences, c.syllables)).toBeCloseTo(c.flesch_reading_ease, 9);
    expect(readingGrade(c.words, c.sentences, c.syllables)).toBeCloseTo(c.flesch_kincaid_grade, 9);
  });

  it.each(passages ?? [])('passages, syllables counted by rules %#', (c) => {
    const read = readability(c.text ?? '', 1);
    expect([read?.words, read?.sentences]).toEqual([c.words, c.sentences]);
    expect(Math.abs((read?.ease ?? 0) - c.flesch_reading_ease)).toBeLessThanOrEqual(3);
    expect(Math.abs((read?.grade ?? 0) - c.flesch_kincaid_grade)).toBeLessThanOrEqual(0.5);
  });

  it('counts the syllables of nine words in ten as the CMU Pronouncing Dictionary does', () => {
    const rows = table('syllables_en.csv');
    const right = rows.filter((r) => syllables(r.word ?? '') === Number(r.syllables)).length;
    expect(right / rows.length).toBeGreaterThan(0.9);
  });
});
