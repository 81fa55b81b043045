import { describe, expect, it } from 'vitest';
import { arrivalSteps, writtenWhilePaused } from './story';

const second = 1000;
const came = (device: string, writtenAt: number, receivedAt = writtenAt + 1) => ({
  device,
  writtenAt: writtenAt * second,
  receivedAt: receivedAt * second,
});

describe('what the arrivals tell', () => {
  it('nothing of one device with a connection', () => {
    expect(arrivalSteps([came('a', 1), came('a', 20), came('a', 40)])).toEqual([]);
  });

  it('another device, once, however often it is changed', () => {
    expect(arrivalSteps([came('a', 1), came('b', 20), came('a', 40), came('b', 60)])).toEqual([
      { at: 20 * second, what: 'another device' },
    ]);
  });

  it('a stretch without a connection as one, from what was written first to when all had come', () => {
    const steps = arrivalSteps([came('a', 1), came('a', 100, 300), came('a', 160, 300), came('a', 299, 300)]);
    expect(steps).toEqual([{ at: 100 * second, until: 300 * second, what: 'offline', count: 2 }]);
  });

  it('two stretches as two', () => {
    const steps = arrivalSteps([came('a', 100, 200), came('a', 400, 500)]);
    expect(steps.map(({ at, until }) => [at, until])).toEqual([
      [100 * second, 200 * second],
      [400 * second, 500 * second],
    ]);
  });

  it('what was written while the time stood still, after the room could know', () => {
    const pauses = [{ from: 100 * second, to: 400 * second }];
    expect(writtenWhilePaused([came('a', 110), came('a', 401)], pauses)).toBeNull();
    expect(writtenWhilePaused([came('a', 130, 420), came('a', 200, 420)], pauses)).toEqual({
      at: 130 * second,
      until: 200 * second,
      what: 'wrote while paused',
      count: 2,
    });
    expect(writtenWhilePaused([came('a', 500)], [{ from: 100 * second, to: null }])?.count).toBe(1);
  });
});
