'use client';
import { useEffect, useRef, useState } from 'react';
import type { DrawnQuestion } from '../sheet/draw-sections';
import { Trouble } from '../parts/Trouble';

const WORDS = {
  paper: {
    title: 'Are you done?',
    after: 'Afterwards you can no longer change anything.',
    stay: 'Go on writing',
  },
  part: {
    title: 'Leave this part?',
    after: 'There is no way back to it.',
    stay: 'Stay here',
  },
};

interface Props {
  /** What is left for good: the whole paper, or a part of it. */
  leaving: keyof typeof WORDS;
  /** The word on the button that leaves it. */
  act: string;
  empty: DrawnQuestion[];
  half: DrawnQuestion[];
  later: DrawnQuestion[];
  trouble: string | null;
  onStay: () => void;
  onGo: (item: string) => void;
  onLeaving: () => Promise<void>;
}

/** Asks before a paper or a part of it is left for good, with what is empty, partly answered, or marked to come back to. */
export function LeavingDialog({ leaving, act, empty, half, later, trouble, onStay, onGo, onLeaving }: Props) {
  const { title, after, stay } = WORDS[leaving];
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
      onCancel={onStay}
    >
      <h2 className="fs-5 fw-bold" id="hand-in">
        {title}
      </h2>
      {line('Not answered:', empty)}
      {line('Partly answered:', half)}
      {line('Marked to come back to:', later)}
      {empty.length + half.length + later.length === 0 && <p>Every question is answered.</p>}
      <p className="soft">{after}</p>
      <Trouble>{trouble}</Trouble>
      <div className="d-flex gap-2 justify-content-end">
        <button type="button" className="btn btn-outline-primary" onClick={onStay}>
          {stay}
        </button>
        <button
          type="button"
          className="btn btn-primary"
          disabled={busy}
          onClick={async () => {
            setBusy(true);
            await onLeaving();
            setBusy(false);
          }}
        >
          {act}
        </button>
      </div>
    </dialog>
  );
}
