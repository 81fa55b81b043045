import { Link } from '../parts/Link';
import type { ReactNode } from 'react';

interface Props {
  /** One level up. */
  where?: { href: string; name: string };
  title: ReactNode;
  chip?: ReactNode;
  state?: ReactNode;
  /** At most two actions; the next step in the order of the work is the filled one. */
  children?: ReactNode;
}

/** The strip below the bar: where you are, the state, the next step. */
export function Strip({ where, title, chip, state, children }: Props) {
  return (
    <div className="strip">
      {where && (
        <Link className="where" href={where.href}>
          {where.name} ›
        </Link>
      )}
      <h1>{title}</h1>
      {chip && <span className="chip">{chip}</span>}
      {state && <span className="state">{state}</span>}
      <div className="acts">{children}</div>
    </div>
  );
}
