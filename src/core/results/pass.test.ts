import type { Content } from '../content/document';
import { plainText } from '../content/plain';
import { contentFromText } from '../content/written';
import { describe, expect, it } from 'vitest';
import { exact } from '../base/exact';
import { askedOf, passOf } from './pass';
import { type Boundaries, boundariesReadiness } from './policy';
import { readTexts, toldOf } from './texts';

const rounding = { mode: 'half_up' as const, places: 0, first: false };
const boundaries: Boundaries = {
  version: 1,
  passPercent: '50',
  ranges: [
    { from: '0', text: contentFromText('[percent], [to the next range] short. [weakest section]') },
    { from: '60', text: contentFromText('[name]: [score] of [total] on [date]; [to the next range] more') },
  ],
  grades: [],
};
const section = (id: string, percent: string, passPercent: string | null = null, of = '10') => ({
  id,
  percent: exact(percent),
  of: exact(of),
  passPercent,
});
const passes = (more: Partial<Boundaries>, whole: string, ...sections: ReturnType<typeof section>[]) =>
  passOf({ ...boundaries, ...more }, rounding, exact(whole), sections);

describe('passing', () => {
  it('asks the whole, and each section that has a pass mark by the exam or by the boundaries', () => {
    expect(passes({}, '50', section('a', '0')).passed).toBe(true);
    expect(passes({}, '499/10', section('a', '100')).passed).toBe(false);
    expect(passes({}, '90', section('a', '39', '40')).passed).toBe(false);
    const own = (passPercent: string | null) => ({ sections: [{ section: 'a', passPercent, ranges: [] }] });
    expect(passes(own('30'), '90', section('a', '39', '40')).passed).toBe(true);
    expect(passes(own(null), '90', section('a', '0', '40')).passed).toBe(true);
    expect(passes(own('60'), '90', section('a', '59')).parts).toEqual([
      { passPercent: '60', reached: false, madeUp: false },
    ]);
    // Texts alone change no pass mark.
    const texts = { ...boundaries, sections: [{ section: 'a', ranges: [] }] };
    expect(askedOf(texts, { id: 'a', passPercent: '40' })).toBe('40');
  });

  it('lets the whole make up for as many sections, as little short, as the rule says', () => {
    const rule = { compensation: { sections: 1, by: '5', whole: '60' } };
    const short = section('a', '35', '40');
    expect(passes(rule, '60', short)).toEqual({
      passed: true,
      parts: [{ passPercent: '40', reached: false, madeUp: true }],
    });
    expect(passes(rule, '599/10', short).passed).toBe(false);
    expect(passes(rule, '60', section('a', '349/10', '40')).passed).toBe(false);
    expect(passes(rule, '60', short, section('b', '39', '40')).passed).toBe(false);
    expect(passes(rule, '60', short, section('b', '40', '40')).passed).toBe(true);
    expect(passes({ ...rule, passPercent: '70' }, '65', short).passed).toBe(false);
  });

  it('asks topics as it asks sections, and for a criterion nothing makes up', () => {
    const rule = { compensation: { sections: 2, by: '5', whole: '60' } };
    const topic = { is: 'topic' as const, id: 't', title: 'Rotor', items: ['q1'], passPercent: '40', ranges: [] };
    const criterion = { is: 'criterion' as const, id: 'c', title: 'Safety', item: 'q2', slot: 's', criterion: 'k' };
    const parts = [topic, { ...criterion, passPercent: '50', ranges: [] }];
    expect(passes({ ...rule, parts }, '90', section('t', '39'), section('c', '50'))).toEqual({
      passed: true,
      parts: [
        { passPercent: '40', reached: false, madeUp: true },
        { passPercent: '50', reached: true, madeUp: false },
      ],
    });
    expect(passes({ ...rule, parts }, '90', section('t', '40'), section('c', '499/10')).passed).toBe(false);
    expect(passes({ parts }, '90', section('t', '39'), section('c', '50')).passed).toBe(false);
  });

  it('asks nothing of what was taken out of the counting altogether', () => {
    expect(passes({}, '90', section('a', '0', '40', '0')).passed).toBe(true);
  });
});

describe('what students read', () => {
  const row = {
    marks: '11',
    of: '20',
    percent: '55',
    parts: {
      a: { marks: '3', of: '10', percent: '30' },
      b: { marks: '8', of: '10', percent: '80' },
      t: { marks: '1', of: '4', percent: '25' },
      u: { marks: '2', of: '4', percent: '50' },
    },
  };
  const titles = [
    { id: 'a', title: 'Rotor' },
    { id: 'b', title: 'Site' },
    { id: 'c', title: 'Not theirs' },
  ];
  /** The texts in plain words. */
  const read = (range: number, more: Partial<Boundaries> = {}) => {
    const { whole, of } = readTexts(toldOf(row, { sections: titles, parts: more.parts }, range), {
      boundaries: { ...boundaries, ...more },
      rounding,
      name: 'Ravi',
      day: '3 May',
    });
    const said = (text: Content | null) => text && plainText(text);
    return { whole: said(whole), of: (part: string) => said(of(part)) };
  };

  it('fills in what is short of the next range, and nothing above the last', () => {
    expect(read(0).whole).toBe('55 %, 5 % short. Rotor');
    expect(read(1).whole).toBe('Ravi: 11 of 20 on 3 May; 0 % more');
  });

  it('says of a section what its own range reads', () => {
    const sections = [
      {
        section: 'a',
        ranges: [
          { from: '0', text: contentFromText('[score] of [total] in this') },
          { from: '50', text: contentFromText('well') },
        ],
      },
      { section: 'c', ranges: [{ from: '0', text: contentFromText('never read') }] },
    ];
    const texts = read(0, { sections });
    expect([texts.of('a'), texts.of('b'), texts.of('c')]).toEqual(['3 of 10 in this', null, null]);
    const turned = [{ section: 'a', ranges: [{ from: '10', text: contentFromText('') }] }];
    expect(boundariesReadiness({ ...boundaries, sections: turned })).toContainEqual(
      expect.objectContaining({ code: 'part-ranges-order', weight: 'stops' }),
    );
  });

  it('says of a topic what its own range reads, and which went worst and best', () => {
    const topic = (id: string, title: string, ranges: Boundaries['ranges'] = []) => ({
      is: 'topic' as const,
      id,
      title,
      items: ['q'],
      passPercent: null,
      ranges,
    });
    const parts = [
      topic('t', 'Yaw', [{ from: '0', text: contentFromText('[percent] of it') }]),
      topic('u', 'Pitch'),
      topic('v', 'None'),
    ];
    const ranges = [{ from: '0', text: contentFromText('[weakest topic], [best topic]') }];
    const texts = read(0, { parts, ranges });
    expect([texts.whole, texts.of('t'), texts.of('u'), texts.of('v')]).toEqual([
      'Yaw, Pitch',
      '25 % of it',
      null,
      null,
    ]);
    // Without a topic there is none to fill in.
    expect(boundariesReadiness({ ...boundaries, ranges })).toContainEqual(
      expect.objectContaining({ code: 'range-without-topics' }),
    );
    expect(boundariesReadiness({ ...boundaries, ranges, parts })).not.toContainEqual(
      expect.objectContaining({ code: 'range-without-topics' }),
    );
  });
});
