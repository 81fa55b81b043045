'use client';
import { useId, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { setCertificateAction } from '@/actions/results';
import { CERTIFICATE_VALUES } from '@/core/results/certificate';
import { Dialog } from '../parts/Dialog';
import { Trouble } from '../parts/Trouble';
import { refusalText } from '../words/refusals';
import { replyTo } from '../parts/reply-to';

const FIRST = '[name] passed [exam] in [course] on [date] with [percent].';

interface Props {
  sitting: string;
  /** Null where none is given out. */
  text: string | null;
  onClose: () => void;
}

/** What a certificate of passing says, or that there is none. */
export function CertificateDialog({ sitting, text, onClose }: Props) {
  const [typed, setTyped] = useState(text ?? FIRST);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const field = useId();
  const keep = async (next: string | null): Promise<void> => {
    setBusy(true);
    const result = await replyTo(setCertificateAction({ sitting, text: next }));
    setBusy(false);
    if (result.ok) onClose();
    else setTrouble(refusalText(result.refusal));
  };
  return (
    <Dialog
      title="Certificate of passing"
      onClose={onClose}
      acts={
        <>
          {text !== null && (
            <Button variant="outline-primary" disabled={busy} onClick={() => keep(null)}>
              Give none out
            </Button>
          )}
          <Button disabled={busy} onClick={() => keep(typed)}>
            {text === null ? 'Give it out' : 'Keep'}
          </Button>
        </>
      }
    >
      <p>
        Whoever passes opens and prints it with their released result. It bears a number; with that number anybody can
        see on the page “check” that it holds.
      </p>
      <label htmlFor={field}>What it says</label>
      <textarea
        id={field}
        className="form-control"
        rows={4}
        maxLength={2000}
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
      />
      <p className="soft mb-0">Filled in: {CERTIFICATE_VALUES.map((name) => `[${name}]`).join(' ')}</p>
      <Trouble>{trouble}</Trouble>
    </Dialog>
  );
}
