import type { Metadata } from 'next';
import { Link } from '@/ui/parts/Link';
import { must } from '@/core/base/result';
import { staffContext } from '@/server/auth/request';
import { listMarking } from '@/server/marking/list-marking';
import { Strip } from '@/ui/frame/Strip';
import { ListSheet } from '@/ui/parts/ListSheet';
import { plural } from '@/ui/words/marks';

export const metadata: Metadata = { title: 'Marking' };

export default async function MarkingPage() {
  const tasks = must(await listMarking(await staffContext()));
  const waiting = tasks.reduce((n, t) => n + t.waiting, 0);
  const first = tasks.find((t) => t.waiting > 0);
  return (
    <>
      <Strip title="Marking" state={waiting === 0 ? 'nothing waits' : plural(waiting, 'answer waits', 'answers wait')}>
        {first && (
          <Link className="btn btn-primary" href={`/marking/${first.sitting}/${first.item}`}>
            Mark the next
          </Link>
        )}
      </Strip>
      <ListSheet
        rows={tasks}
        keyOf={(t) => t.sitting + t.item}
        title="Question"
        href={(t) => `/marking/${t.sitting}/${t.item}`}
        text={(t) => `${t.number}. ${t.label}`}
        columns={[
          { head: 'Sitting', cell: (t) => <Link href={`/marking/${t.sitting}`}>{t.title}</Link> },
          { head: 'Course', cell: (t) => t.course },
          { head: 'Marked', figure: true, cell: (t) => t.answers - t.waiting },
          {
            head: 'Waiting',
            figure: true,
            cell: (t) => <span className={t.waiting > 0 ? 'hand' : 'soft'}>{t.waiting}</span>,
          },
        ]}
        empty="Nothing waits for a person. Answers that no rule accepts or refuses will appear here."
      />
    </>
  );
}
