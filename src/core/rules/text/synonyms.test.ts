import { describe, expect, it } from 'vitest';
import { knownSynonyms, synonymsOf, withSynonyms } from './synonyms';

const sets = [
  ['gearbox', 'step-up gear'],
  ['hub', 'nave'],
];

describe('synonyms', () => {
  it('of a word are the others of its set, whatever its capitals', () => {
    expect(synonymsOf(['Gearbox'], sets)).toEqual(['step-up gear']);
    expect(synonymsOf(['gearbox', 'nave'], sets)).toEqual(['step-up gear', 'hub']);
    expect(synonymsOf(['blade'], sets)).toEqual([]);
  });

  it('that share a word become one set, each word once', () => {
    expect(withSynonyms(sets, ['transmission', 'Gearbox'])).toEqual([
      ['hub', 'nave'],
      ['Gearbox', 'step-up gear', 'transmission'],
    ]);
    expect(withSynonyms(sets, ['gearbox', 'hub'])).toEqual([['gearbox', 'step-up gear', 'hub', 'nave']]);
  });

  it('are known when one set holds them all', () => {
    expect([knownSynonyms(sets, ['hub', 'Nave']), knownSynonyms(sets, ['hub', 'gearbox'])]).toEqual([true, false]);
  });
});
