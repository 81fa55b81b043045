import { describe, expect, it } from 'vitest';
import { powerCoefficient, rotorPower } from './rotor-power';

describe('power of a rotor', () => {
  /** Maximum of the approximation as published with it: 0.48 at a tip-speed ratio of 8.1 and no pitch (value from memory). */
  it('has its best at a tip-speed ratio of 8.1 and no pitch, and stays below the limit of Betz', () => {
    expect(powerCoefficient(8.1, 0)).toBeCloseTo(0.48, 2);
    for (let ratio = 1; ratio <= 15; ratio += 0.1) {
      for (let pitch = 0; pitch <= 30; pitch += 1) {
        const cp = powerCoefficient(ratio, pitch);
        expect(cp).toBeGreaterThanOrEqual(0);
        expect(cp).toBeLessThanOrEqual(powerCoefficient(8.1, 0) + 1e-3);
        expect(cp).toBeLessThan(16 / 27);
      }
    }
  });

  it('grows with the cube of the wind at the same ratio, and falls with pitch', () => {
    const slow = rotorPower({ wind: 6, pitch: 0, turns: 10, radius: 45 });
    const fast = rotorPower({ wind: 12, pitch: 0, turns: 20, radius: 45 });
    expect(fast.watts / slow.watts).toBeCloseTo(8, 9);
    const pitched = rotorPower({ wind: 12, pitch: 10, turns: 20, radius: 45 });
    expect(pitched.watts).toBeLessThan(fast.watts);
  });
});
