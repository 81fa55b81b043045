import { expect, it } from 'vitest';
import { HAPPENINGS, type StoryStep } from '@/core/sittings/story';
import { storyText } from './story';

const at = Date.UTC(2026, 10, 30, 9, 5);
const text = (step: Omit<StoryStep, 'at'>) => storyText({ at, ...step }, 'UTC');

it.each<[Omit<StoryStep, 'at'>, string]>([
  [{ what: 'began' }, 'began'],
  [{ what: 'another device' }, 'wrote on another device'],
  [{ what: 'offline', until: at, count: 1 }, 'wrote without a connection; 1 change had arrived by 09:05'],
  [{ what: 'more minutes', by: 'Imre', count: 5, note: 'alarm' }, 'Imre gave 5 more minutes: alarm'],
  [{ what: 'more minutes', by: 'Imre', count: 1, note: '' }, 'Imre gave 1 more minute'],
  [{ what: 'paused', by: 'Imre', until: at }, 'Imre stopped the clock until 09:05'],
  [{ what: 'paused', by: 'Imre', until: null }, 'Imre stopped the clock, and still'],
  [{ what: 'server away', until: at }, 'the server was away until 09:05'],
  [{ what: 'wrote while paused', count: 3 }, 'wrote 3 changes while the clock stood still'],
  [{ what: 'let back in', by: 'Imre', note: 'wrong button' }, 'Imre let them back in: wrong button'],
  [{ what: 'set aside', by: 'Imre', note: 'alarm' }, 'Imre set it aside: alarm'],
  [{ what: 'told', by: 'Imre', note: 'Read km.' }, 'Imre said: Read km.'],
  [{ what: 'told', note: 'Read km.' }, 'a teacher said: Read km.'],
])('%j is told', (step, expected) => {
  expect(text(step)).toBe(expected);
});

it('whatever can happen has words', () => {
  for (const what of HAPPENINGS) expect(text({ what }), what).toMatch(/^[A-Za-z]/);
});
