'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { nameOutsideAction } from '@/actions/outside-gradebook';
import type { OutsideStudent } from '@/server/platforms/outside-book';
import { RowsTable } from '../parts/RowsTable';
import { Trouble } from '../parts/Trouble';
import { plural } from '../words/marks';
import { refusalText } from '../words/refusals';
import { PasteIds } from './PasteIds';
import { replyTo } from '../parts/reply-to';

interface Props {
  course: string;
  students: OutsideStudent[];
}

/** What the platform calls the students of the course. */
export function OutsideStudents({ course, students }: Props) {
  const [typed, setTyped] = useState<ReadonlyMap<string, string>>(new Map());
  const [trouble, setTrouble] = useState<{ member: string | null; text: string } | null>(null);
  const [busy, setBusy] = useState(false);
  const [pasting, setPasting] = useState(false);
  const changed = students.flatMap(({ member, outsideId }) => {
    const next = typed.get(member)?.trim();
    return next === undefined || next === outsideId ? [] : [{ member, outsideId: next }];
  });
  const keep = async (): Promise<void> => {
    setBusy(true);
    const result = await replyTo(nameOutsideAction({ course, ids: changed }));
    setBusy(false);
    if (result.ok) return setTrouble(null);
    const [list, at] = result.refusal.at ?? [];
    const member = list === 'ids' && typeof at === 'number' ? (changed[at]?.member ?? null) : null;
    setTrouble({ member, text: refusalText(result.refusal) });
  };
  return (
    <section className="sheet plain scroll-x" aria-labelledby="outside-students">
      <form
        onSubmit={(e) => {
          e.preventDefault();
          if (changed.length > 0) void keep();
        }}
      >
        <div className="d-flex gap-2 align-items-baseline flex-wrap">
          <h2 id="outside-students" className="fs-6 fw-bold me-auto">
            What the platform calls its students
          </h2>
          <Button variant="quiet" aria-haspopup="dialog" onClick={() => setPasting(true)}>
            From a list…
          </Button>
          <Button type="submit" variant="outline-primary" disabled={busy || changed.length === 0}>
            {changed.length === 0 ? 'Kept' : `Keep ${plural(changed.length, 'id')}`}
          </Button>
        </div>
        {trouble?.member === null && <Trouble>{trouble.text}</Trouble>}
        <RowsTable
          rows={students}
          keyOf={({ member }) => member}
          empty="Nobody is in this course yet."
          columns={[
            { head: 'Student', cell: ({ name }) => <span dir="auto">{name}</span> },
            { head: 'User name', cell: ({ userName }) => <span className="mono">{userName}</span> },
            {
              head: 'Id on the platform',
              cell: ({ member, name, outsideId }) => (
                <>
                  <input
                    className="form-control form-control-sm mono"
                    aria-label={`Id of ${name} on the platform`}
                    value={typed.get(member) ?? outsideId}
                    maxLength={255}
                    autoComplete="off"
                    onChange={(e) => setTyped(new Map(typed).set(member, e.target.value))}
                  />
                  {trouble?.member === member && <Trouble>{trouble.text}</Trouble>}
                </>
              ),
            },
          ]}
        />
      </form>
      {pasting && (
        <PasteIds
          students={students}
          onTake={(ids) => {
            setTyped(new Map([...typed, ...ids.map(({ member, outsideId }) => [member, outsideId] as const)]));
            setPasting(false);
          }}
          onClose={() => setPasting(false)}
        />
      )}
    </section>
  );
}
