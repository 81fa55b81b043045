'use client';
import { Link } from '../parts/Link';
import Button from 'react-bootstrap/Button';
import type { Roster } from '@/server/people/roster';
import { Strip } from '../frame/Strip';
import { PageFoot } from './PageFoot';
import { WritingLine } from './parts';
import './print.scss';

interface Props {
  roster: Roster;
  what: 'attendance' | 'slips';
}

/** The students of a course on paper: a list to be signed, or slips to be cut and handed out. */
export function PrintRoster({ roster, what }: Props) {
  const title = `${roster.code} ${roster.title}`;
  const groups = new Map(roster.groups.map(({ id, name }) => [id, name]));
  return (
    <>
      <Strip where={{ href: `/department/courses/${roster.id}`, name: title }} title="Print">
        <Link className="btn btn-quiet" href={what === 'slips' ? '?what=attendance' : '?what=slips'} replace>
          {what === 'slips' ? 'Attendance list' : 'Login slips'}
        </Link>
        <Button onClick={() => window.print()}>Print</Button>
      </Strip>
      <div className="split">
        <div className="sheet plain printed">
          <PageFoot text={title} />
          {what === 'slips' ? (
            <ul className="login-slips">
              {roster.students.map(({ id, name, userName }) => (
                <li key={id}>
                  <p dir="auto">
                    <b>{name}</b>
                  </p>
                  <p className="soft">{title}</p>
                  <p className="mt-2">
                    User name <span className="mono">{userName}</span>
                  </p>
                  <p className="mt-2">
                    Password <WritingLine signs={18} />
                  </p>
                </li>
              ))}
            </ul>
          ) : (
            <>
              <header className="paper-head">
                <h1>{title}</h1>
                <p className="who">
                  Sitting <WritingLine signs={28} /> Date <WritingLine signs={12} />
                </p>
              </header>
              <table className="printed-table attendance">
                <thead>
                  <tr>
                    <th scope="col">Name</th>
                    <th scope="col">User name</th>
                    <th scope="col">Group</th>
                    <th scope="col">Signature</th>
                  </tr>
                </thead>
                <tbody>
                  {roster.students.map(({ id, name, userName, group }) => (
                    <tr key={id}>
                      <td dir="auto">{name}</td>
                      <td className="mono">{userName}</td>
                      <td>{group === null ? '' : groups.get(group)}</td>
                      <td>
                        <WritingLine signs={26} />
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </>
          )}
        </div>
      </div>
    </>
  );
}
