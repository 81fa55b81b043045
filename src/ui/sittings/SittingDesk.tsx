'use client';
import { Link } from '../parts/Link';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { endAction, giveBackAction, startNowAction } from '@/actions/sittings';
import type { Result } from '@/core/base/result';
import { NO_PROVISION, withExtraTime } from '@/core/people/provision';
import type { LateRule } from '@/core/sittings/late';
import { whoCanGetIn } from '@/core/sittings/entry';
import type { WatchedPerson, WatchedSitting } from '@/server/sittings/watch';
import { TakeOutSealed } from '../exchange/TakeOutSealed';
import { Strip } from '../frame/Strip';
import { doorText } from '../words/door';
import { lateText } from '../words/late';
import { triesSentence } from '../words/tries';
import { plural } from '../words/marks';
import { provisionText } from '../words/provision';
import { refusalText } from '../words/refusals';
import { ChangeTimes } from './ChangeTimes';
import { Helpers } from './Helpers';
import { OpenLink } from './OpenLink';
import { SeeAsStudent } from './SeeAsStudent';
import { useWatching } from './use-watching';
import { WatchList } from './WatchList';
import { WriteToStudents } from './WriteToStudents';
import { dayAndTime, timeOnly } from '../words/time';
import { Trouble } from '../parts/Trouble';
import { replyTo } from '../parts/reply-to';

interface Props {
  sitting: WatchedSitting;
  now: number;
  /** Of what the page was made. */
  version: number;
  zone: string;
  /** What the department has agreed that lateness costs. */
  late: LateRule | null;
}

/** A sitting as the teacher watches it: who can get in, who is where, more time, the end. */
export function SittingDesk({ sitting, now, version, zone, late }: Props) {
  const [trouble, setTrouble] = useState<string | null>(null);
  const [ending, setEnding] = useState(false);
  const [times, setTimes] = useState(false);
  const [helping, setHelping] = useState(false);
  const [takingOut, setTakingOut] = useState(false);
  const [writingTo, setWriting] = useState(false);
  const door = whoCanGetIn({ ...sitting, questions: 1, students: sitting.people.length }, now);
  const writing = sitting.people.filter((p) => p.attempt && p.attempt.handedInAt === null);
  const running = door.open || writing.length > 0;
  const lost = Math.max(0, ...writing.map(({ attempt }) => attempt?.ungiven ?? 0));
  useWatching({ sitting: sitting.id, people: sitting.people.length, running, version });
  const act = async (work: Promise<Result<null>>): Promise<void> => {
    const result = await replyTo(work);
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
        <Link className="btn btn-quiet" href={`/sittings/${sitting.id}/print`}>
          Print…
        </Link>
        {!sitting.link && sitting.endedAt === null && now < sitting.closesAt && (
          <Button variant="quiet" aria-haspopup="dialog" onClick={() => setWriting(true)}>
            Write…
          </Button>
        )}
        {sitting.fromFile && (
          <Button variant="quiet" aria-haspopup="dialog" onClick={() => setTakingOut(true)}>
            Answers as a file…
          </Button>
        )}
        <Button variant="quiet" aria-haspopup="dialog" onClick={() => setHelping(true)}>
          Who helps…
        </Button>
        {sitting.endedAt === null && now < sitting.closesAt && (
          <Button variant="quiet" aria-haspopup="dialog" onClick={() => setTimes(true)}>
            Times…
          </Button>
        )}
        {!door.open && (door.reason === 'not-yet' || door.reason === 'by-hand') && (
          <Button variant="outline-primary" onClick={() => act(startNowAction(sitting.id))}>
            {sitting.byHand ? 'Open it' : 'Start now'}
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
        <div className="sitting-facts soft">
          <SeeAsStudent sitting={sitting.id} people={sitting.people} zone={zone} />
          <ExtraTimeLine sitting={sitting} zone={zone} />
          <ProvidedLine people={sitting.people} />
          {sitting.dueAt !== null && <p>{lateText(sitting.late, sitting.dueAt, zone)}</p>}
          {sitting.tries && sitting.tries.most !== 1 && <p>{triesSentence(sitting.tries)}</p>}
        </div>
        {sitting.link && <OpenLink sitting={sitting.id} />}
        {writingTo && <WriteToStudents sitting={sitting} zone={zone} onClose={() => setWriting(false)} />}
        {takingOut && (
          <TakeOutSealed
            what="answers"
            id={sitting.id}
            title={sitting.title}
            zone={zone}
            onClose={() => setTakingOut(false)}
          />
        )}
        {helping && <Helpers sitting={sitting.id} onClose={() => setHelping(false)} />}
        {times && <ChangeTimes sitting={sitting} zone={zone} late={late} onClose={() => setTimes(false)} />}
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
        <WatchList sitting={sitting} now={now} zone={zone} running={running} />
      </div>
    </>
  );
}

/** Who has extra time, and when it ends for them. */
function ExtraTimeLine({ sitting: { people, minutes, closesAt }, zone }: { sitting: WatchedSitting; zone: string }) {
  const more = people
    .map(({ name, extra }) => ({ name, more: withExtraTime(minutes, extra) - minutes }))
    .filter((one) => one.more > 0);
  if (more.length === 0) return null;
  const most = Math.max(...more.map((one) => one.more));
  return (
    <p>
      {plural(more.length, 'student has', 'students have')} extra time, {most} min at most: for them it ends{' '}
      {timeOnly(closesAt + most * 60_000, zone)} at the latest. {more.map(({ name }) => name).join(', ')}
    </p>
  );
}

/** What else some of them are entitled to. */
function ProvidedLine({ people }: { people: readonly WatchedPerson[] }) {
  const said = people.flatMap(({ name, provided }) => {
    const words = provisionText({ ...NO_PROVISION, ...provided });
    return words === '' ? [] : [`${name}: ${words}`];
  });
  return said.length > 0 && <p>{said.join('; ')}</p>;
}
