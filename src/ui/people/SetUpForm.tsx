'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { setUpAction } from '@/actions/set-up';
import { LEAST_PASSWORD } from '@/core/people/password';
import { GateBar } from '../frame/GateBar';
import { CheckLine } from '../parts/CheckLine';
import { SaidLine } from '../parts/SaidLine';
import { Trouble } from '../parts/Trouble';
import { useAct } from '../parts/use-act';

const NOTHING = { name: '', institute: '', person: '', userName: '', password: '', word: '' };
type Field = keyof typeof NOTHING;

/** Names the department and makes the account of whoever leads it, once. */
export function SetUpForm() {
  const router = useRouter();
  const [said, setSaid] = useState(NOTHING);
  const [shown, setShown] = useState(false);
  /** Stays set while the next page comes. */
  const [done, setDone] = useState(false);
  const { busy, act, troubleAt, troubleBeside } = useAct();
  const setUp = () =>
    act(
      () => setUpAction(said),
      () => {
        setDone(true);
        router.replace('/department');
      },
    );
  const line = (field: Field) => ({
    value: said[field],
    trouble: troubleAt(field),
    required: field !== 'institute',
    onChange: (value: string) => setSaid({ ...said, [field]: value }),
  });
  return (
    <>
      <GateBar />
      <main className="gate">
        <form
          className="sheet plain"
          onSubmit={(e) => {
            e.preventDefault();
            if (!done) void setUp();
          }}
        >
          <h1 className="fs-5 fw-bold mb-0">Set up your department</h1>
          <p className="soft mb-4">This is asked once; what you say here can be changed later.</p>
          <SaidLine words="Name of the department" {...line('name')} />
          <SaidLine words="School or institute" advice="It stands on prints and certificates." {...line('institute')} />
          <h2 className="fs-6 fw-bold mt-4">You lead it</h2>
          <SaidLine words="Your name" autoComplete="name" {...line('person')} />
          <SaidLine
            words="User name"
            advice="What you sign in with."
            autoComplete="username"
            mono
            {...line('userName')}
          />
          <SaidLine
            words="Password"
            advice={`${LEAST_PASSWORD} signs or more; several words are easy to keep in mind.`}
            autoComplete="new-password"
            type={shown ? 'text' : 'password'}
            {...line('password')}
          />
          <CheckLine checked={shown} onChange={setShown} className="mb-3">
            show the password
          </CheckLine>
          <SaidLine
            words="Word of the server"
            advice="The server said it when it started; it also stands in the file set-up-word of its data folder."
            mono
            {...line('word')}
          />
          <Trouble>{troubleBeside(Object.keys(NOTHING))}</Trouble>
          <Button type="submit" className="w-100 mt-2 py-2" disabled={busy || done}>
            {busy || done ? 'Setting up…' : 'Set it up'}
          </Button>
        </form>
      </main>
    </>
  );
}
