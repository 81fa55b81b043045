import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { markSlot } from '@/core/bank/mark';
import { contentFromMarkdown } from '@/core/content/markdown';
import type { KindSample } from '@/core/kinds/contract';
import { label, type LabelSetup } from '@/core/kinds/label/label';
import { KIND_NAMES } from '@/core/kinds/names';
import { kindOf } from '@/core/kinds/registry';
import { readResponse } from '@/core/kinds/response';
import { readNumber } from '@/core/rules/number/read';
import { understood } from '@/core/rules/maths/understood';
import { drawFormula } from '@/ui/sheet/formulas';
import { measureWork } from '../drivers/work';
import { sampleOf } from '../drivers/kind-samples';

/** What nobody would write honestly. */
const LONG = 50_000;
const SHAPES: Record<string, string> = {
  ...Object.fromEntries(
    [
      '(',
      ')',
      '[',
      '{',
      '}',
      '$',
      '\\',
      '^',
      '_',
      '*',
      '-',
      '+',
      '<',
      '=',
      '.',
      ',',
      ';',
      '|',
      '1',
      'x',
      '!',
      '%',
      ' ',
      '\n',
      '́',
      '😀',
      'ſ',
      '#',
      '>',
      '`',
      '~',
      '/',
      '"',
      "'",
    ].map((sign) => [`only ${JSON.stringify(sign)}`, sign.repeat(LONG / sign.length)]),
  ),
  'a chain': Array.from({ length: 5000 }, (_, i) => i).join('<'),
  'a tower': `${'x^{'.repeat(3000)}x${'}'.repeat(3000)}`,
  'roots in roots': `${'\\sqrt{'.repeat(3000)}x${'}'.repeat(3000)}`,
  'fractions in fractions': `${'\\frac{1}{'.repeat(2000)}x${'}'.repeat(2000)}`,
  'sums in sums': `${'\\sum_{n=1}^{2000}{'.repeat(9)}n!${'}'.repeat(9)}`,
  'sines in sines': `${'\\sin('.repeat(3000)}x${')'.repeat(3000)}`,
  'one word after another': 'gearbox '.repeat(LONG / 8),
  'slips of one word': Array.from({ length: 5000 }, (_, i) => `secretkeywor${String.fromCharCode(97 + (i % 26))}`).join(
    ' ',
  ),
  'a word without end': 'secretkeyword'.repeat(3800),
  'numbers and signs': '1,1.1e1-'.repeat(6000),
  'units and units': 'kW·h/m²'.repeat(7000),
  'lists in lists': Array.from({ length: 2000 }, (_, i) => `${' '.repeat(Math.min(i, 100))}- a`).join('\n'),
  'stars and lines': '**_a_** '.repeat(6000),
  'quotes in quotes': `${'>'.repeat(2000)} a`,
};
const shapes = Object.entries(SHAPES);
const LENGTHS = [LONG, 5000, 2000, 1000, 500, 200, 60];
/** On a busy machine with all its load; the counted bounds lie far below. */
const NET = 2500;

describe.each(KIND_NAMES)('a slot of the kind %s', (name) => {
  const kind = kindOf(name);
  const { setup } = sampleOf(name);
  const slot = { kind: name, marks: '1', setup };

  it.each(shapes)('is marked, told and gathered in time and without a fault when it holds %s', (_, text) => {
    // As much of it as the slot takes; what is longer is not read at all.
    const asMuch = LENGTHS.map((length) => kind.typed?.response(setup, text.slice(0, length)));
    const raw = asMuch.find((one) => one !== undefined && readResponse(kind, one) !== null) ?? asMuch[0];
    const read = raw === undefined ? null : readResponse(kind, raw);
    expect(read !== null || !kind.typed).toBe(true);
    const work = measureWork();
    expect(() => markSlot(slot, raw)).not.toThrow();
    if (read) {
      expect(typeof kind.describeResponse(setup, read.response)).toBe('string');
      expect(typeof kind.gist(setup, read.response)).toBe('string');
      kind.valued?.value(setup, read.response);
    }
    expect(work()).toBeLessThan(NET);
  });

  it('takes whatever is put together from such pieces', () => {
    const pieces = fc.array(
      fc.constantFrom(
        '(',
        ')',
        '{',
        '}',
        '^',
        '_',
        '\\frac{',
        '\\sqrt{',
        '\\sum_{n=1}^{9}',
        '1',
        '2.5',
        'x',
        '+',
        '-',
        '<',
        '=',
        ',',
        ';',
        '!',
        ' not ',
        ' secretkeyword ',
        ' kW',
        '/',
        '<v>',
        '\\',
        '$',
        '±',
        '∞',
      ),
      { maxLength: 40 },
    );
    fc.assert(
      fc.property(pieces, (all) => {
        const raw = kind.typed?.response(setup, all.join(''));
        const { marking } = markSlot(slot, raw);
        // The same every time, and said in steps.
        expect(markSlot(slot, raw).marking).toEqual(marking);
        expect(marking.trace.length).toBeGreaterThan(0);
      }),
      { numRuns: 120, seed: 20261128 },
    );
  });
});

it.each(shapes)('%s is read as a number, drawn as a formula and taken from Markdown in time', (_, text) => {
  const work = measureWork();
  readNumber(text.slice(0, 200));
  const reading = understood(text.slice(0, 2000), {});
  if (reading.ok) expect(drawFormula(reading.latex, false).length).toBeGreaterThan(0);
  expect(drawFormula(text.slice(0, 2000), false).length).toBeGreaterThanOrEqual(0);
  contentFromMarkdown(text.slice(0, 20_000));
  expect(work()).toBeLessThan(2 * NET);
});

it('forty long lines that are typed on a picture with sixty names are read in a moment', () => {
  const { setup } = sampleOf('label') as KindSample<LabelSetup>;
  const [place] = setup.places;
  if (!place) throw new Error('The sample has a place');
  const crowded: LabelSetup = {
    ...setup,
    typed: true,
    names: Array.from({ length: 60 }, (_, i) => ({
      id: `n${i}`,
      text: `gearbox ${i}; gear box ${i}; speed changer ${i}`,
    })),
    places: Array.from({ length: 40 }, (_, i) => ({ ...place, id: `p${i}`, accepts: [`n${i}`] })),
  };
  const lines = ['gearbox '.repeat(37), 'gaerbox'.repeat(42), 'a'.repeat(300), '; '.repeat(150)];
  const typed = crowded.places.map(({ id }, i) => ({ place: id, text: lines[i % lines.length] ?? '' }));
  const work = measureWork();
  expect(label.marked.mark(crowded, { placed: [], typed }).state).toBe('waits');
  expect(work()).toBeLessThan(NET);
});
