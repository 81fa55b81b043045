import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { coursesFor } from '@/server/people/courses';
import { Strip } from '@/ui/frame/Strip';
import { ListSheet } from '@/ui/parts/ListSheet';

export const metadata: Metadata = { title: 'Gradebook' };

export default async function GradebooksPage() {
  const ctx = await staffContext();
  if (ctx.actor.role === 'marker') redirect('/');
  const courses = await coursesFor(ctx, 'see gradebook');
  return (
    <>
      <Strip title="Gradebook" />
      <ListSheet
        rows={courses}
        keyOf={(c) => c.id}
        title="Course"
        href={(c) => `/gradebook/${c.id}`}
        text={(c) => c.code}
        columns={[
          { head: 'Title', cell: (c) => c.title },
          { head: 'Term', cell: (c) => <span className="soft">{c.term}</span> },
        ]}
        empty="You have no course yet. The department lead puts teachers and students into courses."
      />
    </>
  );
}
