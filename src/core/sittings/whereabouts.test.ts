import { describe, expect, it } from 'vitest';
import { IDLE, SILENT, type Seen, whereabouts } from './whereabouts';

const now = 10_000_000;
const seen: Seen = { handedInAt: null, pausedAt: null, aside: null, startedAt: now - 1, seenAt: now, wroteAt: now };

describe('where somebody is', () => {
  it.each<[string, Seen | null]>([
    ['not begun', null],
    ['writing', seen],
    ['writing', { ...seen, wroteAt: null }],
    ['writing', { ...seen, seenAt: now - SILENT, wroteAt: now - IDLE }],
    ['idle', { ...seen, wroteAt: now - IDLE - 1 }],
    ['idle', { ...seen, wroteAt: null, startedAt: now - IDLE - 1 }],
    ['offline', { ...seen, seenAt: now - SILENT - 1, wroteAt: now - IDLE - 1 }],
    ['paused', { ...seen, pausedAt: now - 1, seenAt: 0 }],
    ['handed in', { ...seen, handedInAt: now - 1, pausedAt: now - 2 }],
    ['set aside', { ...seen, handedInAt: now - 1, aside: 'why' }],
  ])('%s', (where, facts) => {
    expect(whereabouts(facts, now)).toBe(where);
  });
});
