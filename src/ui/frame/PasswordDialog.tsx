'use client';
import { type FormEvent, useEffect, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { changePasswordAction } from '@/actions/sign-in';
import type { Refusal } from '@/core/base/result';
import { Dialog } from '../parts/Dialog';
import { refusalText } from '../words/refusals';
import { replyTo } from '../parts/reply-to';

/** One's own password: the one that holds, and the one that shall. */
export function PasswordDialog({ onClose }: { onClose: () => void }) {
  const [current, setCurrent] = useState('');
  const [wanted, setWanted] = useState('');
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const first = useRef<HTMLInputElement>(null);
  // After the menu that it was opened from has given the focus back.
  useEffect(() => {
    const timer = setTimeout(() => first.current?.focus(), 0);
    return () => clearTimeout(timer);
  }, []);
  const [busy, setBusy] = useState(false);
  const [changed, setChanged] = useState(false);
  const change = async (event: FormEvent): Promise<void> => {
    event.preventDefault();
    if (busy) return;
    setBusy(true);
    const result = await replyTo(changePasswordAction({ current, wanted }));
    setBusy(false);
    setRefusal(result.ok ? null : result.refusal);
    setChanged(result.ok);
  };
  if (changed) {
    return (
      <Dialog title="Your password" onClose={onClose}>
        <p className="good mb-0" role="status">
          ✓ It is changed. Wherever else you were signed in, you are no more.
        </p>
      </Dialog>
    );
  }
  const trouble = refusal && (
    <p className="trouble mb-0" role="alert" id="password-trouble">
      {refusalText(refusal)}
    </p>
  );
  const aboutCurrent = refusal?.at?.[0] !== 'wanted';
  return (
    <Dialog
      title="Your password"
      onClose={onClose}
      acts={
        <Button type="submit" form="own-password" disabled={busy || current === '' || wanted === ''}>
          Change it
        </Button>
      }
    >
      <form id="own-password" onSubmit={change}>
        <label className="form-label" htmlFor="current-password">
          The one that holds now
        </label>
        <input
          id="current-password"
          type="password"
          className="form-control mb-1"
          autoComplete="current-password"
          ref={first}
          value={current}
          aria-describedby={trouble && aboutCurrent ? 'password-trouble' : undefined}
          onChange={(e) => setCurrent(e.target.value)}
        />
        {aboutCurrent && trouble}
        <label className="form-label mt-3" htmlFor="wanted-password">
          The new one
        </label>
        <input
          id="wanted-password"
          type="password"
          className="form-control mb-1"
          autoComplete="new-password"
          value={wanted}
          aria-describedby={trouble && !aboutCurrent ? 'password-trouble' : 'password-advice'}
          onChange={(e) => setWanted(e.target.value)}
        />
        {aboutCurrent ? (
          <p className="soft mb-0" id="password-advice">
            Ten signs or more; several words are easy to keep in mind.
          </p>
        ) : (
          trouble
        )}
      </form>
    </Dialog>
  );
}
