'use client';
import { Fragment, type ReactNode, useActionState, useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { enterAsGuestAction } from '@/actions/own';
import { signOutAction } from '@/actions/sign-in';
import type { Refusal } from '@/core/base/result';
import type { SittingByLink } from '@/server/sittings/by-link';
import { GateBar } from '../frame/GateBar';
import { Trouble } from '../parts/Trouble';
import { wordsWith } from '../words/student-words';
import { dayAndTime } from '../words/time';
import { refusalText } from '../words/refusals';
import { EnterForm } from './EnterForm';
import { HowItRunsList } from './HowItRunsList';

interface Props {
  sitting: SittingByLink;
  /** Who is signed in with an account. */
  account: string | null;
  /** A guest of another sitting in this browser. */
  elsewhere: boolean;
  /** The department's time zone. */
  zone: string;
  /** What can be seen of what was handed in. */
  children: ReactNode;
}

/** Where the link of a sitting leads: what it is, and the way in for somebody without an account. */
export function ByLink({ sitting, account, elsewhere, zone, children }: Props) {
  const { attempt, state } = sitting;
  const { begin } = wordsWith(sitting.how.words);
  // Being let in changes the page below; whoever was is led on by what stays.
  const [entered, enter, pending] = useActionState(enterAsGuestAction, null);
  useEffect(() => {
    if (entered?.ok) window.location.assign(entered.value);
  }, [entered]);
  return (
    <>
      <GateBar />
      <main className={attempt?.handedInAt ? '' : 'gate'}>
        <div className={attempt?.handedInAt ? 'page handed-in-by-link' : ''}>
          <div className="sheet plain">
            <h1 className="fs-5 fw-bold mb-0">{sitting.title}</h1>
            <p className="soft mb-4">
              {sitting.department}, {sitting.institute}
            </p>
            {attempt?.handedInAt ? (
              <>
                <p>
                  You have handed in.{' '}
                  {account === null &&
                    'What can be seen of it comes to this page, on this device and for two weeks. Leave it when it is not yours.'}
                </p>
                {sitting.again !== null && state === 'open' && (
                  <div className="mb-3">
                    <EnterForm
                      sitting={sitting.id}
                      coded={sitting.coded && account !== null}
                      number={sitting.again}
                      begin={begin}
                    />
                  </div>
                )}
                {account === null && (
                  <form action={signOutAction}>
                    <Button type="submit" variant="outline-primary">
                      Leave
                    </Button>
                  </form>
                )}
              </>
            ) : attempt ? (
              // A full load on purpose: see EnterForm.
              <a className="btn btn-primary w-100 py-2" href={`/room/${attempt.id}`}>
                Go on
              </a>
            ) : state === 'before' ? (
              <p className="mb-0">
                {sitting.byHand
                  ? 'It opens when the teacher says so.'
                  : `It opens ${dayAndTime(sitting.opensAt, zone)}.`}
              </p>
            ) : state === 'closed' ? (
              <p className="mb-0">It is over.</p>
            ) : sitting.as !== null ? (
              <>
                <HowItRunsList how={sitting.how} zone={zone} />
                <p>{sitting.as ? `You take part as ${sitting.as}.` : 'You take part without a name.'}</p>
                <EnterForm sitting={sitting.id} coded={sitting.coded && account !== null} begin={begin} />
              </>
            ) : (
              <>
                <HowItRunsList how={sitting.how} zone={zone} />
                <GuestForm
                  sitting={sitting}
                  account={account}
                  elsewhere={elsewhere}
                  refusal={entered && !entered.ok ? entered.refusal : null}
                  enter={enter}
                  pending={pending}
                />
              </>
            )}
          </div>
        </div>
        {children}
      </main>
    </>
  );
}

interface GuestProps extends Pick<Props, 'sitting' | 'account' | 'elsewhere'> {
  refusal: Refusal | null;
  enter: (form: FormData) => void;
  pending: boolean;
}

function GuestForm({ sitting, account, elsewhere, refusal, enter, pending }: GuestProps) {
  const { begin } = wordsWith(sitting.how.words);
  // What was typed stays when it was refused.
  const [name, setName] = useState('');
  const [said, setSaid] = useState<Record<number, string>>({});
  const atName = refusal?.at?.[0] === 'name';
  return (
    <form action={enter}>
      <input type="hidden" name="sitting" value={sitting.id} />
      {account !== null && (
        <p className="advice">
          You are signed in as {account}, who does not take part. Going on as a guest signs you out.
        </p>
      )}
      {elsewhere && (
        <p className="advice">
          In this browser you are a guest of another sitting. Beginning here leaves it, and there is no way back to it.
        </p>
      )}
      <label className="form-label" htmlFor="name">
        Your name
      </label>
      <input
        id="name"
        name="name"
        className="form-control py-2"
        autoComplete="name"
        required
        maxLength={200}
        value={name}
        onChange={(e) => setName(e.target.value)}
      />
      {refusal && atName && <Trouble>{refusalText(refusal)}</Trouble>}
      {sitting.guestFields.map((field, i) => (
        <Fragment key={field.label}>
          <label className="form-label mt-3" htmlFor={`said-${i}`}>
            {field.label} {!field.required && <span className="soft">if you like</span>}
          </label>
          <input
            id={`said-${i}`}
            name="said"
            type={field.is === 'email' ? 'email' : 'text'}
            className="form-control py-2"
            autoComplete={field.is === 'email' ? 'email' : 'off'}
            required={field.required}
            maxLength={200}
            value={said[i] ?? ''}
            onChange={(e) => setSaid({ ...said, [i]: e.target.value })}
          />
          {refusal?.at?.[0] === 'said' && refusal.at[1] === i && <Trouble>{refusalText(refusal)}</Trouble>}
        </Fragment>
      ))}
      {sitting.coded && (
        <>
          <label className="form-label mt-3" htmlFor="code">
            Code
          </label>
          <input
            id="code"
            name="code"
            className="form-control py-2"
            autoComplete="off"
            autoCapitalize="characters"
            required
            maxLength={60}
          />
        </>
      )}
      {refusal && !atName && refusal.at?.[0] !== 'said' && <Trouble>{refusalText(refusal)}</Trouble>}
      <Button type="submit" className="w-100 mt-4 py-2" disabled={pending}>
        {pending ? 'Opening…' : begin}
      </Button>
      <p className="soft mt-3 mb-0">
        The time begins when you do. On another device you would begin anew: stay on this one.
      </p>
    </form>
  );
}
