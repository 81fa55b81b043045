'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { joinGroupAction, leaveGroupAction } from '@/actions/own';
import type { Result } from '@/core/base/result';
import type { OwnGroups as OwnGroupsOf } from '@/server/people/own-groups';
import { Trouble } from '../parts/Trouble';
import { listed } from '../words/marks';
import { refusalText } from '../words/refusals';
import { replyTo } from '../parts/reply-to';

/** The groups of a course, which its students form themselves. */
export function OwnGroups({ of: { course, title, most, groups } }: { of: OwnGroupsOf }) {
  const [name, setName] = useState('');
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const act = async (work: Promise<Result<null>>): Promise<void> => {
    setBusy(true);
    const result = await replyTo(work);
    setBusy(false);
    setTrouble(result.ok ? null : refusalText(result.refusal));
    if (result.ok) setName('');
  };
  return (
    <section className="sheet plain" aria-label={`Groups of ${title}`}>
      <h2 className="fs-6 fw-bold">Groups of {title}</h2>
      <p className="soft">You form them yourselves, of at most {most}.</p>
      {groups.map(({ id, name: called, members, mine }) => (
        <div key={id} className="d-flex align-items-center gap-3 py-1">
          <div className="me-auto">
            <strong dir="auto">{called}</strong>
            <div className="soft" dir="auto">
              {members.length === 0 ? 'nobody yet' : listed(members)}
            </div>
          </div>
          {mine ? (
            <Button variant="quiet" disabled={busy} onClick={() => act(leaveGroupAction({ course }))}>
              Leave
            </Button>
          ) : members.length < most ? (
            <Button
              variant="outline-primary"
              disabled={busy}
              aria-label={`Join ${called}`}
              onClick={() => act(joinGroupAction({ course, group: id, name: '' }))}
            >
              Join
            </Button>
          ) : (
            <span className="soft">full</span>
          )}
        </div>
      ))}
      <form
        className="d-flex gap-2 mt-2"
        onSubmit={(e) => {
          e.preventDefault();
          void act(joinGroupAction({ course, group: null, name }));
        }}
      >
        <input
          className="form-control"
          aria-label={`Name of a new group of ${title}`}
          placeholder="A new group"
          maxLength={80}
          value={name}
          onChange={(e) => setName(e.target.value)}
        />
        <Button type="submit" variant="outline-primary" disabled={busy || name.trim() === ''}>
          Begin it
        </Button>
      </form>
      <Trouble className="mt-2">{trouble}</Trouble>
    </section>
  );
}
