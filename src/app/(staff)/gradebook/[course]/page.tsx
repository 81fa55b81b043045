import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { openGradebook } from '@/server/gradebook/gradebook';
import { Strip } from '@/ui/frame/Strip';
import { GradebookTable } from '@/ui/gradebook/GradebookTable';
import { plural } from '@/ui/words/marks';

export const metadata: Metadata = { title: 'Gradebook' };

export default async function GradebookPage({ params }: { params: Promise<{ course: string }> }) {
  const opened = await openGradebook(await staffContext(), (await params).course);
  if (!opened.ok) notFound();
  const { course, columns, rows } = opened.value;
  return (
    <>
      <Strip
        where={{ href: '/gradebook', name: 'Gradebook' }}
        title={`${course.code} ${course.title}`}
        state={`${plural(rows.length, 'student')}, ${plural(columns.length, 'column')}`}
      >
        <a className="btn btn-outline-primary" href={`/gradebook/${course.id}/export?as=csv`} download>
          CSV
        </a>
        <a className="btn btn-primary" href={`/gradebook/${course.id}/export?as=xlsx`} download>
          Spreadsheet (XLSX)
        </a>
      </Strip>
      <div className="page">
        <div className="list-sheet scroll-x">
          <GradebookTable columns={columns} rows={rows} />
        </div>
      </div>
    </>
  );
}
