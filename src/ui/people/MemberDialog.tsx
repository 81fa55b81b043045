'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { closeAccountAction, keepMemberAction } from '@/actions/department';
import type { MemberRow } from '@/server/people/members';
import { Dialog } from '../parts/Dialog';
import { SaidLine } from '../parts/SaidLine';
import { Trouble } from '../parts/Trouble';
import { useAct } from '../parts/use-act';
import type { GivenPassword } from './GivenPasswords';

type Role = MemberRow['role'];
const STAFF: readonly Role[] = ['teacher', 'marker', 'lead'];
const DOES: Record<Role, string> = {
  teacher: 'teacher: writes questions and exams, runs courses',
  marker: 'marker: marks the answers of courses',
  lead: 'lead: keeps people, courses and policy, and sees all of it',
  student: 'student',
};

const LINES = [
  { field: 'name', words: 'Name' },
  { field: 'userName', words: 'User name' },
  { field: 'email', words: 'E-mail, if there is one' },
] as const;
const PLACES = [...LINES.map(({ field }) => field), 'role'];

interface Props {
  /** Null for somebody new. */
  member: MemberRow | null;
  /** The first password of somebody new. */
  onGiven: (given: GivenPassword) => void;
  onClose: () => void;
}

/** Takes somebody into the department, or says otherwise what they are called and what they do. */
export function MemberDialog({ member, onGiven, onClose }: Props) {
  const [said, setSaid] = useState({
    name: member?.name ?? '',
    userName: member?.userName ?? '',
    email: member?.email ?? '',
    role: member?.role ?? 'teacher',
  });
  const [asking, setAsking] = useState(false);
  const { busy, act, troubleAt, troubleBeside } = useAct();
  const keep = () =>
    act(
      () => keepMemberAction({ id: member?.id ?? null, ...said }),
      ({ userName, password }) => {
        if (password !== null) onGiven({ name: said.name, userName, password });
        onClose();
      },
    );
  const close = (closed: boolean) => act(() => closeAccountAction({ id: member?.id, closed }), onClose);
  const roles = member ? (member.role === 'student' ? [] : STAFF) : [...STAFF, 'student' as const];
  return (
    <Dialog
      title={member ? `What ${member.name} is called and does` : 'Somebody new'}
      onClose={onClose}
      onSubmit={() => void keep()}
      acts={
        <>
          {member && (
            <Button
              variant="quiet"
              disabled={busy || asking}
              onClick={() => (member.closed ? void close(false) : setAsking(true))}
            >
              {member.closed ? 'Open the account again' : 'Close the account…'}
            </Button>
          )}
          <Button type="submit" disabled={busy}>
            {member ? 'Keep it' : 'Take them in'}
          </Button>
        </>
      }
    >
      {LINES.map(({ field, words }, i) => (
        <SaidLine
          key={field}
          words={words}
          value={said[field]}
          first={i === 0}
          mono={field !== 'name'}
          trouble={troubleAt(field)}
          onChange={(value) => setSaid({ ...said, [field]: value })}
        />
      ))}
      {roles.length > 0 && (
        <label className="form-label d-block mb-2">
          What they do
          <select
            className="form-select mt-1"
            value={said.role}
            onChange={(e) => setSaid({ ...said, role: e.target.value as Role })}
          >
            {roles.map((role) => (
              <option key={role} value={role}>
                {DOES[role]}
              </option>
            ))}
          </select>
        </label>
      )}
      <Trouble>{troubleAt('role')}</Trouble>
      {said.role === 'student' && !member && (
        <p className="soft mb-0">Many students at once come from a file, on the page of their course.</p>
      )}
      {member && asking && (
        // Away from the button that asked, which stays where it is, so that a double click asks only.
        <p className="d-flex gap-2 align-items-baseline mb-0">
          <span className="hand">{member.name} is signed out and cannot come in. What they did stays.</span>
          <Button variant="outline-primary" size="sm" disabled={busy} onClick={() => void close(true)}>
            Close it
          </Button>
        </p>
      )}
      <Trouble>{troubleBeside(PLACES)}</Trouble>
    </Dialog>
  );
}
