import { describe, expect, it } from 'vitest';
import { partAsked } from './part-asked';

const asked = (range: string | null) =>
  partAsked(new Request('http://zonda.test/', range === null ? {} : { headers: { range } }), 10_000);

// The examples of RFC 9110, section 14.1.2, of a file of 10,000 bytes.
describe('the part of a file that is asked for', () => {
  it.each<[string, unknown]>([
    ['bytes=0-499', { from: 0, to: 500 }],
    ['bytes=500-999', { from: 500, to: 1000 }],
    ['bytes=-500', { from: 9500, to: 10_000 }],
    ['bytes=9500-', { from: 9500, to: 10_000 }],
    ['bytes=0-0', { from: 0, to: 1 }],
    // Beyond the end: up to the end; from there on: nothing.
    ['bytes=9990-20000', { from: 9990, to: 10_000 }],
    ['bytes=10000-', 'none'],
    ['bytes=5-4', 'none'],
    ['bytes=-0', 'none'],
    // Several parts, and what is none, get the whole.
    ['bytes=0-0,-1', 'all'],
    ['lines=1-2', 'all'],
    ['bytes=-', 'all'],
  ])('%s', (range, part) => {
    expect(asked(range)).toEqual(part);
  });

  it('is all where nothing is said', () => {
    expect(asked(null)).toBe('all');
  });
});
