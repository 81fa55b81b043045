import { Link } from '../parts/Link';
import { useAskedBeforeLeaving } from '../parts/use-asked-before-leaving';
import Button from 'react-bootstrap/Button';
import type { BroughtRoster } from '@/server/people/bring-in-roster';
import { PageFoot } from '../print/PageFoot';
import { plural } from '../words/marks';
import { LoginSlip } from './LoginSlip';
import '../print/print.scss';

interface Props {
  course: { id: string; name: string };
  brought: BroughtRoster;
}

/** What was brought in, with the first passwords of new students as slips: they are told here and never again. */
export function SlipsOnce({ course, brought: { added, updated } }: Props) {
  const mustKeep = added.length > 0;
  useAskedBeforeLeaving(mustKeep);
  return (
    <div className="split">
      <div className="sheet plain printed">
        <PageFoot text={course.name} />
        <div className="no-print mb-3">
          <h2>
            {plural(added.length, 'new student')}, {updated} brought up to date
          </h2>
          {mustKeep ? (
            <p className="hand">
              Print these slips now, or write them down: the passwords are not kept and cannot be shown again. Whoever
              loses one gets another.
            </p>
          ) : (
            <p>Nobody needed a new password.</p>
          )}
          <span className="d-flex gap-2">
            {mustKeep && <Button onClick={() => window.print()}>Print the slips</Button>}
            <Link className="btn btn-outline-primary" href={`/department/courses/${course.id}`}>
              To the course
            </Link>
          </span>
        </div>
        <ul className="login-slips">
          {added.map((one) => (
            <LoginSlip key={one.userName} {...one} course={course.name} />
          ))}
        </ul>
      </div>
    </div>
  );
}
