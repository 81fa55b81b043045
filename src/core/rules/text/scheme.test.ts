import { describe, expect, it } from 'vitest';
import { measureWork } from '../../../../tests/drivers/work';
import { pointsIn, pointsRule } from './points';
import { pointsOfModel, readScheme } from './scheme';
import { wordingsText } from './wording-text';

const lines = (pasted: string): string[] =>
  readScheme(pasted).sets.flatMap(({ points }) =>
    points.map(({ share, accept, refuse, half }) =>
      [
        share,
        wordingsText(accept),
        ...(refuse.length > 0 ? [`not ${wordingsText(refuse)}`] : []),
        ...(half.length > 0 ? [`half ${wordingsText(half)}`] : []),
      ].join(' | '),
    ),
  );

describe('a pasted scheme becomes points', () => {
  it.each([
    ['• fewer collisions\n• slower wind', ['1/2 | fewer collisions', '1/2 | slower wind']],
    ['2 marks: 5.2 MW\n1 mark: 5200', ['2/3 | 5.2 MW', '1/3 | 5200']],
    ['fewer collisions (1)\nslower wind [2]', ['1/3 | fewer collisions', '2/3 | slower wind']],
    [
      'P1 wake / shadow.\n  Accept: turbulence, slow wind\n  Do not accept: friction; age',
      ['1 | wake; shadow; turbulence; slow wind | not friction; age'],
    ],
    ['1. a fault\nhalf a mark for: an error', ['1 | a fault | half an error']],
    ['wake. Accept: shadow. Reject: rust.', ['1 | wake; shadow | not rust']],
    ['P1 Vessels / arterioles WIDEN / dilate', ['1 | Vessels / arterioles + widen / dilate']],
    ['P1 the HEAT is LOST', ['1 | heat is lost']],
    ['P1 oxygen AND alveoli', ['1 | oxygen + alveoli']],
    ['P1 loss leader (pricing)', ['1 | loss leader']],
    ['P1 2700/220 (accept 12.2 to 12.3)', ['1 | 2700/220; between 12.2 and 12.3']],
    ['P1 the oxygen that goes from alveoli to blood', ['1 | oxygen + alveoli + blood']],
    ['', []],
    ['???', []],
  ])('%j', (pasted, expected) => expect(lines(pasted)).toEqual(expected));

  it('"any two from" and "max" bound what counts', () => {
    const any = readScheme('Any two from:\n- rain\n- load\n- speed');
    expect(any.sets.map(({ most, points }) => [most, points.length, points[0]?.share])).toEqual([[2, 3, '1/2']]);
    const most = readScheme('rain (1)\nload (1)\nspeed (1)\nmax 2');
    expect(most.sets[0]?.most).toBe(2);
    expect(lines('any two from: rain; load; speed')).toHaveLength(3);
  });

  it('what is no point is given back, and the language is told', () => {
    expect(readScheme('P1 rain\nIgnore: snow\nP1 counts alone').left).toEqual(['Ignore: snow', 'P1 counts alone']);
    expect(readScheme('- la lluvia en la carretera\n- el peso del coche').language).toBe('es');
  });

  it('of 200 points becomes 60, the rest is given back; of a hundred thousand signs it ends', () => {
    const long = readScheme(Array.from({ length: 200 }, (_, i) => `- word${i}`).join('\n'));
    expect([long.sets[0]?.points.length, long.left.length]).toEqual([60, 140]);
    const work = measureWork();
    for (const odd of ['a', '/', '(', '1 mark: ', 'A ', 'AND ', '"', 'accept 1 to 1 ('])
      readScheme(odd.repeat(200_000 / odd.length));
    expect(work()).toBeLessThan(6000);
  });

  it('always makes a rule that can be stored', () => {
    for (const pasted of ['P1 a (1)\nP2 b', 'max 2', '5 marks: x', `- ${'long '.repeat(300)}`, '- {', '0 marks: x']) {
      const { sets } = readScheme(pasted);
      if (sets.length > 0) expect(pointsRule.safeParse({ when: 'points', sets }).success, pasted).toBe(true);
    }
  });
});

it('a model answer becomes proposed points, one a sentence', () => {
  const { sets, marks } = pointsOfModel('The wake slows the wind. So the second turbine gets less power.');
  const points = pointsIn(pointsRule.parse({ when: 'points', sets }));
  expect(points.map(({ accept }) => wordingsText(accept))).toEqual([
    'wake + slows + wind',
    'second + turbine + less + power',
  ]);
  expect(marks).toBe('2');
});
