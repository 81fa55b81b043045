import { describe, expect, it } from 'vitest';
import { stored } from '../../base/exact';
import { fillPlaces, placesIn, withNamedPlaces } from '../../rules/maths/places';
import { rulesFromKey } from '../../rules/maths/rules';
import { formulaWithPlaces, type PlacesSetup, withFormula } from './formula-with-places';

const share = (setup: PlacesSetup, typed: string): string => {
  const marking = formulaWithPlaces.marked.mark(setup, formulaWithPlaces.typed.response(setup, typed));
  return marking.state === 'waits' ? 'waits' : stored(marking.share);
};
const typed = (key: string): PlacesSetup => formulaWithPlaces.typed.withKey(formulaWithPlaces.fresh(), key);

describe('places in LaTeX', () => {
  it('are found with what stands in them, braces in them included', () => {
    const latex = '\\frac{\\placeholder[p1]{\\sqrt{2}}}{\\placeholder[p2]{}}+\\placeholder{x}';
    expect(placesIn(latex).map(({ id, content }) => [id, content])).toEqual([
      ['p1', '\\sqrt{2}'],
      ['p2', ''],
      ['', 'x'],
    ]);
    expect(fillPlaces(latex, ({ content }) => `<${content}>`)).toBe('\\frac{<\\sqrt{2}>}{<>}+<x>');
    expect(placesIn(withNamedPlaces(latex)).map(({ id }) => id)).toEqual(['p1', 'p2', 'p3']);
    expect(placesIn(withNamedPlaces('\\placeholder[a]{1}+\\placeholder[a]{2}')).map(({ id }) => id)).toEqual([
      'a',
      'p1',
    ]);
  });

  it('that do not close end with the formula', () => {
    expect(placesIn('x+\\placeholder[p1]{1+{2}')).toMatchObject([{ content: '1+{2}' }]);
  });
});

describe('a formula with places', () => {
  const line = typed('y = ?(2)x + ?(b/3)');

  it('marks each place by itself, by what equals its key', () => {
    expect([share(line, '2; b/3'), share(line, '4/2; 2b/6'), share(line, '2; b'), share(line, '1; 1')]).toEqual([
      '1',
      '1',
      '1/2',
      '0',
    ]);
    expect(share(line, '2;')).toBe('1/2');
    expect(share(line, '((; b/3')).toBe('waits');
  });

  it('weighs places as the teacher says', () => {
    const { p2, ...rest } = line.places;
    const heavy = { ...line, places: { ...rest, p2: { ...p2, rules: rulesFromKey('b/3'), weight: '3' } } };
    expect([share(heavy, '2; 1'), share(heavy, '1; b/3')]).toEqual(['1/4', '3/4']);
  });

  it('counts as a whole where that is asked for: however the value is shared out', () => {
    // Three quarters, as any fraction.
    const whole = { ...typed('x = \\frac{?(3)}{?(4)}'), whole: rulesFromKey('') };
    expect(formulaWithPlaces.readiness(whole)).toEqual([]);
    expect([share(whole, '3; 4'), share(whole, '6; 8'), share(whole, '4; 3')]).toEqual(['1', '1', '0']);
    expect(share({ ...whole, whole: null }, '6; 8')).toBe('0');
    const marking = formulaWithPlaces.marked.mark(whole, formulaWithPlaces.typed.response(whole, '3;'));
    expect(marking.trace).toEqual([{ code: 'places-empty' }]);
    // What is put in stays together: (1+2)·x is three times x, not 1 + 2x.
    const product = { ...typed('?(3)x'), whole: rulesFromKey('') };
    expect(share(product, '1+2')).toBe('1');
  });

  it('keeps the rules of places that stay and drops those of places that are gone', () => {
    const ruled = {
      ...line,
      places: { ...line.places, p1: { rules: { ...rulesFromKey('2'), allPositive: true }, weight: '2' } },
    };
    const changed = withFormula(ruled, 'y=\\placeholder[p1]{5}');
    expect(Object.keys(changed.places)).toEqual(['p1']);
    expect(changed.places.p1).toMatchObject({ weight: '2', rules: { allPositive: true, rules: [{ key: '5' }] } });
  });

  it('says what is missing', () => {
    expect(
      formulaWithPlaces.readiness({ ...formulaWithPlaces.fresh(), formula: 'x=1' }).map(({ code }) => code),
    ).toEqual(['no-places']);
    expect(
      formulaWithPlaces.readiness(withFormula(formulaWithPlaces.fresh(), 'x=\\placeholder{}')).map(({ code }) => code),
    ).toEqual(['place-without-key']);
  });
});
