import { describe, expect, it } from 'vitest';
import { pointsFrom } from '../../../../tests/drivers/text-points';
import { longAnswer, type LongAnswerSetup } from './long-answer';

const setup: LongAnswerSetup = {
  ...longAnswer.fresh(),
  example: 'The filter was changed.',
  least: 3,
  most: 6,
  rules: {
    ...longAnswer.fresh().rules,
    rules: [pointsFrom([{ need: 'any', words: ['filter', 'cooler'], share: '1' }])],
  },
};
const codes = (text: string, more: Partial<LongAnswerSetup> = {}): string[] => {
  const marking = longAnswer.marked.mark({ ...setup, ...more }, { text });
  return [marking.state, ...marking.trace.map(({ code }) => code)];
};

describe('a long answer', () => {
  it('waits for a person, who is shown the words that were looked for', () => {
    expect(codes('We changed the cooler filters today')).toEqual(['waits', 'long-answer', 'words-noticed']);
    const { trace } = longAnswer.marked.mark(setup, { text: 'We changed the filter today' });
    expect(trace.at(-1)?.evidence).toEqual(['filter']);
    expect(codes('We did nothing at all')).toEqual(['waits', 'long-answer']);
  });

  it('gives marks for words only when they count', () => {
    expect(codes('We changed the filter today', { counts: true })[0]).toBe('marked');
  });

  it('says when there are too few or too many words; signs alone are none', () => {
    expect(codes('filter – changed')).toContain('words-too-few');
    expect(codes('one two three four five six seven')).toContain('words-too-many');
    expect(longAnswer.readiness({ ...setup, least: 9 }).map(({ code }) => code)).toEqual(['words-turned-round']);
  });

  it('takes text with headings and lists, and nothing else from a student', () => {
    const rich = (node: unknown) => ({ text: 'x', rich: { type: 'doc', content: [node] } });
    const text = { type: 'paragraph', content: [{ type: 'text', text: 'x', marks: [{ type: 'bold' }] }] };
    expect(longAnswer.response.schema.safeParse(rich(text)).success).toBe(true);
    expect(longAnswer.response.schema.safeParse(rich({ type: 'blockSlot', attrs: { id: 'a' } })).success).toBe(false);
    const picture = { type: 'picture', attrs: { media: 'a'.repeat(64), description: '', width: 50, ratio: 1 } };
    expect(longAnswer.response.schema.safeParse(rich(picture)).success).toBe(false);
  });
});
