import { useDraggable } from '@dnd-kit/core';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { RosterRow } from '@/server/people/roster';

interface Props {
  student: RosterRow;
  groups: { id: string; name: string }[];
  onEmail: (email: string) => Promise<boolean>;
  onSubjects: (subjects: string[]) => Promise<boolean>;
  onGroup: (group: string | null) => void;
  onOut: () => void;
}

/** One student of a course; dragged onto a group by the name. */
export function RosterLine({ student, groups, onEmail, onSubjects, onGroup, onOut }: Props) {
  const { id, name, userName, email, subjects, group } = student;
  const { listeners, setNodeRef, transform, isDragging } = useDraggable({ id });
  const [typed, setTyped] = useState<string | null>(null);
  const [leaving, setLeaving] = useState(false);
  /** What is typed stands until it is kept. */
  const keep = async (): Promise<void> => {
    if (typed === null) return;
    const next = subjectsIn(typed);
    if (next.join() === subjects.join() || (await onSubjects(next))) setTyped((now) => (now === typed ? null : now));
  };
  return (
    <tr>
      <td dir="auto">
        <span
          ref={setNodeRef}
          {...listeners}
          className={`roster-name ${isDragging ? 'dragged' : ''}`}
          style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
        >
          {name}
        </span>
      </td>
      <td className="mono">{userName}</td>
      <td>
        <input
          className="bare"
          type="email"
          title={email ?? undefined}
          aria-label={`E-mail address of ${name}`}
          placeholder="none"
          defaultValue={email ?? ''}
          maxLength={300}
          onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
          onBlur={(e) => e.target.value.trim() !== (email ?? '') && void onEmail(e.target.value)}
        />
      </td>
      <td>
        <input
          className="bare"
          aria-label={`Subjects of ${name}, with commas between`}
          placeholder="none"
          value={typed ?? subjects.join(', ')}
          maxLength={2000}
          onChange={(e) => setTyped(e.target.value)}
          onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
          onBlur={() => void keep()}
        />
      </td>
      <td>
        <select
          className="form-select form-select-sm w-auto"
          aria-label={`Group of ${name}`}
          value={group ?? ''}
          onChange={(e) => onGroup(e.target.value || null)}
        >
          <option value="">none</option>
          {groups.map((one) => (
            <option key={one.id} value={one.id}>
              {one.name}
            </option>
          ))}
        </select>
      </td>
      <td className="text-end text-nowrap">
        {leaving ? (
          <>
            <Button variant="outline-primary" size="sm" onClick={onOut}>
              Take out
            </Button>{' '}
            <Button variant="quiet" onClick={() => setLeaving(false)}>
              Cancel
            </Button>
          </>
        ) : (
          <Button variant="quiet" aria-label={`Take ${name} out of the course`} onClick={() => setLeaving(true)}>
            ×
          </Button>
        )}
      </td>
    </tr>
  );
}

/** Subjects as they are typed with commas between. */
function subjectsIn(typed: string): string[] {
  const all = typed.split(/[,;]/).map((one) => one.trim().slice(0, 80));
  return [...new Set(all.filter(Boolean))].slice(0, 30);
}
