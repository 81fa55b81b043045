import { describe, expect, it } from 'vitest';
import type { AnswersView } from '@/server/marking/answers-view';
import { shortText } from '@/core/kinds/short-text/short-text';
import { changeText } from '../words/mending';
import { shareFor, withShare, withWhole } from './pending';

const group = (text: string) => ({
  answer: text,
  response: { text },
  count: 1,
  writings: [],
  marks: [null],
  byPerson: 0,
  trace: [],
});

describe('what is meant to change', () => {
  it('holds one share for an answer, and none once that is taken out', () => {
    const one = withShare([], 'c', { text: 'wire' }, '1');
    const two = withShare(one, 'c', { text: 'wire' }, '1/2');
    expect([two.length, shareFor(two, 'c', group('wire')), shareFor(two, 'b', group('wire'))]).toEqual([
      1,
      '1/2',
      null,
    ]);
    expect(withShare(two, 'c', { text: 'wire' }, null)).toEqual([]);
  });

  it('is about the whole question in one way only', () => {
    const dropped = withWhole(withShare([], 'c', { text: 'wire' }, '1'), 'drop');
    expect(dropped.map(({ what }) => what)).toEqual(['answer', 'drop']);
    expect(withWhole(dropped, 'everyone').map(({ what }) => what)).toEqual(['answer', 'everyone']);
    expect(withWhole(dropped, 'drop').map(({ what }) => what)).toEqual(['answer']);
  });

  it('reads as a sentence', () => {
    const slot = (id: string, letter: string): AnswersView['slots'][number] => ({
      id,
      letter,
      kind: 'shortText',
      setup: shortText.fresh(),
      of: '2',
      key: '',
      unread: [],
      groups: [],
    });
    const change = withShare([], 'c', { text: 'wire' }, '3/4')[0];
    if (!change) throw new Error('There is one');
    expect(changeText(change, [slot('c', 'A')])).toBe('“wire” earns 1½ of 2.');
    expect(changeText(change, [slot('a', 'A'), slot('c', 'B')])).toBe('“wire” earns 1½ of 2 in slot B.');
    expect([changeText({ what: 'drop' }, []), changeText({ what: 'everyone' }, [])]).toEqual([
      'The question does not count, for nobody.',
      'Everybody gets all its marks.',
    ]);
  });
});
