'use client';
import { Link } from '../parts/Link';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { nameDepartmentAction } from '@/actions/department';
import type { StaffedCourse } from '@/server/people/courses';
import type { MemberRow } from '@/server/people/members';
import type { Platform } from '@/server/platforms/services';
import type { Department } from '@/server/people/policy';
import { Strip } from '../frame/Strip';
import { PlatformsNote } from '../platforms/PlatformsNote';
import { plural } from '../words/marks';
import { CoursesNote } from './CoursesNote';
import { NamesDialog } from './NamesDialog';
import { PeopleList } from './PeopleList';
import { PolicyNotes } from './PolicyNotes';

interface Props {
  department: Department;
  members: MemberRow[];
  courses: StaffedCourse[];
  /** Ids of the courses whose roster the reader keeps. */
  kept: string[];
  mayManage: boolean;
  mayProvide: boolean;
  /** Null for whoever does not keep them. */
  platforms: Platform[] | null;
  /** The department's time zone. */
  zone: string;
}

/** People of the department with what they are entitled to, and its policy. */
export function DepartmentDesk({ department, members, courses, kept, mayManage, mayProvide, platforms, zone }: Props) {
  const [naming, setNaming] = useState(false);
  return (
    <>
      <Strip
        title={department.name}
        state={`${department.institute ? `${department.institute} · ` : ''}${plural(members.length, 'person', 'people')}`}
      >
        {mayManage && (
          <Button variant="quiet" aria-haspopup="dialog" onClick={() => setNaming(true)}>
            Rename…
          </Button>
        )}
        {mayProvide && (
          <Link className="btn btn-quiet" href="/department/outbox">
            Outbox
          </Link>
        )}
        <Link className="btn btn-outline-primary" href="/department/gallery">
          What can be asked
        </Link>
      </Strip>
      <div className="split with-margin">
        <div>
          <PeopleList members={members} mayManage={mayManage} mayProvide={mayProvide} zone={zone} />
        </div>
        <div>
          <CoursesNote courses={courses} members={members} mayChange={mayManage} kept={kept} />
          {platforms && <PlatformsNote platforms={platforms} />}
          <PolicyNotes policy={department.policy} mayChange={mayManage} />
        </div>
      </div>
      {naming && (
        <NamesDialog
          title="What the department is called"
          lines={{ name: 'Department', institute: 'School or institute' }}
          now={{ name: department.name, institute: department.institute }}
          act="Keep it"
          onKeep={({ name, institute }) => nameDepartmentAction({ name, institute })}
          onClose={() => setNaming(false)}
        />
      )}
    </>
  );
}
