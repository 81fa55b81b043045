import { describe, expect, it } from 'vitest';
import { stored } from '../../base/exact';
import { sample } from './sample';
import { say, type SayResponse } from './say';

const { setup } = sample;
const said = (words: string, sure: number): SayResponse => ({
  file: { hash: 'b'.repeat(64), name: 'said.wav', size: 9, attempt: 'x' },
  seconds: 1,
  tries: 1,
  understood: { words, sure },
});

describe('an answer that is spoken', () => {
  it('is marked by rules for text where it was understood surely enough, and tells how sure', () => {
    const right = say.marked.mark(setup, said('secretkeyword', 0.83));
    expect(right.state === 'marked' && stored(right.share)).toBe('1');
    expect(right.trace[0]).toEqual({ code: 'understood', values: { sure: 83 }, evidence: ['secretkeyword'] });
    const wrong = say.marked.mark(setup, said('something else', 0.9));
    expect(wrong.state === 'marked' && stored(wrong.share)).toBe('0');
  });

  it('waits for a person as soon as it is less sure than asked for', () => {
    const states = (['fairly', 'quite', 'very'] as const).map(
      (sure) => say.marked.mark({ ...setup, sure }, said('secretkeyword', 0.85)).state,
    );
    expect(states).toEqual(['marked', 'marked', 'waits']);
  });

  it('gathers what was understood surely, and nobody’s doubtful answer with another', () => {
    expect(say.gist(setup, said('Secretkeyword', 0.9))).toBe(say.gist(setup, said('secretkeyword', 0.95)));
    expect(say.gist(setup, said('secretkeyword', 0.3))).toBe('b'.repeat(64));
  });

  it('takes waves, no oftener than allowed', () => {
    const takes = (name: string, tries: number): boolean =>
      say.accepts(setup, { ...said('', 0), file: { hash: 'b'.repeat(64), name, size: 9, attempt: 'x' }, tries });
    expect([takes('a.wav', 3), takes('a.wav', 4), takes('a.webm', 1)]).toEqual([true, false, false]);
  });

  it('is not ready without a sample of a right answer, and wants others to tell it from', () => {
    const codes = (spoken: typeof setup.spoken): string[] =>
      say.readiness({ ...setup, spoken }).map(({ code }) => code);
    const [right, other] = setup.spoken;
    if (!right || !other) throw new Error('The sample has two');
    expect(codes([])).toEqual(['spoken-no-right']);
    expect(codes([other])).toEqual(['spoken-no-right']);
    expect(codes([right])).toEqual(['spoken-no-other']);
    expect(codes([right, { ...other, words: ' ' }])).toEqual(['spoken-without-words']);
  });
});
