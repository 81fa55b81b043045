import { useDroppable } from '@dnd-kit/core';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { dealGroupsAction, nameGroupAction, removeGroupAction, setOwnGroupsAction } from '@/actions/department';
import type { Result } from '@/core/base/result';
import type { Roster, RosterRow } from '@/server/people/roster';
import { CheckLine } from '../parts/CheckLine';
import { CountInput } from '../parts/CountInput';
import { plural } from '../words/marks';

interface Props {
  roster: Roster;
  /** Says what could not be done. */
  say: (result: Result<null>) => void;
}

/** The groups of a course: made one by one, or dealt at random. */
export function GroupsNote({ roster, say }: Props) {
  const [size, setSize] = useState(4);
  const [dealing, setDealing] = useState(false);
  const [name, setName] = useState('');
  const course = roster.id;
  const deal = async (): Promise<void> => {
    setDealing(false);
    say(await dealGroupsAction({ course, size }));
  };
  const add = async (): Promise<void> => {
    const result = await nameGroupAction({ course, group: null, name });
    if (result.ok) setName('');
    say(result);
  };
  const alone = roster.students.filter(({ group }) => group === null).length;
  return (
    <aside className="margin" aria-label="Groups">
      <h2>Groups</h2>
      <div className="note">
        <h3>Deal at random</h3>
        <div className="fact-line">
          in groups of
          <CountInput
            label="Students in a group"
            count={size}
            least={1}
            most={200}
            onChange={(count) => setSize(count ?? size)}
          />
          at most
          <Button
            variant="outline-primary"
            disabled={roster.students.length === 0}
            onClick={() => (roster.groups.length > 0 ? setDealing(true) : void deal())}
          >
            Deal
          </Button>
        </div>
        {dealing && (
          <p role="alert">
            <span className="hand">The groups that there are will be gone.</span>{' '}
            <Button variant="outline-primary" onClick={deal}>
              Deal anew
            </Button>{' '}
            <Button variant="quiet" onClick={() => setDealing(false)}>
              Cancel
            </Button>
          </p>
        )}
      </div>
      <div className="note fact-line">
        <CheckLine
          checked={roster.ownGroups !== null}
          onChange={async (on) => say(await setOwnGroupsAction({ course, most: on ? Math.max(2, size) : null }))}
        >
          students form them
        </CheckLine>
        {roster.ownGroups !== null && (
          <>
            of at most
            <CountInput
              label="The most in a group that students form"
              count={roster.ownGroups}
              least={2}
              most={50}
              onChange={async (most) => most !== null && say(await setOwnGroupsAction({ course, most }))}
            />
          </>
        )}
      </div>
      {roster.groups.map((group) => (
        <GroupNote
          key={group.id}
          group={group}
          people={roster.students.filter((one) => one.group === group.id)}
          onName={async (next) => say(await nameGroupAction({ course, group: group.id, name: next }))}
          onRemove={async () => say(await removeGroupAction({ course, group: group.id }))}
        />
      ))}
      <form
        className="note fact-line"
        onSubmit={(e) => {
          e.preventDefault();
          void add();
        }}
      >
        <input
          className="form-control"
          aria-label="Name of a new group"
          placeholder="Name of a new group"
          value={name}
          maxLength={80}
          onChange={(e) => setName(e.target.value)}
        />
        <Button type="submit" variant="outline-primary" disabled={name.trim() === ''}>
          Make it
        </Button>
      </form>
      {roster.groups.length > 0 && alone > 0 && <p className="soft">{plural(alone, 'student')} in no group.</p>}
    </aside>
  );
}

interface GroupProps {
  group: Roster['groups'][number];
  people: RosterRow[];
  onName: (name: string) => Promise<void>;
  onRemove: () => Promise<void>;
}

function GroupNote({ group, people, onName, onRemove }: GroupProps) {
  const { setNodeRef, isOver } = useDroppable({ id: group.id });
  const [typed, setTyped] = useState<string | null>(null);
  const keep = (): void => {
    const next = typed?.trim() ?? '';
    setTyped(null);
    if (next !== '' && next !== group.name) void onName(next);
  };
  return (
    <div ref={setNodeRef} className={`note ${isOver ? 'on tick' : ''}`}>
      <div className="d-flex">
        <input
          className="bare strong"
          aria-label={`Name of ${group.name}`}
          value={typed ?? group.name}
          maxLength={80}
          onChange={(e) => setTyped(e.target.value)}
          onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
          onBlur={keep}
        />
        <Button variant="quiet" aria-label={`Take ${group.name} apart`} onClick={onRemove}>
          ×
        </Button>
      </div>
      <p className="mb-0" dir="auto">
        {people.length === 0 ? (
          <span className="soft">Nobody yet. Drag a name here.</span>
        ) : (
          people.map((one) => one.name).join(', ')
        )}
      </p>
    </div>
  );
}
