import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { staffContext } from '@/server/auth/request';
import { listMembers } from '@/server/people/members';
import { openRoster } from '@/server/people/roster';
import { CourseDesk } from '@/ui/people/CourseDesk';

export const metadata: Metadata = { title: 'Course' };

export default async function CoursePage({ params }: { params: Promise<{ id: string }> }) {
  const ctx = await staffContext();
  const roster = await openRoster(ctx, (await params).id);
  const members = await listMembers(ctx);
  if (!roster.ok || !members.ok) notFound();
  const inside = new Set(roster.value.students.map(({ id }) => id));
  const others = members.value.filter(({ id, role, closed }) => role === 'student' && !closed && !inside.has(id));
  return <CourseDesk roster={roster.value} others={others.map(({ id, name }) => ({ id, name }))} />;
}
