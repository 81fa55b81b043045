import { describe, expect, it } from 'vitest';
import { scale, type ScaleSetup } from './scale';

const setup = (part: Partial<ScaleSetup>): ScaleSetup => ({
  ...scale.fresh(),
  from: 0,
  to: 100,
  step: 5,
  key: { least: '40', most: '60' },
  ...part,
});
const codes = (part: Partial<ScaleSetup>): string[] => scale.readiness(setup(part)).map(({ code }) => code);
const share = (part: Partial<ScaleSetup>, value: number): string => {
  const marking = scale.marked.mark(setup(part), { value });
  return marking.state === 'marked' ? marking.share.toFraction() : 'waits';
};

describe('a scale', () => {
  it('earns its marks within the key, ends included, and nothing beside it', () => {
    expect([35, 40, 50, 60, 65].map((value) => share({}, value))).toEqual(['0', '1', '1', '1', '0']);
    expect(share({ from: -10, to: 10, key: { least: '−5', most: '-5' } }, -5)).toBe('1');
  });

  it('without a key is for a person, or for nobody to mark', () => {
    expect(share({ key: null }, 50)).toBe('waits');
    expect(codes({ key: null })).toEqual(['scale-no-key']);
    expect(scale.marked.key(setup({ key: null }))).toBeNull();
  });

  it('takes only values on its steps', () => {
    const takes = (value: number | null) => scale.accepts(setup({ from: 10 }), { value });
    expect([10, 15, 100, null].map(takes)).toEqual([true, true, true, true]);
    expect([5, 12, 105, 12.5].map(takes)).toEqual([false, false, false, false]);
  });

  it('says what is wrong with it', () => {
    expect(codes({})).toEqual([]);
    expect(codes({ to: 0 })).toEqual(['scale-without-length']);
    expect(codes({ step: 7 })).toContain('scale-steps-miss-end');
    for (const key of [
      { least: '60', most: '40' },
      { least: '41', most: '60' },
      { least: '40', most: '105' },
      { least: 'x', most: '60' },
    ])
      expect(codes({ key })).toEqual(['scale-key-off']);
  });

  it('tries its key, what stands just beside it, and its ends', () => {
    expect(scale.marked.tryouts(setup({})).map(({ value }) => value)).toEqual([50, 35, 65, 0, 100]);
    expect(scale.marked.key(setup({ key: { least: '40', most: '45' } }))).toMatchObject({
      value: expect.toSatisfy((v: number) => v === 40 || v === 45),
    });
  });
});
