'use client';
import { pointerWithin } from '@dnd-kit/core';
import { Link } from '../parts/Link';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { enrolAction, setGroupAction, setEmailAction, setSubjectsAction, unenrolAction } from '@/actions/department';
import type { Result } from '@/core/base/result';
import type { Roster } from '@/server/people/roster';
import { Strip } from '../frame/Strip';
import { DragArea } from '../parts/DragArea';
import { FindField } from '../parts/FindField';
import { Trouble } from '../parts/Trouble';
import { plural } from '../words/marks';
import { refusalText } from '../words/refusals';
import { GroupsNote } from './GroupsNote';
import { RosterLine } from './RosterLine';
import { replyTo } from '../parts/reply-to';

interface Props {
  roster: Roster;
  /** Students of the department who are not in the course. */
  others: { id: string; name: string }[];
}

/** Who is in a course: subjects typed in place, groups by a word in the line or by dragging a name onto one. */
export function CourseDesk({ roster, others }: Props) {
  const [words, setWords] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  const course = roster.id;
  /** Whether it was done; what was not is said. */
  const keep = async (work: Promise<Result<null>>): Promise<boolean> => {
    const result = await replyTo(work);
    setTrouble(result.ok ? null : refusalText(result.refusal));
    return result.ok;
  };
  const typed = words.trim().toLowerCase();
  const shown = roster.students.filter((one) =>
    `${one.name} ${one.userName} ${one.subjects.join(' ')}`.toLowerCase().includes(typed),
  );
  return (
    <>
      <Strip
        where={{ href: '/department', name: 'Department' }}
        title={`${roster.code} ${roster.title}`}
        state={`${roster.term} · ${plural(roster.students.length, 'student')}`}
      >
        <Link className="btn btn-quiet" href={`/department/courses/${course}/bring-in`}>
          Bring in…
        </Link>
        <Link className="btn btn-quiet" href={`/department/courses/${course}/print`}>
          Print…
        </Link>
      </Strip>
      <DragArea detect={pointerWithin} onDrop={(member, group) => void keep(setGroupAction({ course, member, group }))}>
        <div className="split with-margin">
          <div>
            <div className="d-flex gap-2 mb-2">
              <FindField words="Find a student" value={words} onChange={setWords} />
              <AddStudent others={others} onAdd={(member) => keep(enrolAction({ course, member }))} />
            </div>
            <Trouble>{trouble}</Trouble>
            <div className="list-sheet">
              <table className="rows roster">
                <thead>
                  <tr>
                    <th scope="col">Name</th>
                    <th scope="col">User name</th>
                    <th scope="col">E-mail</th>
                    <th scope="col">Subjects</th>
                    <th scope="col">Group</th>
                    <th scope="col">
                      <span className="visually-hidden">Take out</span>
                    </th>
                  </tr>
                </thead>
                <tbody>
                  {shown.map((student) => (
                    <RosterLine
                      key={student.id}
                      student={student}
                      groups={roster.groups}
                      onEmail={(email) => keep(setEmailAction({ course, member: student.id, email }))}
                      onSubjects={(subjects) => keep(setSubjectsAction({ course, member: student.id, subjects }))}
                      onGroup={(group) => void keep(setGroupAction({ course, member: student.id, group }))}
                      onOut={() => void keep(unenrolAction({ course, member: student.id }))}
                    />
                  ))}
                </tbody>
              </table>
              {shown.length === 0 && (
                <p className="soft p-3 mb-0">
                  {roster.students.length === 0 ? 'Nobody is in this course yet.' : 'Nobody here is called so.'}
                </p>
              )}
            </div>
          </div>
          <GroupsNote roster={roster} keep={keep} />
        </div>
      </DragArea>
    </>
  );
}

function AddStudent({ others, onAdd }: { others: Props['others']; onAdd: (member: string) => Promise<boolean> }) {
  const [adding, setAdding] = useState('');
  return (
    <>
      <select
        className="form-select w-auto"
        aria-label="A student of the department"
        value={adding}
        onChange={(e) => setAdding(e.target.value)}
      >
        <option value="">Somebody of the department…</option>
        {others.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
      <Button
        variant="outline-primary"
        disabled={adding === ''}
        onClick={async () => {
          if (await onAdd(adding)) setAdding('');
        }}
      >
        Add
      </Button>
    </>
  );
}
