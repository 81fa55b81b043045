'use client';
import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { tellOutsideAction } from '@/actions/outside-gradebook';
import type { OutsideBook } from '@/server/platforms/outside-book';
import { Strip } from '../frame/Strip';
import { Link } from '../parts/Link';
import { Trouble } from '../parts/Trouble';
import { useFreshPage } from '../parts/use-fresh-page';
import { plural } from '../words/marks';
import { refusalText } from '../words/refusals';
import { Compare, type PlaceOutside } from './Compare';
import { ConnectForm } from './ConnectForm';
import { OutsideColumns } from './OutsideColumns';
import { OutsideStudents } from './OutsideStudents';
import { replyTo } from '../parts/reply-to';

/** While scores are on their way the page looks again so often, in milliseconds. */
const LOOKS_AGAIN = 2000;

/** The gradebook of a course beside the one outside that is told of it. */
export function OutsideDesk({ book }: { book: OutsideBook }) {
  const { course, connected, columns, students, troubles } = book;
  const look = useFreshPage();
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const count = (of: 'news' | 'waiting' | 'arrived'): number => columns.reduce((all, one) => all + one[of], 0);
  const [news, waiting] = [count('news'), count('waiting')];
  /** Something did not arrive, and is tried again in minutes. */
  const late = waiting > 0 && troubles.length > 0;
  const unnamed = students.filter(({ outsideId }) => outsideId === '').length;
  useEffect(() => {
    if (waiting === 0 || late) return;
    const timer = setInterval(look, LOOKS_AGAIN);
    return () => clearInterval(timer);
  }, [waiting, late, look]);
  const tell = async (again: readonly PlaceOutside[] = []): Promise<void> => {
    setBusy(true);
    const result = await replyTo(tellOutsideAction({ course: course.id, again }));
    setBusy(false);
    setTrouble(result.ok ? null : refusalText(result.refusal));
  };
  return (
    <>
      <Strip
        where={{ href: `/gradebook/${course.id}`, name: `${course.code}, gradebook` }}
        title="Outside gradebook"
        state={connected ? stateText(waiting, count('arrived')) : 'not connected'}
      >
        {connected && (
          <Button disabled={busy || (news === 0 && !late)} onClick={() => void tell()}>
            {news > 0 ? `Send ${plural(news, 'score')}` : late ? 'Try again now' : 'Nothing new to send'}
          </Button>
        )}
      </Strip>
      <div className="split with-margin">
        <div>
          <Trouble>{trouble}</Trouble>
          {book.platforms.length === 0 ? (
            <div className="sheet plain">
              <p className="mb-0">
                No learning platform is registered yet. The lead registers one under{' '}
                <Link href="/department#platforms">Department</Link>.
              </p>
            </div>
          ) : (
            <ConnectForm key={JSON.stringify(connected)} book={book} />
          )}
          {connected && (
            <>
              <OutsideColumns book={book} />
              <OutsideStudents
                key={students.map(({ outsideId }) => outsideId).join()}
                course={course.id}
                students={students}
              />
            </>
          )}
        </div>
        <aside className="margin" aria-label="What arrives">
          <h2>What arrives</h2>
          <div className="note">
            <p>
              Marks of released columns go there, one line for each column; the final grade goes as a percent. Whoever
              has no marks yet has no score there. Nothing is sent by itself.
            </p>
            {unnamed > 0 && connected && (
              <p className="hand mb-0">
                {plural(unnamed, 'student')} {unnamed === 1 ? 'has' : 'have'} no id on the platform, and no scores
                there.
              </p>
            )}
          </div>
          {troubles.map((one) => (
            <div className="note red" key={`${one.code} ${one.status} ${one.failed}`}>
              <p className="mb-1">
                <strong>
                  {plural(one.count, 'score')} did not arrive
                  {one.failed ? '.' : ' yet; it is tried again.'}
                </strong>
              </p>
              <p className="mb-0">
                {refusalText({ code: one.code, ...(one.status === null ? {} : { values: { status: one.status } }) })}
              </p>
            </div>
          ))}
          {connected && <Compare course={course.id} columns={columns} onSend={tell} />}
        </aside>
      </div>
    </>
  );
}

const stateText = (waiting: number, arrived: number): string =>
  `${plural(arrived, 'score')} arrived${waiting > 0 ? `, ${waiting} on the way` : ''}`;
