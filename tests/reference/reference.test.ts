import { readFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { foldCapitals, plainReading } from '@/core/rules/text/normalise';
import { agrees, type Row } from './compare';
import { gradingRows } from './grading';
import { classFigures, markClass } from './short-answers';
import { spellingRows, unitRows } from './units';

const fixture = (name: string): string => path.join(import.meta.dirname, 'fixtures', name);
const wrong = (rows: Row[]): Row[] => rows.filter((row) => !agrees(row));

describe('grading arithmetic (conventions stated in fixtures/README.md, computed with Python fractions and decimal)', () => {
  it('agrees on every row of rounding, weighting, part marks, orders and grade bands', () => {
    const rows = gradingRows(fixture('grading.json'));
    expect(rows.length).toBeGreaterThan(210);
    expect(wrong(rows)).toEqual([]);
  });
});

describe('units (SI Brochure 9th ed., NIST SP 811, cross-checked with GNU units 2.22)', () => {
  it('agrees on all 130 conversions and refusals within 1e-9', () => {
    const rows = unitRows(fixture('conversions.csv'));
    expect(rows).toHaveLength(130);
    expect(wrong(rows)).toEqual([]);
  });

  it('reads spellings of one unit as the same and look-alikes as different', () => {
    expect(wrong(spellingRows(fixture('spellings.json')))).toEqual([]);
  });
});

interface UnicodeCase {
  name: string;
  input: string;
  nfc: string;
  casefold: string;
  plain_reading: string;
}

describe('text normalisation (Unicode forms by Python 3.11 unicodedata)', () => {
  const cases = JSON.parse(readFileSync(fixture('unicode.json'), 'utf8')) as UnicodeCase[];
  // Rows whose plain reading is a remark, and what the remark asks for.
  const remarks: Record<string, (c: UnicodeCase) => void> = {
    sharp_s: (c) => expect(foldCapitals(plainReading(c.input))).toBe('strasse'),
    tamil_or_indic_digits: (c) => expect(plainReading(c.input)).toBe('34'),
    dotless_i_turkish: (c) => expect(foldCapitals(plainReading(c.input))).toBe(c.casefold),
    emoji_zwj: (c) => expect(plainReading(c.input)).toContain('\u200d'),
    combining_order: (c) => expect(plainReading(c.input)).toBe(c.nfc),
    oe_ligature: (c) => expect(plainReading(c.input)).toBe('cœur'),
  };

  it.each(cases.map((c) => [c.name, c] as const))('reads %s plainly', (name, c) => {
    const remark = remarks[name];
    if (remark) remark(c);
    else expect(plainReading(c.input).normalize('NFC')).toBe(c.plain_reading.normalize('NFC'));
  });

  it.each(cases.map((c) => [c.name, c] as const))('folds capitals of %s as the standard does', (_, c) => {
    expect(foldCapitals(c.nfc).normalize('NFC')).toBe(c.casefold.normalize('NFC'));
  });
});

describe('short answers of a class (seven questions with schemes, marked by two careful passes; invented by one author)', () => {
  it('are marked by rules that were written before any of them was read, at least as well as measured', () => {
    const rows = markClass(fixture('short-answers'), path.join(import.meta.dirname, 'short-answers-rules.json'));
    const { human, exact, wrongFull, wrongZero } = classFigures(rows);
    expect(rows).toHaveLength(196);
    expect(human).toBeLessThanOrEqual(0.2);
    expect(exact).toBeGreaterThanOrEqual(0.93);
    expect(wrongFull).toBeLessThanOrEqual(0.026);
    expect(wrongZero).toBeLessThanOrEqual(0.01);
  });
});
