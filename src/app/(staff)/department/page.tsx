import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { may } from '@/core/people/may';
import { staffContext } from '@/server/auth/request';
import { coursesFor, listStaff } from '@/server/people/courses';
import { listMembers } from '@/server/people/members';
import { departmentZone } from '@/server/people/zone';
import { listPlatforms } from '@/server/platforms/platforms';
import { readDepartment } from '@/server/people/policy';
import { DepartmentDesk } from '@/ui/people/DepartmentDesk';

export const metadata: Metadata = { title: 'Department' };

export default async function DepartmentPage() {
  const ctx = await staffContext();
  const members = await listMembers(ctx);
  if (!members.ok) redirect('/');
  return (
    <DepartmentDesk
      department={await readDepartment(ctx.db.read)}
      members={members.value}
      courses={await listStaff(ctx)}
      kept={(await coursesFor(ctx, 'keep roster')).map(({ id }) => id)}
      mayManage={may(ctx.actor, 'manage people', null)}
      platforms={await listPlatforms(ctx)}
      zone={departmentZone()}
      mayProvide={may(ctx.actor, 'provide for students', null)}
    />
  );
}
