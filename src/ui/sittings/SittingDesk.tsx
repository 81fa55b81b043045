'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import {
  endAction,
  giveBackAction,
  letInAction,
  moreTimeAction,
  provisionAction,
  startNowAction,
} from '@/actions/sittings';
import { whoCanGetIn } from '@/core/sittings/entry';
import { minutesWith } from '@/core/sittings/time';
import type { WatchedSitting, WatchedPerson } from '@/server/sittings/list-sittings';
import { foldAccents } from '@/core/rules/text/normalise';
import { Strip } from '../frame/Strip';
import { doorText } from '../words/door';
import { plural } from '../words/marks';
import { refusalText } from '../words/refusals';
import { ChangeTimes } from './ChangeTimes';
import { OpenLink } from './OpenLink';
import { SayToRooms } from './SayToRooms';
import { dayAndTime, timeLeft, timeOnly } from '../words/time';
import { Trouble } from '../parts/Trouble';

const REFRESH = 10_000;
/** Without a sign of life for so long a room counts as offline. */
const SILENT = 40_000;

/** A sitting as the teacher watches it: who can get in, who is where, more time, the end. */
export function SittingDesk({ sitting, now, zone }: { sitting: WatchedSitting; now: number; zone: string }) {
  const router = useRouter();
  const [trouble, setTrouble] = useState<string | null>(null);
  const [ending, setEnding] = useState(false);
  const [times, setTimes] = useState(false);
  const [words, setWords] = useState('');
  const door = whoCanGetIn({ ...sitting, questions: 1, students: sitting.people.length }, now);
  const writing = sitting.people.filter((p) => p.attempt && p.attempt.handedInAt === null);
  const handedIn = sitting.people.filter((p) => p.attempt?.handedInAt);
  const wanted = foldAccents(words.trim().toLowerCase());
  const shown = sitting.people.filter((p) => foldAccents(p.name.toLowerCase()).includes(wanted));
  const running = door.open || writing.length > 0;
  const lost = Math.max(0, ...writing.map(({ attempt }) => attempt?.ungiven ?? 0));
  useEffect(() => {
    if (!running) return;
    const timer = setInterval(() => router.refresh(), REFRESH);
    return () => clearInterval(timer);
  }, [running, router]);
  const act = async (
    work: Promise<{ ok: true } | { ok: false; refusal: Parameters<typeof refusalText>[0] }>,
  ): Promise<void> => {
    const result = await work;
    setTrouble(result.ok ? null : refusalText(result.refusal));
  };
  return (
    <>
      <Strip
        where={{ href: '/sittings', name: 'Sittings' }}
        title={`${sitting.title}, ${sitting.course}`}
        chip={`${dayAndTime(sitting.opensAt, zone)} – ${timeOnly(sitting.closesAt, zone)}`}
        state={`${sitting.minutes} minutes each`}
      >
        <Link className="btn btn-quiet" href={`/sittings/${sitting.id}/print`} prefetch={false}>
          Print…
        </Link>
        {sitting.endedAt === null && now < sitting.closesAt && (
          <Button variant="quiet" aria-haspopup="dialog" onClick={() => setTimes(true)}>
            Times…
          </Button>
        )}
        {!door.open && door.reason === 'not-yet' && (
          <Button variant="outline-primary" onClick={() => act(startNowAction(sitting.id))}>
            Start now
          </Button>
        )}
        {running &&
          (ending ? (
            <>
              <span className="hand">
                This hands in{' '}
                {writing.length === 0
                  ? 'nothing; nobody can begin any more'
                  : `the work of ${plural(writing.length, 'student')} as it is`}
                .
              </span>
              <Button variant="quiet" onClick={() => setEnding(false)}>
                Leave it open
              </Button>
              <Button variant="outline-primary" onClick={() => act(endAction(sitting.id))}>
                End it
              </Button>
            </>
          ) : (
            <Button variant="outline-primary" onClick={() => setEnding(true)}>
              End for all…
            </Button>
          ))}
        <Link className="btn btn-primary" href={`/sittings/${sitting.id}/results`}>
          Results
        </Link>
      </Strip>
      <div className="page">
        <div className={`door ${door.open ? '' : 'shut'}`} role="status">
          {doorText(door, { ...sitting, students: sitting.people.length, zone }, now)}
        </div>
        {sitting.link && <OpenLink sitting={sitting.id} />}
        {times && <ChangeTimes sitting={sitting} zone={zone} onClose={() => setTimes(false)} />}
        <Trouble>{trouble}</Trouble>
        {lost > 0 && (
          <div className="advice d-flex flex-wrap gap-3 align-items-center" role="status">
            <span>
              The server was away. Up to {plural(Math.ceil(lost / 60_000), 'minute')} that a student lost by it can
              still be given back.
            </span>
            <Button variant="outline-primary" onClick={() => act(giveBackAction(sitting.id))}>
              Give them back
            </Button>
          </div>
        )}
        <div className="list-sheet">
          <div className="figures pt-3 mb-0">
            <span>
              Writing <strong>{writing.length}</strong>
            </span>
            <span>
              Handed in <strong>{handedIn.length}</strong>
            </span>
            <span>
              Not begun <strong>{sitting.people.length - writing.length - handedIn.length}</strong>
            </span>
          </div>
          {writing.length > 0 && <SayToRooms sitting={sitting.id} writing={writing} />}
          {sitting.people.length > 12 && (
            <input
              type="search"
              className="form-control form-control-sm w-auto my-2"
              aria-label="Find a student"
              placeholder="Find a student"
              value={words}
              onChange={(e) => setWords(e.target.value)}
            />
          )}
          <div className="scroll-x">
            <table className="rows">
              <thead>
                <tr>
                  <th scope="col">Student</th>
                  <th scope="col">Where</th>
                  <th scope="col">Begun</th>
                  <th scope="col">Time</th>
                  <th scope="col">Extra time</th>
                  <th scope="col">More now</th>
                </tr>
              </thead>
              <tbody>
                {shown.map((p) => (
                  <StudentRow
                    key={p.id}
                    student={p}
                    now={now}
                    zone={zone}
                    minutes={sitting.minutes}
                    open={running}
                    onProvision={(percent) =>
                      act(provisionAction({ member: p.id, extraTimePercent: percent, reason: '' }))
                    }
                    onLetIn={() => act(letInAction(p.id))}
                    onMore={(minutes) =>
                      act(moreTimeAction({ sitting: sitting.id, person: p.id, minutes, reason: '' }))
                    }
                  />
                ))}
              </tbody>
            </table>
          </div>
        </div>
      </div>
    </>
  );
}

interface RowProps {
  student: WatchedPerson;
  now: number;
  zone: string;
  minutes: number;
  open: boolean;
  onProvision: (percent: number) => void;
  onMore: (minutes: number) => void;
  onLetIn: () => void;
}

function StudentRow({ student, now, zone, minutes, open, onProvision, onMore, onLetIn }: RowProps) {
  const { attempt, extraTimePercent, extraMinutes } = student;
  const writing = attempt && attempt.handedInAt === null;
  const where = !attempt ? (
    <span className="soft">not begun</span>
  ) : attempt.handedInAt !== null ? (
    <span className="good">
      ✓ handed in {timeOnly(attempt.handedInAt, zone)}
      {attempt.handedInBy === 'clock' && <span className="soft fw-normal"> by the clock</span>}
      {attempt.arrivedLate > 0 && (
        <span className="hand fw-normal">
          {' '}
          · last answers {Math.round(attempt.arrivedLate / 1000)} s after the end, from a device that was offline
        </span>
      )}
    </span>
  ) : now - attempt.seenAt > SILENT ? (
    <span className="hand">! offline since {timeOnly(attempt.seenAt, zone)}</span>
  ) : (
    'writing'
  );
  return (
    <tr>
      <td dir="auto">{student.name}</td>
      <td>
        {where}
        {writing && attempt.toldAt !== null && (
          <span className={attempt.readAt === null ? 'hand' : 'soft'}>
            {' · '}
            {attempt.readAt === null ? 'has not read yet what you said' : `read it ${timeOnly(attempt.readAt, zone)}`}
          </span>
        )}
        {student.slowedUntil > now && (
          <span className="hand d-block">
            kept out by wrong passwords until {timeOnly(student.slowedUntil, zone)}{' '}
            <Button variant="quiet" onClick={onLetIn} aria-label={`Let in at once: ${student.name}`}>
              Let in at once
            </Button>
          </span>
        )}
      </td>
      <td>{attempt && timeOnly(attempt.startedAt, zone)}</td>
      <td className="text-nowrap">
        {writing
          ? `${timeLeft(attempt.deadline - now)} left`
          : `${minutesWith(minutes, extraTimePercent) + extraMinutes} min`}
        {extraMinutes > 0 && <span className="soft"> (+{extraMinutes} given)</span>}
      </td>
      <td>
        {attempt ? (
          extraTimePercent > 0 && `${extraTimePercent} %`
        ) : (
          <select
            className="form-select form-select-sm w-auto"
            aria-label={`Extra time of ${student.name}`}
            value={extraTimePercent}
            onChange={(e) => onProvision(Number(e.target.value))}
          >
            {[...new Set([0, 10, 25, 33, 50, 100, extraTimePercent])]
              .sort((a, b) => a - b)
              .map((percent) => (
                <option key={percent} value={percent}>
                  {percent === 0 ? 'none' : `${percent} %`}
                </option>
              ))}
          </select>
        )}
      </td>
      <td>
        {open && writing && (
          <Button variant="quiet" onClick={() => onMore(5)} aria-label={`5 more minutes for ${student.name}`}>
            + 5 min
          </Button>
        )}
      </td>
    </tr>
  );
}
