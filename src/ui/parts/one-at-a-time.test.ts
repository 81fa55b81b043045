import { describe, expect, it } from 'vitest';
import { oneAtATime } from './one-at-a-time';

describe('work one at a time', () => {
  it('is never done twice at once, however many ask', async () => {
    let now = 0;
    let most = 0;
    let done = 0;
    const line = oneAtATime();
    const work = async (): Promise<void> => {
      now += 1;
      most = Math.max(most, now);
      await new Promise((go) => setTimeout(go, 2));
      now -= 1;
      done += 1;
    };
    const ask = (): Promise<void> => line(work);
    await Promise.all([ask(), ask(), ask(), ask()]);
    expect([most, done]).toEqual([1, 4]);
  });

  it('a save that begins from what the one before it left never meets its own version', async () => {
    let version = 1;
    const conflicts: number[] = [];
    let base = 1;
    const line = oneAtATime();
    const work = async (): Promise<void> => {
      const from = base;
      await Promise.resolve();
      if (from !== version) conflicts.push(from);
      version += 1;
      base = version;
    };
    const save = (): Promise<void> => line(work);
    const first = save();
    await Promise.all([save(), save(), first, save()]);
    expect(conflicts).toEqual([]);
  });

  it('goes on after a failure', async () => {
    let tries = 0;
    const line = oneAtATime();
    const work = async (): Promise<void> => {
      tries += 1;
      if (tries === 1) throw new Error('no network');
    };
    const ask = (): Promise<void> => line(work);
    await expect(ask()).rejects.toThrow('no network');
    await ask();
    expect(tries).toBe(2);
  });
});
