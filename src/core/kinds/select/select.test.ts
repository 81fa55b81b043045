import { describe, expect, it } from 'vitest';
import { select, type SelectSetup } from './select';
import { joined, parted, piecesOf, resplit, stretches, type UnitSize } from './units';
import { measureWork } from '../../../../tests/drivers/work';

const split = (text: string, size: UnitSize): string[] =>
  stretches(text, size).map(({ from, to }) => text.slice(from, to));
const none = { text: '', units: [] };

describe('a text', () => {
  it('falls into words with what belongs to them', () => {
    expect(split('The 2.5-MW turbine’s rotor, 90 m wide (59 %).', 'words')).toEqual([
      'The',
      '2.5-MW',
      'turbine’s',
      'rotor',
      '90',
      'm',
      'wide',
      '59',
    ]);
    expect(split('Flügel drehen – pünktlich.', 'words')).toEqual(['Flügel', 'drehen', 'pünktlich']);
  });

  it('falls into sentences', () => {
    expect(split('Stop it. Is it locked? “Yes!”\nThen climb at 1.5 m/s', 'sentences')).toEqual([
      'Stop it.',
      'Is it locked?',
      '“Yes!”',
      'Then climb at 1.5 m/s',
    ]);
    expect(split('', 'sentences')).toEqual([]);
  });

  it('of signs without words, or of one sign very often, is split in time', () => {
    const work = measureWork();
    for (const size of ['words', 'sentences'] as const)
      for (const odd of ['.'.repeat(6000), 'a'.repeat(6000), 'a.'.repeat(3000), ' '.repeat(6000), 'a-'.repeat(3000)])
        stretches(odd, size);
    expect(work()).toBeLessThan(250);
  });

  it('keeps what was set while it is written on', () => {
    const first = resplit(none, 'wind and wind', 'words', 100).map((unit, i) => ({ ...unit, key: i === 2 }));
    const then = resplit({ text: 'wind and wind', units: first }, 'the wind and strong wind', 'words', 100);
    expect(then.map(({ key }) => key)).toEqual([false, false, false, false, true]);
    expect(then.at(-1)?.id).toBe(first[2]?.id);
    expect(new Set(then.map(({ id }) => id)).size).toBe(5);
  });

  it('has units that are joined and parted, and is always the whole text', () => {
    const text = 'the rotor blade turns';
    const units = resplit(none, text, 'words', 100);
    const third = units[2]?.id ?? '';
    const phrase = joined(units, third);
    expect(piecesOf(text, phrase).map((piece) => piece.text)).toEqual(['the', ' ', 'rotor blade', ' ', 'turns']);
    const again = parted(phrase, phrase[1]?.id ?? '', text, 'words');
    expect(again.map(({ from, to }) => text.slice(from, to))).toEqual(['the', 'rotor', 'blade', 'turns']);
    expect(new Set(again.map(({ id }) => id)).size).toBe(4);
    for (const some of [units, phrase, again])
      expect(
        piecesOf(text, some)
          .map((p) => p.text)
          .join(''),
      ).toBe(text);
    expect(joined(units, units[0]?.id ?? '')).toEqual(units);
    // What was joined stays so while it is written on, and falls apart with its words.
    const kept = (then: string): string[] =>
      resplit({ text, units: phrase }, then, 'words', 100).map(({ from, to }) => then.slice(from, to));
    expect(kept('see the rotor blade')).toEqual(['see', 'the', 'rotor blade']);
    expect(kept('the rotor and blade')).toEqual(['the', 'rotor', 'and', 'blade']);
  });
});

describe('a selection', () => {
  const text = 'lift drag thrust weight';
  const units = resplit(none, text, 'words', 100).map((unit, i) => ({ ...unit, key: i < 2 }));
  const setup: SelectSetup = { ...select.fresh(), text, units, most: 3 };
  const ids = (...at: number[]): string[] => at.map((i) => units[i]?.id ?? '');

  it('takes known units, each once, and no more than may be selected', () => {
    const accepts = (...selected: string[]): boolean => select.accepts(setup, { selected });
    expect([
      accepts(),
      accepts(...ids(0, 1, 2)),
      accepts(...ids(0, 1, 2, 3)),
      accepts('zz'),
      accepts(...ids(0, 0)),
    ]).toEqual([true, true, false, false, false]);
  });

  it('says what it still needs', () => {
    const codes = (part: Partial<SelectSetup>): string[] =>
      select.readiness({ ...setup, ...part }).map(({ code }) => code);
    expect(codes({})).toEqual([]);
    expect(codes({ most: 1 })).toEqual(['select-most-too-few']);
    expect(codes({ units: units.map((unit) => ({ ...unit, key: true })), most: null })).toEqual(['select-all-right']);
    expect(codes({ units: units.map((unit) => ({ ...unit, key: false })) })).toEqual(['select-no-key']);
    expect(select.readiness(select.fresh()).map(({ code }) => code)).toEqual(['select-no-text']);
  });
});
