import { describe, expect, it } from 'vitest';
import { likeness } from './likeness';
import { snippetOf } from './snippet';

describe('snippets', () => {
  it('show the first hit with words around it, every hit marked, as it is written', () => {
    const text = `${'word '.repeat(40)}the Élan of rotors and one rotor more ${'word '.repeat(40)}`;
    const snippet = snippetOf(text, ['elan', 'ROTOR'], '|');
    expect(snippet).toContain('the |Élan| of |rotor|s and one |rotor| more');
    expect(snippet.startsWith('…') && snippet.endsWith('…')).toBe(true);
    expect(snippet.length).toBeLessThan(200);
  });

  it('are empty without a hit, and begin at the beginning when it is near', () => {
    expect(snippetOf('The rotor turns', ['oto'], '|')).toBe('');
    expect(snippetOf('The rotor turns', ['rot'], '|')).toBe('The |rot|or turns');
    expect(snippetOf('İstanbul ß ﬁ', ['ist'], '|')).toContain('|');
  });
});

describe('likeness', () => {
  it('is one for the same words, nothing for none in common, the same both ways', () => {
    expect(likeness('The ROTOR turns.', 'the rotor turns')).toBe(1);
    expect(likeness('a b c', 'x y z')).toBe(0);
    expect(likeness('', '')).toBe(0);
    const [a, b] = ['the oil of the gearbox is hot', 'the gearbox oil is too hot'];
    expect(likeness(a, b)).toBe(likeness(b, a));
  });

  it('is high for a word changed, lower for the same words in another order', () => {
    const text = 'a rotor with a diameter of ninety metres stands in the wind';
    expect(likeness(text, text.replace('ninety', 'eighty'))).toBeGreaterThan(0.85);
    const turned = text.split(' ').reverse().join(' ');
    expect(likeness(text, turned)).toBeCloseTo(0.9, 5);
  });
});
