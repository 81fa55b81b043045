'use client';
import { memo } from 'react';
import Button from 'react-bootstrap/Button';
import { type Whereabouts, whereabouts } from '@/core/sittings/whereabouts';
import { type ExtraTime, withExtraTime } from '@/core/people/provision';
import { extraTimeText } from '../words/provision';
import type { WatchedPerson } from '@/server/sittings/watch';
import { lateBy } from '../words/late';
import { timeLeft, timeOnly } from '../words/time';

interface Props {
  student: WatchedPerson;
  now: number;
  zone: string;
  minutes: number;
  /** Questions of a paper, about. */
  questions: number;
  open: boolean;
  onExtraTime: (student: string, extra: ExtraTime) => void;
  onMore: (student: string) => void;
  onLetIn: (student: string) => void;
  onOpen: (student: string) => void;
}

/** A student as the teacher watches them: where they are, how far, how much time. */
export const WatchRow = memo(function WatchRow({ student, now, zone, minutes, questions, open, ...acts }: Props) {
  const { attempt, extra, extraMinutes } = student;
  const writing = attempt && attempt.handedInAt === null;
  return (
    <tr>
      <td dir="auto">
        {attempt ? (
          <button
            type="button"
            className="btn-link-plain title"
            aria-haspopup="dialog"
            onClick={() => acts.onOpen(student.id)}
          >
            {student.name}
          </button>
        ) : (
          student.name
        )}
        {Object.values(student.said).length > 0 && (
          <span className="soft d-block">{Object.values(student.said).join(' · ')}</span>
        )}
      </td>
      <td>
        <Where student={student} where={whereabouts(attempt, now)} zone={zone} />
        {student.slowedUntil > now && (
          <span className="hand d-block">
            kept out by wrong passwords until {timeOnly(student.slowedUntil, zone)}{' '}
            <Button
              variant="quiet"
              onClick={() => acts.onLetIn(student.id)}
              aria-label={`Let in at once: ${student.name}`}
            >
              Let in at once
            </Button>
          </span>
        )}
      </td>
      <td className="text-nowrap">
        {attempt && attempt.worked > 0 && (
          <>
            {attempt.worked} of {questions}
            {writing && attempt.at !== null && <span className="soft"> · at {attempt.at}</span>}
          </>
        )}
      </td>
      <td>{attempt && timeOnly(attempt.startedAt, zone)}</td>
      <td className="text-nowrap">
        {writing ? `${timeLeft(attempt.deadline - now)} left` : `${withExtraTime(minutes, extra) + extraMinutes} min`}
        {extraMinutes > 0 && <span className="soft"> (+{extraMinutes} given)</span>}
      </td>
      <td>
        {attempt ? (
          extraTimeText(extra)
        ) : (
          <select
            className="form-select form-select-sm w-auto"
            aria-label={`Extra time of ${student.name}`}
            value={extra.percent}
            onChange={(e) => acts.onExtraTime(student.id, { ...extra, percent: Number(e.target.value) })}
          >
            {[...new Set([0, 10, 25, 33, 50, 100, extra.percent])]
              .sort((a, b) => a - b)
              .map((percent) => (
                <option key={percent} value={percent}>
                  {extraTimeText({ ...extra, percent }) || 'none'}
                </option>
              ))}
          </select>
        )}
      </td>
      <td>
        {open && writing && (
          <Button
            variant="quiet"
            onClick={() => acts.onMore(student.id)}
            aria-label={`5 more minutes for ${student.name}`}
          >
            + 5 min
          </Button>
        )}
      </td>
    </tr>
  );
});

function Where({ student: { attempt }, where, zone }: { student: WatchedPerson; where: Whereabouts; zone: string }) {
  if (!attempt) return <span className="soft">not begun</span>;
  const nth = attempt.number > 1 && <span className="soft"> · attempt {attempt.number}</span>;
  const said = attempt.handedInAt === null && attempt.toldAt !== null && (
    <span className={attempt.readAt === null ? 'hand' : 'soft'}>
      {' · '}
      {attempt.readAt === null ? 'has not read yet what you said' : `read it ${timeOnly(attempt.readAt, zone)}`}
    </span>
  );
  switch (where) {
    case 'set aside':
      return <span className="soft">set aside: {attempt.aside}</span>;
    case 'handed in':
      return (
        <>
          <span className="good">
            ✓ handed in {timeOnly(attempt.handedInAt ?? 0, zone)}
            {attempt.handedInBy === 'clock' && <span className="soft fw-normal"> by the clock</span>}
          </span>
          {attempt.lateBy > 0 && <span className="hand"> · {lateBy(attempt.lateBy)} late</span>}
          {attempt.arrivedLate > 0 && (
            <span className="hand">
              {' '}
              · last answers {Math.round(attempt.arrivedLate / 1000)} s after the end, from a device that was offline
            </span>
          )}
          {nth}
        </>
      );
    case 'paused':
      return (
        <>
          <span className="hand">the clock stands still since {timeOnly(attempt.pausedAt ?? 0, zone)}</span>
          {nth}
          {said}
        </>
      );
    case 'offline':
      return (
        <>
          <span className="hand">! offline since {timeOnly(attempt.seenAt, zone)}</span>
          {nth}
          {said}
        </>
      );
    default:
      return (
        <>
          {where === 'idle' ? `idle since ${timeOnly(attempt.wroteAt ?? attempt.startedAt, zone)}` : 'writing'}
          {nth}
          {said}
        </>
      );
  }
}
