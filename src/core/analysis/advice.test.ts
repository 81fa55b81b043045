import { describe, expect, it } from 'vitest';
import { adviceFor, type AdvisedItem, FEWEST } from './advice';

const sound: AdvisedItem = {
  persons: 100,
  facility: 0.6,
  withRest: 0.4,
  omitted: 0.02,
  answers: [
    { answer: 'yaw', earns: 1, upper: 0.9, lower: 0.3, chosen: 60 },
    { answer: 'pitch', earns: 0, upper: 0.05, lower: 0.5, chosen: 30 },
    { answer: '', earns: 0, upper: 0.05, lower: 0.2, chosen: 10 },
  ],
};
const codes = (part: Partial<AdvisedItem>): string[] => adviceFor({ ...sound, ...part }).map((one) => one.is);

describe('advice about an item', () => {
  it('is none where nothing is wrong, and where there are too few to say', () => {
    expect(codes({})).toEqual([]);
    expect(codes({ persons: FEWEST - 1, withRest: -0.5, facility: 0.1 })).toEqual([]);
  });

  it('doubts a key when the best give another answer, which they give more than the weakest do', () => {
    const turned = sound.answers.map((one) => ({ ...one, earns: 1 - one.earns }));
    expect(adviceFor({ ...sound, answers: turned.slice(0, 2), withRest: -0.4 })).toEqual([
      { is: 'best-say-other', answer: 'yaw' },
      { is: 'turned-round' },
    ]);
    // An empty answer is none that anybody prefers, and one person is no sign.
    const empty = [{ answer: '', earns: 0, upper: 0.9, lower: 0.1, chosen: 50 }];
    const alone = [{ answer: 'hub', earns: 0, upper: 1, lower: 0, chosen: 1 }];
    expect([codes({ answers: empty }), codes({ answers: alone })]).toEqual([[], []]);
    // What all the weakest say is a slip, however many of the best make it too.
    const slip = [{ answer: 'hub', earns: 0, upper: 0.5, lower: 0.8, chosen: 60 }];
    expect(codes({ answers: slip })).toEqual([]);
  });

  it('tells what tells little, is hard, is easy, or is left empty', () => {
    expect(codes({ withRest: 0.05 })).toEqual(['tells-little']);
    expect(codes({ withRest: null, facility: 0.1 })).toEqual(['hard']);
    // What nearly everybody has cannot tell much.
    expect(codes({ withRest: 0.05, facility: 0.97 })).toEqual(['easy']);
    expect(adviceFor({ ...sound, omitted: 0.5 })).toEqual([{ is: 'left-empty', share: 0.5 }]);
  });
});
