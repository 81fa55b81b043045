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
  /** Whether something was done; what was not is said. */
  keep: (work: Promise<Result<null>>) => Promise<boolean>;
}

/** The groups of a course: made one by one, or dealt at random. */
export function GroupsNote({ roster, keep }: Props) {
  const [size, setSize] = useState(4);
  const [dealing, setDealing] = useState(false);
  const [name, setName] = useState('');
  const course = roster.id;
  const deal = (): void => {
    setDealing(false);
    void keep(dealGroupsAction({ course, size }));
  };
  const add = async (): Promise<void> => {
    if (await keep(nameGroupAction({ course, group: null, name }))) setName('');
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
          onChange={(on) => void keep(setOwnGroupsAction({ course, most: on ? Math.max(2, size) : null }))}
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
              onChange={(most) => most !== null && void keep(setOwnGroupsAction({ course, most }))}
            />
          </>
        )}
      </div>
      {roster.groups.map((group) => (
        <GroupNote
          key={group.id}
          group={group}
          people={roster.students.filter((one) => one.group === group.id)}
          onName={(next) => keep(nameGroupAction({ course, group: group.id, name: next }))}
          onRemove={() => void keep(removeGroupAction({ course, group: group.id }))}
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
  onName: (name: string) => Promise<boolean>;
  onRemove: () => void;
}

function GroupNote({ group, people, onName, onRemove }: GroupProps) {
  const { setNodeRef, isOver } = useDroppable({ id: group.id });
  const [typed, setTyped] = useState<string | null>(null);
  const [asking, setAsking] = useState(false);
  /** What is typed stands until it is kept. */
  const keep = async (): Promise<void> => {
    const next = typed?.trim() ?? '';
    if (next === '' || next === group.name || (await onName(next))) setTyped((now) => (now === typed ? null : now));
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
          onBlur={() => void keep()}
        />
        <Button
          variant="quiet"
          aria-label={`Take ${group.name} apart`}
          aria-expanded={asking}
          onClick={() => (people.length === 0 ? onRemove() : setAsking(!asking))}
        >
          ×
        </Button>
      </div>
      {asking && (
        <p className="mb-1">
          All leave the group.{' '}
          <Button variant="outline-primary" size="sm" onClick={onRemove}>
            Take it apart
          </Button>{' '}
          <Button variant="quiet" onClick={() => setAsking(false)}>
            Cancel
          </Button>
        </p>
      )}
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
