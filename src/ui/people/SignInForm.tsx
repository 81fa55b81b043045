'use client';
import { useActionState } from 'react';
import Button from 'react-bootstrap/Button';
import { signInAction } from '@/actions/sign-in';
import { GateBar } from '../frame/GateBar';
import { refusalText } from '../words/refusals';

export function SignInForm({ department, institute }: { department: string; institute: string }) {
  const [state, submit, pending] = useActionState(signInAction, { refusal: null, userName: '' });
  return (
    <>
      <GateBar />
      <main className="gate">
        <form className="sheet plain" action={submit}>
          <h1 className="fs-5 fw-bold mb-0">Sign in</h1>
          <p className="soft mb-4">
            {department}, {institute}
          </p>
          <label className="form-label" htmlFor="userName">
            User name
          </label>
          <input
            id="userName"
            name="userName"
            className="form-control mb-3 py-2"
            autoComplete="username"
            autoCapitalize="none"
            required
            defaultValue={state.userName}
          />
          <label className="form-label" htmlFor="password">
            Password
          </label>
          <input
            id="password"
            name="password"
            type="password"
            className="form-control py-2"
            autoComplete="current-password"
            required
            aria-describedby={state.refusal ? 'trouble' : undefined}
          />
          {state.refusal && (
            <p id="trouble" role="alert" className="trouble">
              {refusalText(state.refusal)}
            </p>
          )}
          <Button type="submit" className="w-100 mt-4 py-2" disabled={pending}>
            {pending ? 'Signing in…' : 'Sign in'}
          </Button>
        </form>
      </main>
    </>
  );
}
