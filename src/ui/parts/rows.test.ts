import { describe, expect, it } from 'vitest';
import { leftOut, lineWords, type Row, withLines } from './rows';

const row = (id: string, text = ''): Row => ({ id, text });
const paste = (rows: Row[], text: string, most: number): Row[] =>
  withLines(rows, 0, {
    text,
    most,
    write: (line, empty, all) => ({ ...(empty ?? row(`n${all.length}`)), text: lineWords(line) }),
  });

describe('a pasted list', () => {
  it('says how many of its lines found no room', () => {
    const many = Array.from({ length: 60 }, (_, i) => `line ${i}`).join('\n\n');
    for (const rows of [[row('a')], [row('a'), row('b')], [row('a', 'there')]]) {
      const next = paste(rows, many, 26);
      const there = rows.filter(({ text }) => text !== '').length;
      expect([next.length, leftOut(rows, next, many)]).toEqual([26, 60 - 26 + there]);
    }
    expect(leftOut([row('a')], paste([row('a')], 'one\ntwo', 26), 'one\ntwo')).toBe(0);
  });

  it('does not fill a row in which a picture stands', () => {
    const picture: Row = { ...row('a'), media: { hash: 'a'.repeat(64), medium: 'picture', ratio: 1 } };
    expect(paste([picture], 'one\ntwo', 9).map(({ text }) => text)).toEqual(['one', 'two', '']);
  });
});
