import { readFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { seeded } from '../base/random';
import { distance } from './alignment';
import { features, mel, powerSpectrum, spectra, WIDTH } from './features';
import { hear, hearFiles } from './hear';
import { NOTHING_UNDERSTOOD } from './understood';
import { RATE, readWav, type Sound } from './wav';
import { measureWork } from '../../../tests/drivers/work';

const CALLS = path.resolve(import.meta.dirname, '../../demo/voices/calls');
const call = (name: string): Sound => {
  const sound = readWav(readFileSync(path.join(CALLS, `${name}.wav`)));
  if (!sound) throw new Error(`There is no call ${name}`);
  return sound;
};
const SAMPLES = [
  ['sample-stop', 'stop the rotor'],
  ['sample-stop-2', 'stop the rotor'],
  ['sample-turn', 'turn the rotor'],
  ['sample-release', 'release the brake'],
  ['sample-lower', 'lower the hoist'],
].map(([name = '', words = '']) => ({ words, sound: call(name) }));

const noise = (seconds: number, loud: number): Sound => {
  const random = seeded(7);
  return { rate: RATE, samples: Float32Array.from({ length: seconds * RATE }, () => loud * (2 * random() - 1)) };
};

describe('the spectrum', () => {
  it('is that of the discrete Fourier transform as it is defined', () => {
    const random = seeded(3);
    const signal = Float64Array.from({ length: 32 }, () => random() - 0.5);
    const power = powerSpectrum(signal);
    for (let k = 0; k <= 16; k++) {
      let [re, im] = [0, 0];
      signal.forEach((v, n) => {
        re += v * Math.cos((2 * Math.PI * k * n) / 32);
        im -= v * Math.sin((2 * Math.PI * k * n) / 32);
      });
      expect(power[k]).toBeCloseTo(re ** 2 + im ** 2, 10);
    }
  });

  it('counts in mels: a thousand of them are a thousand hertz (O’Shaughnessy 1987)', () => {
    expect(mel(1000)).toBeCloseTo(1000, 0);
    expect(mel(0)).toBe(0);
  });
});

describe('the distance of two sounds', () => {
  const one = features(spectra(call('sample-stop')));
  /** Dynamic time warping as its definition says it, without a band and without haste. */
  function plain(a: typeof one, b: typeof one): number {
    const apart = (i: number, j: number): number => {
      const sum = Array.from(
        { length: WIDTH },
        (_, k) => ((a.values[i * WIDTH + k] ?? 0) - (b.values[j * WIDTH + k] ?? 0)) ** 2,
      );
      return Math.sqrt(sum.reduce((x, y) => x + y) / WIDTH);
    };
    const cost = Array.from({ length: a.frames + 1 }, () => new Array<number>(b.frames + 1).fill(Infinity));
    const at = (i: number, j: number): number => cost[i]?.[j] ?? Infinity;
    (cost[0] ?? [])[0] = 0;
    for (let i = 1; i <= a.frames; i++)
      for (let j = 1; j <= b.frames; j++) {
        const d = apart(i - 1, j - 1);
        (cost[i] ?? [])[j] = Math.min(at(i - 1, j - 1) + 2 * d, at(i - 1, j) + d, at(i, j - 1) + d);
      }
    return at(a.frames, b.frames) / (a.frames + b.frames);
  }

  it('is nothing to itself, the same both ways, and what the definition gives', () => {
    const other = features(spectra(call('said-stop')));
    expect(distance(one, one)).toBe(0);
    expect(distance(one, other, 1)).toBeCloseTo(plain(one, other), 5);
    expect(distance(one, other)).toBeCloseTo(distance(other, one), 2);
    expect(distance(one, other)).toBeGreaterThanOrEqual(plain(one, other) - 1e-9);
  });

  it('is endless where one is far longer than the other', () => {
    expect(distance(one, { frames: 10, values: one.values.slice(0, 10 * WIDTH) })).toBe(Infinity);
  });
});

describe('what is understood', () => {
  it('is the right call, by other voices at other speeds, and louder or softer', () => {
    for (const name of ['said-stop', 'said-stop-slowly']) {
      const { words, sure } = hear(call(name), SAMPLES);
      expect([name, words, sure > 0.8]).toEqual([name, 'stop the rotor', true]);
    }
    expect(hear(call('said-turn'), SAMPLES)).toMatchObject({ words: 'turn the rotor' });
    const soft = { rate: RATE, samples: call('said-stop').samples.map((v) => v * 0.1) };
    expect(hear(soft, SAMPLES)).toMatchObject({ words: 'stop the rotor' });
  });

  it('is nothing, or doubtful, where something else was said, or nothing', () => {
    expect(hear(call('said-other'), SAMPLES).sure).toBeLessThan(0.5);
    expect(hear(noise(1, 0.2), SAMPLES).sure).toBeLessThan(0.5);
    expect(hear(noise(1, 0), SAMPLES)).toEqual(NOTHING_UNDERSTOOD);
    expect(hear({ rate: RATE, samples: new Float32Array() }, SAMPLES)).toEqual(NOTHING_UNDERSTOOD);
    expect(hear(call('said-stop'), [])).toEqual(NOTHING_UNDERSTOOD);
  });

  it('is less sure where two samples of different words sound the same', () => {
    const twin = { words: 'stop that rotor', sound: call('sample-stop') };
    expect(hear(call('said-stop'), [...SAMPLES, twin]).sure).toBeLessThan(0.5);
  });

  it('of files that are no waves is nothing, and such samples count for nothing', () => {
    const bytes = readFileSync(path.join(CALLS, 'said-stop.wav'));
    const lie = { words: 'lie', sound: new TextEncoder().encode('no wave') };
    expect(hearFiles(lie.sound, [{ words: 'stop the rotor', sound: bytes }])).toEqual(NOTHING_UNDERSTOOD);
    expect(hearFiles(bytes, [lie])).toEqual(NOTHING_UNDERSTOOD);
  });

  it('of a sound that lasts for an hour is nothing, at once: it is not looked into', () => {
    const hours = { rate: 4000, samples: new Float32Array(3600 * 4000).fill(0.5) };
    const work = measureWork();
    expect(hear(hours, SAMPLES)).toEqual(NOTHING_UNDERSTOOD);
    expect(hear(call('said-stop'), [...SAMPLES, { words: 'hours', sound: hours }]).words).toBe('stop the rotor');
    expect(work()).toBeLessThan(2000);
  });

  it('the longest recording beside as many samples as there may be is heard in bounded time', () => {
    const long = { rate: RATE, samples: new Float32Array(10 * RATE) };
    const random = seeded(5);
    long.samples.forEach((_, i) => (long.samples[i] = Math.sin(i / (5 + (i % 900) / 90)) * (0.3 + random() / 2)));
    const samples = Array.from({ length: 40 }, (_, i) => ({ words: `w${i}`, sound: long }));
    const work = measureWork();
    expect(hear(long, samples).sure).toBeLessThan(0.5);
    expect(work()).toBeLessThan(10_000);
  }, 20_000);
});
