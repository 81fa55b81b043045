'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { openAgainAction, signOffAction } from '@/actions/gradebook';
import type { Gradebook } from '@/server/gradebook/gradebook';
import { Dialog } from '../parts/Dialog';
import { Trouble } from '../parts/Trouble';
import { refusalText } from '../words/refusals';
import { dayAndTime } from '../words/time';
import { replyTo } from '../parts/reply-to';

/** Signs a course off at the end of a term, or opens it again. */
export function SignOff({ course, signed }: { course: string; signed: Gradebook['signed'] }) {
  const [asking, setAsking] = useState(false);
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const act = async (): Promise<void> => {
    setBusy(true);
    const result = await (signed ? replyTo(openAgainAction(course)) : signOffAction(course));
    setBusy(false);
    if (result.ok) setAsking(false);
    else setTrouble(refusalText(result.refusal));
  };
  return (
    <>
      <Button variant={signed ? 'outline-primary' : 'primary'} aria-haspopup="dialog" onClick={() => setAsking(true)}>
        {signed ? `Signed off ${dayAndTime(signed.at)}…` : 'Sign off…'}
      </Button>
      {asking && (
        <Dialog
          title={signed ? 'Open the gradebook again' : 'Sign the gradebook off'}
          onClose={() => setAsking(false)}
          acts={
            <Button disabled={busy} onClick={act}>
              {signed ? 'Open it again' : 'Sign it off'}
            </Button>
          }
        >
          <p className="mb-0">
            {signed
              ? `${signed.by} signed these grades off. Opened again, cells and rules can be changed; students see the grades as they are reckoned then.`
              : 'The final grades are kept as they stand now, and students read that they are final. Nobody changes cells or rules until you open the gradebook again.'}
          </p>
          <Trouble>{trouble}</Trouble>
        </Dialog>
      )}
    </>
  );
}
