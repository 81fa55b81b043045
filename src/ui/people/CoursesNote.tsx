'use client';
import { Link } from '../parts/Link';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { keepCourseAction, setStaffAction } from '@/actions/department';
import type { StaffedCourse } from '@/server/people/courses';
import type { MemberRow } from '@/server/people/members';
import { CheckLine } from '../parts/CheckLine';
import { Dialog } from '../parts/Dialog';
import { Trouble } from '../parts/Trouble';
import { refusalText } from '../words/refusals';
import { NamesDialog } from './NamesDialog';
import { replyTo } from '../parts/reply-to';

interface Props {
  courses: StaffedCourse[];
  members: MemberRow[];
  mayChange: boolean;
  /** Ids of the courses whose roster the reader keeps. */
  kept: string[];
}

const LINES = { code: 'Code, as on the timetable', title: 'Title', term: 'Term' };
const NEW = { code: '', title: '', term: '' };

/** The courses, and who teaches and marks in which; the lead says so, and does in all. */
export function CoursesNote({ courses, members, mayChange, kept }: Props) {
  const [changing, setChanging] = useState<StaffedCourse | null>(null);
  const [naming, setNaming] = useState<StaffedCourse | 'new' | null>(null);
  return (
    <aside className="margin" aria-label="Courses">
      <h2>Courses</h2>
      {(mayChange || courses.length === 0) && (
        <div className="note">
          {courses.length === 0 && (
            <p className="mb-1">No course yet. Students, sittings and gradebooks belong to one.</p>
          )}
          {mayChange && (
            <Button variant="quiet" aria-haspopup="dialog" onClick={() => setNaming('new')}>
              New course…
            </Button>
          )}
        </div>
      )}
      {courses.map((course) => (
        <div className="note" key={course.id}>
          <h3>
            {course.code} {course.title}
          </h3>
          {kept.includes(course.id) && (
            <p className="mb-1">
              <Link href={`/department/courses/${course.id}`}>Students and groups</Link>
            </p>
          )}
          <p className="mb-1">
            {course.staff.length === 0 ? (
              <span className="soft">Nobody but the lead teaches it yet.</span>
            ) : (
              course.staff.map(({ name }) => name).join(', ')
            )}
          </p>
          {mayChange && (
            <>
              <Button
                variant="quiet"
                aria-haspopup="dialog"
                aria-label={`Who teaches and marks in ${course.code}…`}
                onClick={() => setChanging(course)}
              >
                Who teaches and marks…
              </Button>
              <Button
                variant="quiet"
                aria-haspopup="dialog"
                aria-label={`Rename ${course.code}…`}
                onClick={() => setNaming(course)}
              >
                Rename…
              </Button>
            </>
          )}
        </div>
      ))}
      {changing && (
        <StaffDialog key={changing.id} course={changing} members={members} onClose={() => setChanging(null)} />
      )}
      {naming && (
        <NamesDialog
          title={naming === 'new' ? 'A new course' : `What ${naming.code} is called`}
          lines={LINES}
          now={naming === 'new' ? NEW : naming}
          act={naming === 'new' ? 'Begin it' : 'Keep it'}
          onKeep={({ code, title, term }) =>
            keepCourseAction({ id: naming === 'new' ? null : naming.id, code, title, term })
          }
          onClose={() => setNaming(null)}
        />
      )}
    </aside>
  );
}

function StaffDialog({
  course,
  members,
  onClose,
}: {
  course: StaffedCourse;
  members: MemberRow[];
  onClose: () => void;
}) {
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set(course.staff.map(({ id }) => id)));
  const [trouble, setTrouble] = useState<string | null>(null);
  const able = members.filter(
    ({ id, role, closed }) => (role === 'teacher' || role === 'marker') && (!closed || chosen.has(id)),
  );
  const keep = async (): Promise<void> => {
    const result = await replyTo(setStaffAction({ course: course.id, staff: [...chosen] }));
    if (result.ok) onClose();
    else setTrouble(refusalText(result.refusal));
  };
  return (
    <Dialog
      title={`${course.code}: who teaches and marks`}
      onClose={onClose}
      acts={<Button onClick={keep}>Keep it</Button>}
    >
      <p className="soft">They see its sittings, answers and results; the lead sees those of every course.</p>
      {able.length === 0 && <p>There are no teachers or markers yet. Take somebody in first, on the left.</p>}
      {able.map((member) => (
        <CheckLine
          key={member.id}
          className="py-1"
          checked={chosen.has(member.id)}
          onChange={(on) =>
            setChosen((all) => new Set(on ? [...all, member.id] : [...all].filter((id) => id !== member.id)))
          }
        >
          {member.name} <span className="soft">{member.role}</span>
        </CheckLine>
      ))}
      <Trouble>{trouble}</Trouble>
    </Dialog>
  );
}
