'use client';
import { useId, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { Dialog } from '../parts/Dialog';
import { plural } from '../words/marks';

/** Asks why something is put in the place of what was reckoned; it stands in the history with it. */
export function WhyDialog({
  count,
  onSay,
  onClose,
}: {
  count: number;
  onSay: (reason: string) => void;
  onClose: () => void;
}) {
  const [reason, setReason] = useState('');
  const field = useId();
  return (
    <Dialog
      title={count === 1 ? 'Change what was reckoned' : `Change ${plural(count, 'cell')}`}
      onClose={onClose}
      onSubmit={() => reason.trim() !== '' && onSay(reason.trim())}
      acts={
        <Button type="submit" disabled={reason.trim() === ''}>
          Change it
        </Button>
      }
    >
      <label htmlFor={field}>Why? It stands in the history of the cell.</label>
      <input
        id={field}
        className="form-control"
        maxLength={500}
        autoFocus
        value={reason}
        onChange={(e) => setReason(e.target.value)}
      />
    </Dialog>
  );
}
