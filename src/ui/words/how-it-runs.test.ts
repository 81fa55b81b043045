import { describe, expect, it } from 'vitest';
import type { HowItRuns } from '@/server/sittings/before';
import { howItRunsText } from './how-it-runs';

const how: HowItRuns = {
  instructions: '',
  minutes: 60,
  extra: 0,
  questions: 12,
  marks: '28',
  closesAt: 0,
  moves: 'free',
  pages: 'question',
  timed: [],
  together: [],
  calculator: null,
  formulas: false,
  practice: false,
  hints: false,
  belowZero: false,
  words: {},
  dueAt: null,
  late: null,
  tries: null,
};
const text = (part: Partial<HowItRuns> = {}): string => howItRunsText({ ...how, ...part }, 'UTC').join('\n');

describe('before one begins', () => {
  it('the plainest sitting is told in five sentences', () => {
    expect(howItRunsText(how, 'UTC')).toHaveLength(5);
    expect(text()).toContain('12 questions, 28 marks in all.');
    expect(text()).toContain('You have 60 minutes, from the moment you begin, and it ends at 00:00 at the latest.');
    expect(text()).toContain('You may go to any question and come back to it.');
  });

  it.each<[Partial<HowItRuns>, string]>([
    [{ hints: true }, 'Where a question has hints you can ask for them'],
    [{ belowZero: true }, 'a wrong answer can cost more than none'],
    [{ marks: null }, '12 questions.'],
    [{ questions: 1, marks: '1' }, '1 question, 1 mark in all.'],
    [{ minutes: 75, extra: 15 }, 'You have 75 minutes, your extra time included'],
    [{ moves: 'forward' }, 'You go forward only: what you have left, question by question'],
    [{ moves: 'forward', pages: 'section' }, 'section by section'],
    [{ timed: [{ title: 'Calls', minutes: null, secondsEach: 90 }] }, 'Each question of Calls has 1 min 30 s; then'],
    [
      { timed: [{ title: 'Rescue', minutes: 10, secondsEach: null }] },
      'Rescue has 10 minutes of its own; then it closes.',
    ],
    [{ timed: [{ title: 'Rescue', minutes: 10, secondsEach: null }] }, 'a section that is left stays closed'],
    [{ calculator: 'standard' }, 'In the room there is a calculator.'],
    [{ calculator: 'scientific', formulas: true }, 'there is a scientific calculator and a formula sheet.'],
    [{ practice: true }, 'You can have answers checked while you write.'],
    [{ together: ['Ada', 'Ben'] }, 'You write it together with Ada and Ben'],
    [{ dueAt: 1, late: { takes: '10', of: 'all', every: 'day', grace: 0 } }, 'each day begun costs 10 % of all marks'],
    [
      { tries: { most: 3, apart: 10, counts: 'mean', same: true } },
      'You may sit it 3 times, 10 minutes apart; their mean counts',
    ],
    [
      { tries: { most: null, apart: 0, counts: 'best', same: false } },
      'You may sit it as often as you like; the best counts',
    ],
  ])('%j says “%s”', (part, sentence) => {
    expect(text(part)).toContain(sentence);
  });

  it('says of a sitting that is sat once nothing about attempts', () => {
    expect(text({ tries: { most: 1, apart: 0, counts: 'last', same: false } })).toBe(text());
  });
});
