import { describe, expect, it } from 'vitest';
import { atRate, readWav, writeWav } from './wav';

const sine = (rate: number, hertz: number, seconds = 0.5): Float32Array =>
  Float32Array.from({ length: rate * seconds }, (_, i) => 0.5 * Math.sin((2 * Math.PI * hertz * i) / rate));

describe('WAV files', () => {
  it('come back as they were written, to the size of a step', () => {
    const samples = sine(16_000, 440);
    const read = readWav(writeWav({ rate: 16_000, samples }));
    expect(read?.rate).toBe(16_000);
    expect(Math.max(...samples.map((v, i) => Math.abs(v - (read?.samples[i] ?? 9))))).toBeLessThan(2 / 0x8000);
  });

  it('have the bytes that their standard names', () => {
    const bytes = writeWav({ rate: 16_000, samples: Float32Array.from([0, 1, -1]) });
    const word = (at: number): string => String.fromCharCode(...bytes.slice(at, at + 4));
    expect([word(0), word(8), word(12), word(36), bytes.length]).toEqual(['RIFF', 'WAVE', 'fmt ', 'data', 50]);
    expect([...bytes.slice(44)]).toEqual([0, 0, 0xff, 0x7f, 0, 0x80]);
  });

  it('that are none, of another form, or cut off, do no harm', () => {
    const good = writeWav({ rate: 16_000, samples: sine(16_000, 440, 0.1) });
    expect(readWav(new Uint8Array())).toBeNull();
    expect(readWav(new TextEncoder().encode('RIFF….WAVE'.padEnd(60, 'x')))).toBeNull();
    expect(readWav(Uint8Array.from(good, (v, i) => (i === 34 ? 8 : v)))).toBeNull();
    expect(readWav(good.slice(0, 1000))?.samples.length).toBe(478);
    // A piece that claims to have no end, and a size of zero for ever, end all the same.
    const endless = good.slice(0, 60);
    endless.fill(0, 36, 60);
    expect(readWav(endless)).toBeNull();
  });

  it('are brought to another rate without another pitch', () => {
    for (const rate of [8000, 44_100, 48_000]) {
      const { samples } = atRate({ rate, samples: sine(rate, 440) }, 16_000);
      expect(Math.abs(samples.length - 8000)).toBeLessThan(2);
      const crossings = samples.filter((v, i) => i > 0 && v >= 0 && (samples[i - 1] ?? 0) < 0).length;
      expect(Math.abs(crossings - 220)).toBeLessThanOrEqual(1);
    }
  });
});
