import type { NotTaken } from '@/core/gradebook/bring-in';
import { notTakenText } from '../words/gradebook';
import { plural } from '../words/marks';

/** So many are named. */
const NAMED = 20;

/** What of a block or a file is not taken, and why. Nothing stands there while all is. */
export function LeftOut({ bad, what }: { bad: readonly NotTaken[]; what: 'cell' | 'line' }) {
  if (bad.length === 0) return null;
  return (
    <div className="advice my-2">
      <p className="mb-1">
        <strong>{plural(bad.length, what)} left out:</strong>
      </p>
      <ul className="mb-0">
        {bad.slice(0, NAMED).map((one, i) => (
          <li key={i}>{notTakenText(one)}</li>
        ))}
        {bad.length > NAMED && <li>and {bad.length - NAMED} more</li>}
      </ul>
    </div>
  );
}
