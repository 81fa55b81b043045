'use client';
import { useEffect, useRef, useState } from 'react';
import type { DrawnQuestion } from '../sheet/draw-sections';
import { Trouble } from '../parts/Trouble';

interface Props {
  empty: DrawnQuestion[];
  half: DrawnQuestion[];
  later: DrawnQuestion[];
  trouble: string | null;
  onLeave: () => void;
  onGo: (item: string) => void;
  onHandIn: () => Promise<void>;
}

/** Asks before handing in, with what is empty, partly answered, or marked to come back to. */
export function HandInDialog({ empty, half, later, trouble, onLeave, onGo, onHandIn }: Props) {
  const dialog = useRef<HTMLDialogElement>(null);
  const [busy, setBusy] = useState(false);
  useEffect(() => {
    dialog.current?.showModal();
  }, []);
  const line = (words: string, items: DrawnQuestion[]) =>
    items.length > 0 && (
      <p>
        {words}{' '}
        {items.map((i, n) => (
          <span key={i.id}>
            {n > 0 && ', '}
            <button type="button" className="btn-link-plain fw-bold" onClick={() => onGo(i.id)}>
              {i.number}
            </button>
          </span>
        ))}
      </p>
    );
  return (
    <dialog
      ref={dialog}
      className="sheet plain border-0"
      style={{ maxWidth: 440, width: 'calc(100% - 32px)', color: 'var(--ink)' }}
      aria-labelledby="hand-in"
      onCancel={onLeave}
    >
      <h2 className="fs-5 fw-bold" id="hand-in">
        Hand in?
      </h2>
      {line('Not answered:', empty)}
      {line('Partly answered:', half)}
      {line('Marked to come back to:', later)}
      {empty.length + half.length + later.length === 0 && <p>Every question is answered.</p>}
      <p className="soft">Afterwards you can no longer change anything.</p>
      <Trouble>{trouble}</Trouble>
      <div className="d-flex gap-2 justify-content-end">
        <button type="button" className="btn btn-outline-primary" onClick={onLeave}>
          Go on writing
        </button>
        <button
          type="button"
          className="btn btn-primary"
          disabled={busy}
          onClick={async () => {
            setBusy(true);
            await onHandIn();
            setBusy(false);
          }}
        >
          Hand in
        </button>
      </div>
    </dialog>
  );
}
