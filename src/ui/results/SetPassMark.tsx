'use client';
import { useId, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { setPassMarkAction } from '@/actions/pass-marks';
import { exact, shown } from '@/core/base/exact';
import type { Results } from '@/server/results/results';
import { Dialog } from '../parts/Dialog';
import { PercentInput } from '../parts/PercentInput';
import { Trouble } from '../parts/Trouble';
import { plural } from '../words/marks';
import { refusalText } from '../words/refusals';
import { passes } from './outcome';
import { replyTo } from '../parts/reply-to';

interface Props {
  results: Results;
  percent: string;
  basis: string;
  onClose: () => void;
}

/** Sets the pass mark with its reason, after saying by name whom it moves. */
export function SetPassMark({ results, percent: proposed, basis, onClose }: Props) {
  const [percent, setPercent] = useState(shown(exact(proposed), 3));
  const [reason, setReason] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const field = useId();
  const before = results.boundaries.passPercent;
  const moved = results.rows
    .map((row) => ({ name: row.name, was: passes(row, results, before), is: passes(row, results, percent) }))
    .filter(({ was, is }) => was !== is);
  const set = async (): Promise<void> => {
    setBusy(true);
    const result = await replyTo(
      setPassMarkAction({ sitting: results.sitting, base: results.version, percent, basis, reason }),
    );
    setBusy(false);
    if (result.ok) onClose();
    else setTrouble(refusalText(result.refusal));
  };
  return (
    <Dialog
      title="Set the pass mark"
      onClose={onClose}
      acts={
        <Button disabled={busy} onClick={set}>
          Set it to {percent} %
        </Button>
      }
    >
      <p className="d-flex gap-2 align-items-center flex-wrap">
        From {shown(exact(before), 3)} % to
        <PercentInput label="New pass mark" value={percent} onChange={setPercent} />
      </p>
      {basis && <p className="soft">{basis}</p>}
      {moved.length === 0 ? (
        <p>Nobody who has handed in passes or fails by it.</p>
      ) : (
        <details className="mb-3">
          <summary>
            {plural(moved.filter(({ is }) => is).length, 'student')} more would pass,{' '}
            {moved.filter(({ was }) => was).length} no longer
          </summary>
          <ul className="mb-0">
            {moved.map(({ name, is }, i) => (
              <li key={i} dir="auto">
                {name}: {is ? <span className="good">passes</span> : <span className="wrong">no longer passes</span>}
              </li>
            ))}
          </ul>
        </details>
      )}
      {results.releasedAt !== null && moved.length > 0 && (
        <p className="advice">Results are released: students see the change at once.</p>
      )}
      <label htmlFor={field} className="fw-bold">
        Why
      </label>
      <textarea
        id={field}
        className="form-control"
        rows={2}
        maxLength={1000}
        value={reason}
        onChange={(e) => setReason(e.target.value)}
      />
      <Trouble>{trouble}</Trouble>
    </Dialog>
  );
}
