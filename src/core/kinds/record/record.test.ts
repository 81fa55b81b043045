import { describe, expect, it } from 'vitest';
import { clock, recordingName } from '../../content/recordings';
import { record } from './record';
import { sample } from './sample';

const file = (name: string) => ({ hash: 'b'.repeat(64), name, size: 1, attempt: '' });

describe('a recording as an answer', () => {
  it('is what a browser records or a recording of that sort, taken no more often than allowed', () => {
    const takes = (name: string, tries: number) =>
      record.accepts(sample.setup, { file: file(name), seconds: 3, tries });
    expect([takes('a.webm', 3), takes('a.M4A', 1), takes('a.webm', 4), takes('a.exe', 1), takes('webm', 1)]).toEqual([
      true,
      true,
      false,
      false,
      false,
    ]);
    expect([recordingName('film', 'a.mov'), recordingName('film', 'a.mp3')]).toEqual([true, false]);
    expect(record.accepts(sample.setup, { file: null, seconds: 0, tries: 0 })).toBe(true);
  });

  it('is told by its length, and is remarked on within it', () => {
    const given = { file: file('call.webm'), seconds: 65.4, tries: 1 };
    expect(record.describeResponse(sample.setup, given)).toBe('[call.webm, 1:05]');
    expect(clock(0)).toBe('0:00');
    const holds = (from: number) => record.judged.holds(sample.setup, given, { at: 'seconds', from, to: from });
    expect([holds(0), holds(65), holds(70)]).toEqual([true, true, false]);
  });

  it('comes to right words a minute once words were marked', () => {
    const setup = { ...sample.setup, reads: 'one two three four', goal: 90 };
    const given = { file: file('call.webm'), seconds: 12, tries: 1 };
    const figure = (marked: Parameters<typeof record.judged.holds>[2][]) =>
      record.judged.figure?.(setup, given, marked);
    expect(figure([{ at: 'read', word: 1, as: 'other' }])).toEqual({ value: 15, goal: 90 });
    expect([figure([]), figure([{ at: 'seconds', from: 1, to: 1 }])]).toEqual([null, null]);
  });

  it('asks for what to listen for, unless a text is read, and says when it is longer than fits', () => {
    const codes = (part: object) => record.readiness({ ...record.fresh(), ...part }).map(({ code }) => code);
    expect([codes({}), codes({ reads: 'The wind.' }), codes({ example: 'x' })]).toEqual([['no-example'], [], []]);
    expect(codes({ takes: 'film', seconds: 600, example: 'x' })).toEqual(['recording-long']);
  });
});
