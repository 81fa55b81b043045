import { Worker } from 'node:worker_threads';
import { afterEach, describe, expect, it } from 'vitest';
import { type Marker, openMarker } from './marker';

/** A thread that stands in for the rules: at a slot "hangs" it thinks for ever, at "greedy" it wants all memory, at "broken" it throws, at "ends" it is gone. */
const RULES = `
  const { parentPort } = require('node:worker_threads');
  parentPort.on('message', ({ id, givenUp }) => {
    const marks = [];
    for (const slot of id.split(' ')) {
      if (givenUp.some((place) => place.slot === slot)) { marks.push({ slot, marks: null }); continue; }
      parentPort.postMessage({ at: { item: 'q', slot } });
      if (slot.startsWith('hangs')) for (;;);
      if (slot === 'greedy') { const all = []; for (;;) all.push(new Array(1e6).fill(slot)); }
      if (slot === 'ends') process.exit(0);
      if (slot === 'broken') { parentPort.postMessage({ failed: 'RangeError' }); return; }
      marks.push({ slot, marks: '1' });
    }
    parentPort.postMessage({ marks: { version: 1, marks } });
  });
`;

let threads = 0;
let marker: Marker;
const open = (mostTime?: number): void => {
  threads = 0;
  const start = (): Worker => {
    threads += 1;
    return new Worker(RULES, { eval: true, resourceLimits: { maxOldGenerationSizeMb: 64 } });
  };
  marker = openMarker(start, mostTime);
};
afterEach(() => marker.close());

const mark = async (slots: string): Promise<Record<string, string | null>> => {
  const { marks } = await marker.mark({ database: '', id: slots, sitting: 's', seed: 1, without: [] });
  return Object.fromEntries(marks.map(({ slot, marks: earned }) => [slot, earned]));
};

describe('marking away from the thread that serves', () => {
  it('keeps one thread for all while nothing is wrong', async () => {
    open();
    expect(await Promise.all([mark('a b'), mark('c'), mark('d')])).toEqual([
      { a: '1', b: '1' },
      { c: '1' },
      { d: '1' },
    ]);
    expect(threads).toBe(1);
  });

  it('gives an answer up that would hold it for ever: it waits, and all others are marked', async () => {
    open(100);
    let beats = 0;
    const beating = setInterval(() => (beats += 1), 10);
    const found = await Promise.all([mark('a hangs-1 b hangs-2 c'), mark('d')]);
    clearInterval(beating);
    expect(found).toEqual([{ a: '1', 'hangs-1': null, b: '1', 'hangs-2': null, c: '1' }, { d: '1' }]);
    // Whoever serves did not stand still.
    expect(beats).toBeGreaterThan(10);
    expect(threads).toBe(3);
  });

  it('survives an answer that eats all memory', async () => {
    open(20_000);
    expect(await mark('a greedy b')).toEqual({ a: '1', greedy: null, b: '1' });
  });

  it('survives a thread that ends without a word, and one that cannot begin', async () => {
    open();
    expect(await mark('a ends b')).toEqual({ a: '1', ends: null, b: '1' });
    let begun = 0;
    const start = (): Worker => {
      begun += 1;
      return new Worker(begun === 1 ? 'throw new Error("no such file")' : RULES, { eval: true });
    };
    marker = openMarker(start);
    await expect(mark('a')).rejects.toThrow('no such file');
    expect(await mark('a')).toEqual({ a: '1' });
  });

  it('says which attempt could not be marked, and marks the next', async () => {
    open();
    await expect(mark('a broken')).rejects.toThrow('RangeError');
    expect(await mark('b')).toEqual({ b: '1' });
  });
});
