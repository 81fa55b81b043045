import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { agrees } from './compare';
import { speechRows } from './speech';
import { atDistanceOne, misspellingRows, realWordRows, stemRows } from './words';

const fixture = (name: string): string => path.join(import.meta.dirname, 'fixtures', name);

/** Sources: see fixtures/README.md. */
describe('slips of the pen', () => {
  it('of one step are accepted in at least 97 of 100 (Debian codespell 2.2.2)', () => {
    const { rows, agree } = atDistanceOne(misspellingRows(fixture('misspellings_en.csv')));
    expect(rows).toBeGreaterThan(1200);
    expect(agree / rows).toBeGreaterThanOrEqual(0.97);
  });

  it('that make another word are accepted in at most 1 of 100 (SCOWL, and commonly confused pairs)', () => {
    const rows = realWordRows(fixture('real_word_pairs_en.csv'));
    expect(rows.length).toBeGreaterThan(1400);
    expect(rows.filter((row) => !agrees(row)).length / rows.length).toBeLessThanOrEqual(0.01);
  });
});

describe('word errors (R adist, and a dynamic programme in Python)', () => {
  it('counts, splits and rates are exact', () => {
    const rows = speechRows(fixture('speech.json'));
    expect(rows).toHaveLength(20);
    expect(rows.filter((row) => !agrees(row))).toEqual([]);
  });
});

describe('stems (libstemmer 2.2)', () => {
  it.each(['stems_en.csv', 'stems_en_special.csv', 'stems_es.csv', 'stems_fr.csv', 'stems_de.csv'])('%s', (name) => {
    const rows = stemRows(fixture(name));
    expect(rows.length).toBeGreaterThan(60);
    expect(rows.filter((row) => !agrees(row))).toEqual([]);
  });
});
