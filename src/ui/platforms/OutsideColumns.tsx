'use client';
import { useState } from 'react';
import { connectOutsideAction } from '@/actions/outside-gradebook';
import { exact, shown } from '@/core/base/exact';
import type { OutsideBook, OutsideColumn } from '@/server/platforms/outside-book';
import { RowsTable } from '../parts/RowsTable';
import { Trouble } from '../parts/Trouble';
import { refusalText } from '../words/refusals';

/** Which columns are told outside, and how far that is. */
export function OutsideColumns({ book: { course, connected, columns } }: { book: OutsideBook }) {
  const [told, setTold] = useState<ReadonlySet<string>>(new Set(columns.filter((one) => one.told).map(({ id }) => id)));
  const [trouble, setTrouble] = useState<string | null>(null);
  const choose = async (id: string, on: boolean): Promise<void> => {
    const next = new Set(on ? [...told, id] : [...told].filter((one) => one !== id));
    setTold(next);
    const result = await connectOutsideAction({ course: course.id, ...connected, columns: [...next] });
    setTrouble(result.ok ? null : refusalText(result.refusal));
  };
  return (
    <section className="sheet plain mb-3 scroll-x" aria-labelledby="outside-columns">
      <h2 id="outside-columns" className="fs-6 fw-bold">
        Columns
      </h2>
      <Trouble>{trouble}</Trouble>
      <RowsTable
        rows={columns}
        keyOf={({ id }) => id}
        columns={[
          {
            head: 'Sent',
            cell: ({ id, title }) => (
              <input
                type="checkbox"
                className="form-check-input"
                aria-label={`Send ${title}`}
                checked={told.has(id)}
                onChange={(e) => void choose(id, e.target.checked)}
              />
            ),
          },
          { head: 'Column', cell: ({ title, released }) => <span className={released ? '' : 'soft'}>{title}</span> },
          { head: 'Of', figure: true, cell: ({ of }) => (of === null ? 'differs' : shown(exact(of))) },
          { head: 'Arrived', figure: true, cell: ({ arrived }) => arrived },
          { head: 'State', cell: (one) => stateOf(one) },
        ]}
      />
    </section>
  );
}

function stateOf({ released, told, news, waiting, failed }: OutsideColumn) {
  if (!released) return <span className="soft">not released yet</span>;
  if (!told) return <span className="soft">not sent</span>;
  const said = [
    ...(waiting > 0 ? [`${waiting} on the way`] : []),
    ...(failed > 0 ? [`${failed} did not arrive`] : []),
    ...(news > failed ? [`${news} new or changed`] : []),
  ];
  return said.length > 0 ? <span className="hand">{said.join(', ')}</span> : <span className="good">up to date</span>;
}
