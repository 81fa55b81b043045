'use client';
import { Link } from '../parts/Link';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { resetPasswordAction } from '@/actions/department';
import type { StaffedCourse } from '@/server/people/courses';
import type { MemberRow } from '@/server/people/members';
import type { Platform } from '@/server/platforms/services';
import type { Department } from '@/server/people/policy';
import { Strip } from '../frame/Strip';
import { PlatformsNote } from '../platforms/PlatformsNote';
import { plural } from '../words/marks';
import { provisionText } from '../words/provision';
import { refusalText } from '../words/refusals';
import { CoursesNote } from './CoursesNote';
import { PolicyNotes } from './PolicyNotes';
import { ProvisionDialog } from './ProvisionDialog';

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
  const [words, setWords] = useState('');
  const [told, setTold] = useState<{ id: string; text: string; good: boolean } | null>(null);
  const [providing, setProviding] = useState<string | null>(null);
  const forWhom = members.find(({ id }) => id === providing);
  const [replacing, setReplacing] = useState<string | null>(null);
  const typed = words.trim().toLowerCase();
  const shown = members.filter((m) => `${m.name} ${m.userName} ${m.role}`.toLowerCase().includes(typed));
  const newPassword = async (m: MemberRow): Promise<void> => {
    setReplacing(null);
    const password = crypto.randomUUID().slice(0, 13);
    const result = await resetPasswordAction({ member: m.id, password });
    setTold({
      id: m.id,
      good: result.ok,
      text: result.ok ? `New password: ${password}. It is shown only now.` : refusalText(result.refusal),
    });
  };
  return (
    <>
      <Strip title={department.name} state={`${department.institute} · ${plural(members.length, 'person', 'people')}`}>
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
          <input
            type="search"
            className="form-control mb-2"
            placeholder="Find a person"
            aria-label="Find a person"
            value={words}
            onChange={(e) => setWords(e.target.value)}
          />
          <div className="list-sheet">
            <table className="rows">
              <thead>
                <tr>
                  <th scope="col">Name</th>
                  <th scope="col">User name</th>
                  <th scope="col">Role</th>
                  {mayProvide && <th scope="col">Provision</th>}
                  {mayManage && <th scope="col">Password</th>}
                </tr>
              </thead>
              <tbody>
                {shown.map((m) => (
                  <tr key={m.id} id={m.id}>
                    <td dir="auto">{m.name}</td>
                    <td className="mono">{m.userName}</td>
                    <td>{m.role}</td>
                    {mayProvide && (
                      <td>
                        {m.role === 'student' && (
                          <Button
                            variant="quiet"
                            className={m.provision ? '' : 'soft fw-normal'}
                            aria-haspopup="dialog"
                            aria-label={`Provision of ${m.name}: ${provided(m, zone)}`}
                            onClick={() => setProviding(m.id)}
                          >
                            {provided(m, zone)}
                          </Button>
                        )}
                        {m.provision?.reason && <small className="soft">{m.provision.reason}</small>}
                        {told?.id === m.id && (
                          <p role="alert" className={told.good ? 'good mb-0' : 'trouble'}>
                            {told.text}
                          </p>
                        )}
                      </td>
                    )}
                    {mayManage && (
                      <td>
                        {replacing === m.id ? (
                          <>
                            <span className="hand">The old one ends, and so do their sessions.</span>{' '}
                            <Button variant="outline-primary" onClick={() => newPassword(m)}>
                              Replace it
                            </Button>{' '}
                            <Button variant="quiet" onClick={() => setReplacing(null)}>
                              Cancel
                            </Button>
                          </>
                        ) : (
                          <Button variant="quiet" onClick={() => setReplacing(m.id)}>
                            New password…
                          </Button>
                        )}
                      </td>
                    )}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        </div>
        <div>
          <CoursesNote courses={courses} members={members} mayChange={mayManage} kept={kept} />
          {platforms && <PlatformsNote platforms={platforms} />}
          <PolicyNotes policy={department.policy} mayChange={mayManage} />
        </div>
      </div>
      {forWhom && <ProvisionDialog member={forWhom} zone={zone} onClose={() => setProviding(null)} />}
    </>
  );
}

const provided = ({ provision }: MemberRow, zone: string): string =>
  `${provision ? provisionText(provision, zone) : 'none'}…`;
