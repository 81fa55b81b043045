import { Link } from '../parts/Link';
import type { ReactNode } from 'react';
import { Areas } from './Areas';
import { FindOrDo } from './FindOrDo';
import { KeysOverview } from './KeysOverview';
import { Person } from './Person';
import { Sign } from './Sign';
import { SkipLink } from './SkipLink';

interface Props {
  department: string;
  person: { name: string; role: string };
  waiting: number;
  children: ReactNode;
}

/** The ink bar over every staff screen. */
export function Frame({ department, person, waiting, children }: Props) {
  return (
    <>
      <SkipLink />
      <header className="bar">
        <Link className="brand" href="/" aria-label="Zonda, today">
          <Sign /> Zonda <small>{department}</small>
        </Link>
        <Areas waiting={waiting} builds={person.role !== 'marker'} />
        <FindOrDo />
        <Person {...person} />
      </header>
      <main id="main" tabIndex={-1}>
        {children}
      </main>
      <KeysOverview />
    </>
  );
}
