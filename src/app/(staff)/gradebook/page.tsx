import type { Metadata } from 'next';
import Link from 'next/link';
import { must } from '@/core/base/result';
import { staffContext } from '@/server/auth/request';
import { listCourses } from '@/server/gradebook/gradebook';
import { Strip } from '@/ui/frame/Strip';

export const metadata: Metadata = { title: 'Gradebook' };

export default async function GradebooksPage() {
  const courses = must(await listCourses(await staffContext()));
  return (
    <>
      <Strip title="Gradebook" />
      <div className="page">
        <div className="list-sheet">
          <table className="rows">
            <thead>
              <tr>
                <th scope="col">Course</th>
                <th scope="col">Title</th>
                <th scope="col">Term</th>
              </tr>
            </thead>
            <tbody>
              {courses.map((c) => (
                <tr key={c.id}>
                  <td>
                    <Link className="title" href={`/gradebook/${c.id}`}>
                      {c.code}
                    </Link>
                  </td>
                  <td>{c.title}</td>
                  <td className="soft">{c.term}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </div>
    </>
  );
}
