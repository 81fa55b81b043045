import { Link } from '@/ui/parts/Link';
import type { ReactNode } from 'react';
import { studentContext } from '@/server/auth/request';
import { Person } from '@/ui/frame/Person';
import { Sign } from '@/ui/frame/Sign';

export default async function MyLayout({ children }: { children: ReactNode }) {
  const ctx = await studentContext();
  return (
    <>
      <header className="bar">
        <Link className="brand" href="/my" aria-label="Zonda, my page">
          <Sign /> Zonda
        </Link>
        <span className="ms-auto align-self-center" style={{ color: 'var(--on-bar-soft)' }}>
          {ctx.actor.name}
        </span>
        <Person name={ctx.actor.name} role="student" />
      </header>
      <main>{children}</main>
    </>
  );
}
