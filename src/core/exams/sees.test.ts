import { describe, expect, it } from 'vitest';
import { ASPECTS, both, EVERYTHING, type MOMENTS, NOTHING, ON_RELEASE, seenAt, seesAnything, type Sees } from './sees';

const all = (moment: (typeof MOMENTS)[number]): Sees => ({
  marks: moment,
  right: moment,
  key: moment,
  explanation: moment,
  remarks: moment,
});

describe('what is seen when', () => {
  it.each([
    ['at once', 'at once', true],
    ['at once', 'handed in', true],
    ['at once', 'released', true],
    ['handed in', 'at once', false],
    ['handed in', 'handed in', true],
    ['handed in', 'released', true],
    ['released', 'handed in', false],
    ['released', 'released', true],
    ['never', 'at once', false],
    ['never', 'released', false],
  ] as const)('said %s: once %s it is %s', (said, now, seen) => {
    expect(seenAt(all(said), now)).toEqual(seen ? EVERYTHING : NOTHING);
  });

  it('each for itself, and nothing before the release where nothing is said', () => {
    for (const aspect of ASPECTS) {
      const visible = seenAt({ ...ON_RELEASE, [aspect]: 'handed in' }, 'handed in');
      expect(ASPECTS.filter((one) => visible[one])).toEqual([aspect]);
      expect(seesAnything(visible)).toBe(true);
    }
    expect(seesAnything(seenAt(ON_RELEASE, 'handed in'))).toBe(false);
    expect(both({ ...NOTHING, key: true }, { ...NOTHING, marks: true })).toEqual({
      ...NOTHING,
      key: true,
      marks: true,
    });
  });
});
