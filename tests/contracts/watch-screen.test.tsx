import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { NO_EXTRA_TIME } from '@/core/people/provision';
import { IDLE, SILENT } from '@/core/sittings/whereabouts';
import type { WatchedPerson } from '@/server/sittings/watch';
import { HowFar } from '@/ui/sittings/HowFar';
import { WatchRow } from '@/ui/sittings/WatchRow';

/** What a teacher reads of each student who is watched. */
const now = Date.UTC(2026, 10, 30, 10, 0);
const MINUTE = 60_000;
type Attempt = NonNullable<WatchedPerson['attempt']>;
const attempt: Attempt = {
  id: 'a',
  number: 1,
  startedAt: now - 10 * MINUTE,
  deadline: now + 20 * MINUTE,
  handedInAt: null,
  handedInBy: null,
  seenAt: now,
  pausedAt: null,
  aside: null,
  worked: 3,
  at: '4b',
  wroteAt: now - MINUTE,
  lateBy: 0,
  arrivedLate: 0,
  ungiven: 0,
  toldAt: null,
  readAt: null,
};
const person: WatchedPerson = {
  id: 'ada',
  name: 'Ada Vale',
  extra: NO_EXTRA_TIME,
  said: {},
  provided: { largePrint: false, readAloud: false, breakMinutes: 0, glosses: false, secondLanguage: false },
  extraMinutes: 0,
  slowedUntil: 0,
  attempt,
};
const row = (student: WatchedPerson, open = true): string =>
  renderToStaticMarkup(
    <table>
      <tbody>
        <WatchRow
          student={student}
          now={now}
          zone="UTC"
          minutes={30}
          questions={12}
          open={open}
          onExtraTime={() => undefined}
          onMore={() => undefined}
          onLetIn={() => undefined}
          onOpen={() => undefined}
        />
      </tbody>
    </table>,
  );
/** The words of a row, without its marks of form. */
const words = (student: WatchedPerson, open = true): string =>
  row(student, open)
    .replace(/<[^>]*>/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
const writing = (part: Partial<Attempt>): WatchedPerson => ({ ...person, attempt: { ...attempt, ...part } });

describe('a row', () => {
  it.each<[string, WatchedPerson, string]>([
    ['who writes', person, 'Ada Vale writing 3 of 12 · at 4b 09:50 20 min left + 5 min'],
    ['who has not begun', { ...person, attempt: null }, 'Ada Vale not begun 30 min'],
    ['who writes nothing', writing({ wroteAt: now - IDLE - 1 }), 'idle since 09:54'],
    ['who is away', writing({ seenAt: now - SILENT - 20_001 }), '! offline since 09:58'],
    ['for whom the clock stands still', writing({ pausedAt: now - 5 * MINUTE }), 'the clock stands still since 09:55'],
    ['who has handed in', writing({ handedInAt: now - MINUTE, handedInBy: 'student' }), '✓ handed in 09:59'],
    ['whom the clock has handed in', writing({ handedInAt: now, handedInBy: 'clock' }), '✓ handed in 10:00 by the clock'],
    ['who was late', writing({ handedInAt: now, lateBy: 61 * MINUTE }), '· 1 h 1 min late'],
    ['whose last answers came after the end', writing({ handedInAt: now, arrivedLate: 9_400 }), 'last answers 9 s after the end'],
    ['whose attempt is set aside', writing({ handedInAt: now, aside: 'the alarm' }), 'set aside: the alarm'],
    ['who is at a further attempt', writing({ number: 2 }), 'writing · attempt 2'],
    ['who has not read what was said', writing({ toldAt: now }), 'has not read yet what you said'],
    ['who has read it', writing({ toldAt: now, readAt: now }), 'read it 10:00'],
    ['who was given minutes', { ...person, extraMinutes: 7 }, '(+7 given)'],
    ['who has extra time', { ...person, extra: { percent: 25, minutes: 5 } }, '25 % and 5 minutes'],
    ['who is kept out', { ...person, slowedUntil: now + MINUTE }, 'kept out by wrong passwords until 10:01 Let in at once'],
  ])('of somebody %s', (_, student, expected) => {
    expect(words(student)).toContain(expected);
  });

  it('counts extra time into what somebody will have', () => {
    const student = { ...person, attempt: null, extra: { percent: 50, minutes: 0 }, extraMinutes: 5 };
    expect(words(student)).toContain('50 min (+5 given)');
  });

  it('gives nothing more to who has handed in, nor when nobody writes any more', () => {
    expect(row(writing({ handedInAt: now }))).not.toContain('5 more minutes');
    expect(row(person, false)).not.toContain('5 more minutes');
    expect(row(person)).toContain('aria-label="5 more minutes for Ada Vale"');
  });

  it('offers the extra time of who has not begun, and says it of who has', () => {
    expect(row({ ...person, attempt: null })).toContain('aria-label="Extra time of Ada Vale"');
    expect(row(person)).not.toContain('<select');
  });

  it('leads to the story of who has begun, and only then', () => {
    expect(row(person)).toContain('aria-haspopup="dialog"');
    expect(row({ ...person, attempt: null })).not.toContain('aria-haspopup');
  });

  it('draws a name as it is written, whatever it is', () => {
    expect(row({ ...person, name: '<b>x</b>' })).not.toContain('<b>');
  });
});

describe('how far they are', () => {
  const bars = (begun: number): string[] =>
    [
      ...renderToStaticMarkup(
        <HowFar
          questions={[
            { number: '1', label: 'Yaw', worked: 4 },
            { number: '2', label: 'Pitch', worked: 0 },
          ]}
          begun={begun}
        />,
      ).matchAll(/width:([\d.]+)%/g),
    ].map((found) => found[1] ?? '');

  it('is a share of those who have begun', () => {
    expect(bars(8)).toEqual(['50', '0']);
  });

  it('is nothing while nobody has', () => {
    expect(bars(0)).toEqual(['0', '0']);
  });
});
