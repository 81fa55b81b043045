'use client';
import { Link } from '../parts/Link';
import { usePathname } from 'next/navigation';

const AREAS = [
  { href: '/bank', name: 'Bank' },
  { href: '/exams', name: 'Exams' },
  { href: '/sittings', name: 'Sittings' },
  { href: '/marking', name: 'Marking' },
  { href: '/gradebook', name: 'Gradebook' },
];

/** The areas in the order of the work. */
export function Areas({ waiting, builds }: { waiting: number; builds: boolean }) {
  const path = usePathname();
  const current = (href: string): 'page' | undefined =>
    path === href || path.startsWith(`${href}/`) ? 'page' : undefined;
  return (
    <nav aria-label="Areas">
      {AREAS.filter((a) => builds || a.href === '/marking').map(({ href, name }) => (
        <Link key={href} href={href} aria-current={current(href)}>
          {name}
          {href === '/marking' && waiting > 0 && (
            <span className="count">
              {waiting}
              <span className="visually-hidden"> answers wait</span>
            </span>
          )}
        </Link>
      ))}
      {builds && (
        <>
          <span className="gap" aria-hidden="true" />
          <Link href="/department" aria-current={current('/department')}>
            Department
          </Link>
        </>
      )}
    </nav>
  );
}
