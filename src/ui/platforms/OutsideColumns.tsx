'use client';
import { useRef, useState } from 'react';
import { connectOutsideAction } from '@/actions/outside-gradebook';
import { exact, shown } from '@/core/base/exact';
import type { OutsideBook, OutsideColumn } from '@/server/platforms/outside-book';
import { newestAtATime } from '../parts/one-at-a-time';
import { RowsTable } from '../parts/RowsTable';
import { Trouble } from '../parts/Trouble';
import { useAskedBeforeLeaving } from '../parts/use-asked-before-leaving';
import { refusalText } from '../words/refusals';
import { notReached, replyTo } from '../parts/reply-to';

/** Which columns are told outside, and how far that is. */
export function OutsideColumns({ book: { course, connected, columns } }: { book: OutsideBook }) {
  /** What was clicked here goes before what the server said last, which may be older. */
  const [clicked, setClicked] = useState<ReadonlyMap<string, boolean>>(new Map());
  const newest = useRef(clicked);
  const [kept, setKept] = useState(clicked);
  const [line] = useState(newestAtATime);
  const [trouble, setTrouble] = useState<string | null>(null);
  useAskedBeforeLeaving(clicked !== kept && trouble === null);
  const isTold = ({ id, told }: OutsideColumn, changes = clicked): boolean => changes.get(id) ?? told;
  const choose = async (id: string, on: boolean): Promise<void> => {
    newest.current = new Map(newest.current).set(id, on);
    setClicked(newest.current);
    setTrouble(null);
    const mine = newest.current;
    // What a hasty hand clicked last says all.
    await line(async () => {
      const told = columns.filter((one) => isTold(one, mine)).map((one) => one.id);
      const result = await replyTo(connectOutsideAction({ course: course.id, ...connected, columns: told }));
      if (notReached(result)) return setTrouble('This could not be sent. Look at the connection and click it again.');
      setTrouble(result.ok ? null : refusalText(result.refusal));
      setKept(mine);
    });
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
            cell: (one) => (
              <input
                type="checkbox"
                className="form-check-input"
                aria-label={`Send ${one.title}`}
                checked={isTold(one)}
                onChange={(e) => void choose(one.id, e.target.checked)}
              />
            ),
          },
          { head: 'Column', cell: ({ title, released }) => <span className={released ? '' : 'soft'}>{title}</span> },
          { head: 'Of', figure: true, cell: ({ of }) => (of === null ? 'differs' : shown(exact(of))) },
          { head: 'Arrived', figure: true, cell: ({ arrived }) => arrived },
          { head: 'State', cell: (one) => stateOf({ ...one, told: isTold(one) }) },
        ]}
      />
    </section>
  );
}

function stateOf({ released, told, arrived, news, waiting, failed }: OutsideColumn) {
  if (!released) return <span className="soft">not released yet</span>;
  if (!told) return <span className="soft">not sent</span>;
  const said = [
    ...(waiting > 0 ? [`${waiting} on the way`] : []),
    ...(failed > 0 ? [`${failed} did not arrive`] : []),
    ...(news > failed ? [`${news} new or changed`] : []),
  ];
  if (said.length > 0) return <span className="hand">{said.join(', ')}</span>;
  return arrived > 0 ? <span className="good">up to date</span> : <span className="soft">nothing to send yet</span>;
}
