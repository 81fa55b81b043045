import { describe, expect, it } from 'vitest';
import { match, type MatchSetup } from '@/core/kinds/match/match';
import { rightOf, withoutPair, withPastedPairs, withRight } from './pairs';

const three = match.typed.withKey(match.fresh(), 'overspeed = brake\nice = heat\nstorm = brake\n= paint');
const lines = (setup: MatchSetup): string[] =>
  setup.prompts.map((prompt) => `${prompt.text} = ${rightOf(setup, prompt)}`);
const idBeside = (setup: MatchSetup, at: number): string | undefined => setup.prompts[at]?.accepts[0];

describe('pairs', () => {
  it('share a partner when they have the same words, and part again', () => {
    expect(idBeside(three, 0)).toBe(idBeside(three, 2));
    const parted = withRight(three, three.prompts[2]?.id ?? '', 'park');
    expect(lines(parted)).toEqual(['overspeed = brake', 'ice = heat', 'storm = park']);
    expect(idBeside(parted, 0)).toBe(idBeside(three, 0));
    expect(lines(withRight(parted, three.prompts[2]?.id ?? '', 'heat'))[2]).toBe('storm = heat');
  });

  it('keep the partner that is only written otherwise', () => {
    const mended = withRight(three, three.prompts[1]?.id ?? '', 'heating');
    expect(idBeside(mended, 1)).toBe(idBeside(three, 1));
    expect(mended.partners.map(({ text }) => text).sort()).toEqual(['brake', 'heating', 'paint']);
  });

  it('leave nothing behind when they are taken out, nor when their right side is emptied', () => {
    const less = withoutPair(three, three.prompts[1]?.id ?? '');
    expect(lines(less)).toEqual(['overspeed = brake', 'storm = brake']);
    expect(less.partners.map(({ text }) => text)).toEqual(['brake', 'paint']);
    expect(withRight(three, three.prompts[1]?.id ?? '', '').partners).toHaveLength(2);
  });

  it('come as lines from elsewhere: two columns of a spreadsheet, or with a sign between', () => {
    const pasted = withPastedPairs(match.fresh(), 0, 'a\tone\nb = two\n\nc\td\ne\tone');
    expect(lines(pasted)).toEqual(['a = one', 'b = two', 'c = d', 'e = one']);
    expect(lines(withPastedPairs(three, 1, 'x = y'))).toEqual([
      'overspeed = brake',
      'x = y',
      'ice = heat',
      'storm = brake',
    ]);
    const many = Array.from({ length: 60 }, (_, i) => `l${i}\tr${i}`).join('\n');
    expect(withPastedPairs(match.fresh(), 0, many).prompts).toHaveLength(40);
  });
});
