'use client';
import { useState } from 'react';
import Dropdown from 'react-bootstrap/Dropdown';
import { signOutAction } from '@/actions/sign-in';
import { Dialog } from '../parts/Dialog';
import { replyTo } from '../parts/reply-to';
import { Trouble } from '../parts/Trouble';
import { refusalText } from '../words/refusals';
import { PasswordDialog } from './PasswordDialog';
import { toggleLamp } from './theme';

/** Who is signed in, and what concerns only them. */
export function Person({ name, role }: { name: string; role: string }) {
  const [password, setPassword] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const signOut = async (): Promise<void> => {
    const result = await replyTo(signOutAction());
    if (!result.ok) setTrouble(refusalText(result.refusal));
  };
  const initials = name
    .split(' ')
    .map((part) => part[0])
    .join('')
    .slice(0, 2);
  return (
    <>
      <Dropdown className="person" align="end">
        <Dropdown.Toggle aria-label={`${name}, ${role}`}>{initials}</Dropdown.Toggle>
        <Dropdown.Menu>
          <Dropdown.Header>
            {name}, {role}
          </Dropdown.Header>
          <Dropdown.Item as="button" onClick={toggleLamp}>
            Lamp or daylight
          </Dropdown.Item>
          <Dropdown.Item as="button" aria-haspopup="dialog" onClick={() => setPassword(true)}>
            Your password…
          </Dropdown.Item>
          <Dropdown.Item as="button" onClick={() => void signOut()}>
            Sign out
          </Dropdown.Item>
        </Dropdown.Menu>
      </Dropdown>
      {password && <PasswordDialog onClose={() => setPassword(false)} />}
      {trouble && (
        <Dialog title="You are still signed in" onClose={() => setTrouble(null)}>
          <Trouble>{trouble}</Trouble>
        </Dialog>
      )}
    </>
  );
}
