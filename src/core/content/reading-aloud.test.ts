import { readFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { readingFigures, readWords } from './reading-aloud';

const read = (word: number, as: 'other' | 'left out' | 'put in' | 'helped' | 'corrected' | 'last') =>
  ({ at: 'read', word, as }) as const;

describe('reading aloud', () => {
  it('is counted by words; dashes between them are none', () => {
    expect(readWords('Before you climb – look up.\n Twice!')).toEqual([
      'Before',
      'you',
      'climb',
      'look',
      'up.',
      'Twice!',
    ]);
    expect(readWords('  ')).toEqual([]);
  });

  // Values from outside: the reading rates of the speech fixture (common practice; see fixtures/README.md).
  it('comes to the rates of the fixture', () => {
    const file = path.resolve(import.meta.dirname, '../../../tests/reference/fixtures/speech.json');
    const { reading_rate } = JSON.parse(readFileSync(file, 'utf8')) as {
      reading_rate: {
        words_attempted: number;
        errors: number;
        seconds: number;
        words_correct_per_minute: number;
        accuracy_percent: number;
        words_read_per_minute: number;
      }[];
    };
    expect(reading_rate.length).toBeGreaterThan(3);
    for (const row of reading_rate) {
      const errors = Array.from({ length: row.errors }, (_, i) => read(i, i % 2 === 0 ? 'other' : 'left out'));
      const got = readingFigures(
        row.words_attempted + 10,
        [...errors, read(row.words_attempted - 1, 'last')],
        row.seconds,
      );
      expect(got.attempted).toBe(row.words_attempted);
      expect(got.correctPerMinute).toBeCloseTo(row.words_correct_per_minute, 9);
      expect(got.wordsPerMinute).toBeCloseTo(row.words_read_per_minute, 9);
      expect(100 * (got.accuracy ?? 0)).toBeCloseTo(row.accuracy_percent, 9);
    }
  });

  it('counts neither what was put right nor what lies beyond the last word, and nothing without a time', () => {
    const marked = [read(1, 'corrected'), read(2, 'helped'), read(3, 'put in'), read(7, 'left out'), read(4, 'last')];
    expect(readingFigures(10, marked, 0)).toEqual({
      attempted: 5,
      errors: 2,
      corrected: 1,
      wordsPerMinute: null,
      correctPerMinute: null,
      accuracy: 3 / 5,
    });
    expect(readingFigures(0, [], 10)).toMatchObject({ attempted: 0, accuracy: null, correctPerMinute: 0 });
    // Every word wrong and more put in: nothing below zero.
    expect(readingFigures(1, [read(0, 'other'), read(0, 'put in')], 60)).toMatchObject({
      accuracy: 0,
      correctPerMinute: 0,
    });
  });
});
