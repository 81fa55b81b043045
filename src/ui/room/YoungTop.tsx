import { timeLeft } from '../words/time';
import { FULL, type Fullness } from './Contents';

interface Props {
  title: string;
  /** The questions in order, with how full each is. */
  beads: { id: string; state: Fullness; here: boolean }[];
  saved: { text: string /** Nothing is wrong with it. */; fine: boolean };
  /** In milliseconds; null where no clock is wanted. */
  left: number | null;
}

/** What stands over the room of the young: how far one is, as beads, and that all is kept. */
export function YoungTop({ title, beads, saved, left }: Props) {
  return (
    <header className="young-top">
      <h1>{title}</h1>
      <ol aria-label="How far you are">
        {beads.map(({ id, state, here }, i) => (
          <li key={id} aria-current={here ? 'step' : undefined} style={{ ['--full' as string]: FULL[state].height }}>
            <span className="visually-hidden">
              Question {i + 1}, {FULL[state].words}
            </span>
          </li>
        ))}
      </ol>
      <span className={`saved-state ${saved.fine ? '' : 'off'}`} role="status">
        {left !== null && <strong className="me-3">{left <= 0 ? 'Time is over' : `${timeLeft(left)} left`}</strong>}
        {saved.fine ? (
          <>
            All kept <span className="good">✓</span>
          </>
        ) : (
          saved.text
        )}
      </span>
    </header>
  );
}
