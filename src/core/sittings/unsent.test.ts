import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { batchesOf, lastOfEach, MOST_BATCH_BYTES, placeOf, readyToTravel, type Unsent } from './unsent';

const unsent = (seq: number, part: Partial<Unsent> = {}): Unsent => ({
  device: 'one',
  seq,
  item: 'i',
  slot: 'a',
  value: { text: String(seq) },
  at: seq,
  ...part,
});

describe('what has to travel', () => {
  it('of 260 changes of one long answer is the last, and fits into one batch', () => {
    const text = 'wind '.repeat(960);
    const kept = Array.from({ length: 260 }, (_, i) =>
      unsent(i + 1, { value: { text, rich: { type: 'doc', content: [{ type: 'paragraph', text }] } } }),
    );
    expect(batchesOf(lastOfEach(kept))).toEqual([[kept[259]]]);
  });

  it('is the last change of every place and device, in the order of writing', () => {
    const one = [unsent(1), unsent(2, { slot: 'b' }), unsent(3), unsent(4, { slot: null, value: { later: true } })];
    const other = [unsent(1, { device: 'two', at: 2.5 })];
    expect(lastOfEach([...one, ...other]).map((u) => [u.device, placeOf(u), u.seq])).toEqual([
      ['one', 'i/b', 2],
      ['two', 'i/a', 1],
      ['one', 'i/a', 3],
      ['one', 'i/', 4],
    ]);
  });

  it('waits for the files that it names, and for no others', () => {
    const file = (letter: string) => ({ hash: letter.repeat(64), name: 'log.csv', size: 9, attempt: 'x' });
    const named = unsent(1, { value: { text: 'see there', files: [file('a')] } });
    const there = unsent(2, { slot: 'b', value: { text: '', files: [file('b')] } });
    const plain = unsent(3, { slot: null, value: undefined });
    const all = [named, there, plain];
    expect(readyToTravel(all, [])).toEqual(all);
    expect(readyToTravel(all, ['a'.repeat(64)])).toEqual([there, plain]);
  });

  it('falls into batches that lose nothing, keep the order, and are not too heavy unless one answer is', () => {
    const made = fc.array(
      fc.record({
        device: fc.constantFrom('one', 'two'),
        slot: fc.constantFrom('a', 'b', 'c', 'd'),
        size: fc.integer({ min: 0, max: 600_000 }),
      }),
      { maxLength: 12 },
    );
    fc.assert(
      fc.property(made, (all) => {
        const kept = all.map(({ size, ...part }, i) => unsent(i + 1, { ...part, value: 'x'.repeat(size) }));
        const batches = batchesOf(kept);
        for (const device of ['one', 'two']) {
          const seqs = (all: readonly Unsent[]) => all.filter((u) => u.device === device).map((u) => u.seq);
          expect(seqs(batches.flat())).toEqual(seqs(kept));
        }
        for (const batch of batches) {
          expect(new Set(batch.map((u) => u.device)).size).toBe(1);
          const weight = batch.reduce((sum, u) => sum + JSON.stringify(u.value).length, 0);
          expect(batch.length === 1 || weight < MOST_BATCH_BYTES).toBe(true);
        }
      }),
      { numRuns: 25, seed: 20261125 },
    );
  });

  it('counts bytes, not letters, and lets what is too heavy travel alone', () => {
    const heavy = unsent(2, { slot: 'b', value: '風'.repeat(400_000) });
    expect(batchesOf([unsent(1), heavy, unsent(3, { slot: 'c' })]).map((b) => b.map((u) => u.seq))).toEqual([
      [1],
      [2],
      [3],
    ]);
  });
});
