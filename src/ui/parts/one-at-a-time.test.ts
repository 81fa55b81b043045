import { describe, expect, it } from 'vitest';
import { newestAtATime, oneAtATime } from './one-at-a-time';

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

describe('the newest at a time', () => {
  it('does the first, and of those that wait the last alone, also after one that failed', async () => {
    const line = newestAtATime();
    const done: string[] = [];
    const work =
      (name: string, fails = false) =>
      async (): Promise<void> => {
        await new Promise((go) => setTimeout(go, 5));
        done.push(name);
        if (fails) throw new Error(name);
      };
    const first = line(work('a', true));
    const rest = [line(work('b')), line(work('c')), line(work('d'))];
    await expect(first).rejects.toThrow('a');
    await Promise.all(rest);
    await line(work('e'));
    expect(done).toEqual(['a', 'd', 'e']);
  });
});
