import { useEffect } from 'react';
import { useFreshPage } from '../parts/use-fresh-page';
import { timeLeft } from '../words/time';

/** A sheet that has not come is asked for again so often, in milliseconds. */
const LOOKS_AGAIN = 4_000;

interface HandedInProps {
  title: string;
  /** Why a teacher set it aside; null when none did. */
  aside: string | null;
  /** What is to be said of answers that have not arrived; null when all have. */
  arrived: string | null;
  /** What is written next; null when nothing is. */
  then: { sitting: string; title: string } | null;
}

export function HandedIn({ title, aside, arrived, then }: HandedInProps) {
  return (
    <main className="gate">
      <div className="sheet plain" role="status">
        {aside === null ? (
          <>
            <h1 className="fs-5 fw-bold">
              <span className="good">✓</span> Handed in
            </h1>
            <p>
              {title} is with your teacher. {arrived === null ? 'All your answers have arrived.' : `${arrived}.`}
            </p>
            <p>You will find the result on your page when it is released.</p>
          </>
        ) : (
          <>
            <h1 className="fs-5 fw-bold">Set aside</h1>
            <p>
              Your teacher has set this attempt at {title} aside: {aside}
            </p>
            <p>It does not count. Your page says whether you can begin anew.</p>
          </>
        )}
        {then && aside === null && (
          <a className="btn btn-primary me-2" href={`/my/begin/${then.sitting}`}>
            Next: {then.title}
          </a>
        )}
        {/* A full load on purpose: the room's answers are not needed any more. */}
        {/* eslint-disable-next-line @next/next/no-html-link-for-pages -- see above */}
        <a className={`btn ${then && aside === null ? 'btn-outline-primary' : 'btn-primary'}`} href="/my">
          To my page
        </a>
      </div>
    </main>
  );
}

/** A page that was loaded when it was handed in has no sheet: it is asked for when the teacher lets them back in. */
export function LetBackIn({ title }: { title: string }) {
  const look = useFreshPage();
  useEffect(() => {
    look();
    const again = setInterval(look, LOOKS_AGAIN);
    return () => clearInterval(again);
  }, [look]);
  return (
    <main className="gate">
      <div className="sheet plain" role="status">
        <p className="mb-0">Your teacher has let you back in. {title} opens…</p>
      </div>
    </main>
  );
}

/** Over the sheet while the time stands still. */
export function ClockStopped({ left }: { left: number }) {
  return (
    <div className="sheet plain clock-stopped" role="alert">
      <h2 className="fs-5 fw-bold">Your teacher has stopped the clock</h2>
      <p>
        What you wrote is kept. You still have {timeLeft(left)} when it goes on; this page opens again by itself. Stay
        in the room and wait.
      </p>
    </div>
  );
}
