import { describe, expect, it } from 'vitest';
import { moved, without, withRow } from '../../parts/rows';
import { freshOption, MOST_OPTIONS, type Option, withOptionLines as withLines } from './options';

const option = (id: string, text = '', key = false): Option => ({ id, text, key, feedback: '' });
const words = (options: readonly Option[]): string => options.map((o) => (o.key ? `*${o.text}` : o.text)).join('|');

describe('the options of a choice', () => {
  it('take an empty one at any place, with an id of its own, up to as many as there are letters', () => {
    const withOption = (options: readonly Option[], at: number): Option[] =>
      withRow(options, at, freshOption(options), MOST_OPTIONS);
    const made = withOption([option('o1', 'a'), option('o3', 'b')], 1);
    expect(made.map((o) => o.id)).toEqual(['o1', 'o2', 'o3']);
    let many = made;
    for (let i = 0; i < 40; i++) many = withOption(many, 0);
    expect(many).toHaveLength(MOST_OPTIONS);
    expect(new Set(many.map((o) => o.id)).size).toBe(MOST_OPTIONS);
  });

  it('are moved and taken out', () => {
    const three = [option('a', '1'), option('b', '2'), option('c', '3')];
    expect(words(moved(three, 0, 2))).toBe('2|3|1');
    expect(words(moved(three, 2, 0))).toBe('3|1|2');
    expect(words(moved(three, 7, 0))).toBe('1|2|3');
    expect(words(without(three, 'b'))).toBe('1|3');
  });

  it('are a pasted list: bullets and letters go, ticks become keys, empty lines are filled', () => {
    const empty = [option('a'), option('b')];
    expect(words(withLines(empty, 0, 'a) gearbox\nb) rotor\n\nc) tower', false))).toBe('gearbox|rotor|tower');
    expect(words(withLines(empty, 0, '- [x] up\n- [ ] down', false))).toBe('*up|down');
    expect(words(withLines(empty, 0, '* up\n* down', false))).toBe('up|down');
    expect(words(withLines(empty, 0, 'up *not a mark\n*down', false))).toBe('up *not a mark|*down');
    expect(words(withLines(empty, 0, '*up\n*down', false))).toBe('*up|down');
    expect(words(withLines(empty, 0, '*up\n*down', true))).toBe('*up|*down');
  });

  it('keep what stands there, push it down, and have one key where one may be chosen', () => {
    const two = [option('a', 'old', true), option('b')];
    expect(words(withLines(two, 1, 'x\ny', false))).toBe('*old|x|y');
    expect(words(withLines(two, 0, '*x\ny', false))).toBe('*x|y|old|');
    expect(withLines(two, 0, Array(60).fill('line').join('\n'), false)).toHaveLength(MOST_OPTIONS);
  });
});
