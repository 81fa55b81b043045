import { describe, expect, it } from 'vitest';
import { sampleExam } from '../../../tests/drivers/samples';
import { stored } from '../base/exact';
import { type Asks, blueprintFindings, marksThere } from './blueprint';
import { ofSeed } from './lot';
import { assemble, paperQuestions, unmended } from './paper';
import { poolOf } from './pool';

const { plan, revisions } = sampleExam(6);
const asks = new Map<string, Asks>([
  ['q0', { topic: 'rotor', demand: 'know' }],
  ['q1', { topic: 'rotor', demand: 'use' }],
  ['q2', { topic: 'rotor', demand: 'use' }],
  ['q3', { topic: 'yaw', demand: 'judge' }],
  ['q4', { topic: null, demand: 'know' }],
]);
const [first, second] = plan.sections;
if (!first || !second) throw new Error('Two sections');
const drawing = { ...plan, sections: [{ ...first, draws: [{ id: 'd', take: 2, items: ['i0', 'i1', 'i2'] }] }, second] };
const there = (of = plan) => marksThere(of, poolOf(unmended(of, revisions)), asks);
const plain = (of = plan) =>
  Object.fromEntries(
    [...there(of)].map(([topic, row]) => [topic, [row.know, row.use, row.judge].map(stored).join(' ')]),
  );

describe('the marks there are, topics × demand', () => {
  it('are added up; what has no topic, or is not known, stands apart', () => {
    expect(plain()).toEqual({ rotor: '4 8 0', yaw: '0 0 4', '': '8 0 0' });
  });

  it('of a draw: their expectation, which is the mean of many papers', () => {
    expect(plain(drawing)).toEqual({ rotor: '8/3 16/3 0', yaw: '0 0 4', '': '8 0 0' });
    const pinned = unmended(drawing, revisions);
    const papers = Array.from({ length: 3000 }, (_, seed) => paperQuestions(assemble(pinned, ofSeed(seed * 7919))));
    const mean = papers.flat().filter(({ id }) => id === 'i0').length * (4 / papers.length);
    // Standard deviation of the mean: 4 · √(2/3 · 1/3 / 3000) = 0.034; within five of them.
    expect(Math.abs(mean - 8 / 3)).toBeLessThan(0.18);
  });

  it('leave bonus questions out', () => {
    const items = first.items.map((item, i) => (i === 0 ? { ...item, bonus: true } : item));
    expect(plain({ ...plan, sections: [{ ...first, items }, second] }).rotor).toBe('0 8 0');
  });
});

describe('a blueprint', () => {
  it('is met, or says how many cells are not as wanted', () => {
    const rotor = { topic: 'rotor', know: '4', use: '8', judge: '0' };
    expect(blueprintFindings([rotor], there())).toEqual([]);
    expect(
      blueprintFindings(
        [
          { ...rotor, use: '6' },
          { topic: 'gear', know: '0', use: '0', judge: '2' },
        ],
        there(),
      ),
    ).toMatchObject([{ code: 'blueprint-off', weight: 'warns', values: { count: 2 } }]);
    expect(blueprintFindings([{ ...rotor, know: '8/3', use: '16/3' }], there(drawing))).toEqual([]);
  });
});
