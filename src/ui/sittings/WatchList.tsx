'use client';
import { useCallback, useState } from 'react';
import { letInAction, moreTimeAction, extraTimeHereAction } from '@/actions/sittings';
import type { Result } from '@/core/base/result';
import type { ExtraTime } from '@/core/people/provision';
import { foldAccents } from '@/core/rules/text/normalise';
import { WHEREABOUTS, type Whereabouts, whereabouts } from '@/core/sittings/whereabouts';
import type { WatchedSitting } from '@/server/sittings/watch';
import { FindField } from '../parts/FindField';
import { Trouble } from '../parts/Trouble';
import { refusalText } from '../words/refusals';
import { HowFar } from './HowFar';
import { OneStudent } from './OneStudent';
import { ToRooms } from './ToRooms';
import { WatchRow } from './WatchRow';
import { replyTo } from '../parts/reply-to';

const NAMES: Record<Whereabouts, string> = {
  'not begun': 'Not begun',
  writing: 'Writing',
  idle: 'Idle',
  offline: 'Offline',
  paused: 'Clock stopped',
  'handed in': 'Handed in',
  'set aside': 'Set aside',
};

interface Props {
  sitting: WatchedSitting;
  now: number;
  zone: string;
  /** Somebody can still get in, or writes. */
  running: boolean;
}

/** Everybody of a sitting, with where they are; a figure shows only those that it counts. */
export function WatchList({ sitting, now, zone, running }: Props) {
  const [trouble, setTrouble] = useState<string | null>(null);
  const [words, setWords] = useState('');
  const [only, setOnly] = useState<Whereabouts | null>(null);
  const [opened, setOpened] = useState<string | null>(null);
  const wanted = foldAccents(words.trim().toLowerCase());
  const people = sitting.people.map((student) => ({ student, where: whereabouts(student.attempt, now) }));
  const counts = new Map(WHEREABOUTS.map((where) => [where, people.filter((one) => one.where === where).length]));
  // A figure that has gone to nothing hides nobody.
  const shownOnly = only !== null && counts.get(only) === 0 ? null : only;
  const shown = people.filter(
    ({ student, where }) =>
      (shownOnly === null || where === shownOnly) && foldAccents(student.name.toLowerCase()).includes(wanted),
  );
  const writing = sitting.people.filter(({ attempt }) => attempt && attempt.handedInAt === null);
  const chosen = shown.map(({ student }) => student).filter(({ attempt }) => attempt && attempt.handedInAt === null);
  const one = sitting.people.find(({ id }) => id === opened);
  const act = useCallback(async (work: Promise<Result<unknown>>): Promise<void> => {
    const result = await replyTo(work);
    setTrouble(result.ok ? null : refusalText(result.refusal));
  }, []);
  const onMore = useCallback(
    (id: string) => void act(moreTimeAction({ sitting: sitting.id, people: [id], minutes: 5, reason: '' })),
    [act, sitting.id],
  );
  const onExtraTime = useCallback(
    (member: string, { percent, minutes }: ExtraTime) =>
      void act(extraTimeHereAction({ sitting: sitting.id, member, extraTimePercent: percent, extraMinutes: minutes })),
    [act, sitting.id],
  );
  const onLetIn = useCallback((id: string) => void act(letInAction(id)), [act]);
  return (
    <div className="list-sheet">
      <div className="figures pt-3 mb-0">
        {WHEREABOUTS.filter((where) => counts.get(where) || where === 'writing' || where === 'handed in').map(
          (where) => (
            <button
              key={where}
              type="button"
              className="btn-link-plain figure"
              aria-pressed={shownOnly === where}
              disabled={counts.get(where) === 0}
              onClick={() => setOnly(shownOnly === where ? null : where)}
            >
              {NAMES[where]} <strong>{counts.get(where)}</strong>
            </button>
          ),
        )}
      </div>
      {writing.length > 0 && (
        <ToRooms sitting={sitting.id} writing={writing} shown={shown.length < people.length ? chosen : null} />
      )}
      <HowFar questions={sitting.questions} begun={people.filter(({ student }) => student.attempt).length} />
      <Trouble>{trouble}</Trouble>
      {sitting.people.length > 12 && (
        <FindField words="Find a student" className="form-control-sm w-auto my-2" value={words} onChange={setWords} />
      )}
      <div className="scroll-x">
        <table className="rows watch">
          <thead>
            <tr>
              <th scope="col">Student</th>
              <th scope="col">Where</th>
              <th scope="col">Worked at</th>
              <th scope="col">Begun</th>
              <th scope="col">Time</th>
              <th scope="col">Extra time</th>
              <th scope="col">More now</th>
            </tr>
          </thead>
          <tbody>
            {shown.map(({ student }) => (
              <WatchRow
                key={student.id}
                student={student}
                now={now}
                zone={zone}
                minutes={sitting.minutes}
                questions={sitting.paperLength}
                open={running}
                onExtraTime={onExtraTime}
                onLetIn={onLetIn}
                onMore={onMore}
                onOpen={setOpened}
              />
            ))}
          </tbody>
        </table>
      </div>
      {one?.attempt && (
        <OneStudent
          sitting={sitting.id}
          student={{ ...one, attempt: one.attempt }}
          zone={zone}
          onClose={() => setOpened(null)}
        />
      )}
    </div>
  );
}
