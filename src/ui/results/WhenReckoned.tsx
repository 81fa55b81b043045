import { type ReactNode, Suspense } from 'react';
import { Reckoning } from './Reckoning';

/** What has not come after so many milliseconds is waited for in sight of whoever asked. */
const SOON = 800;
const LATER = Symbol('later');

interface Props<T> {
  sitting: string;
  /** Comes soon, or after long reckoning. */
  found: Promise<T>;
  children: (found: T) => ReactNode;
}

/** Shows what is found, and until then how far it is; nothing flickers where it comes soon. */
export async function WhenReckoned<T>({ sitting, found, children }: Props<T>) {
  const soon = await Promise.race([
    found,
    new Promise<typeof LATER>((done) => {
      setTimeout(() => done(LATER), SOON);
    }),
  ]);
  if (soon !== LATER) return children(soon);
  return (
    <Suspense fallback={<Reckoning sitting={sitting} />}>
      <Later found={found}>{children}</Later>
    </Suspense>
  );
}

async function Later<T>({ found, children }: Omit<Props<T>, 'sitting'>) {
  return children(await found);
}
