import type { ReactNode } from 'react';
import { staffContext } from '@/server/auth/request';
import { countWaiting } from '@/server/marking/waiting';
import { readDepartment } from '@/server/people/policy';
import { Frame } from '@/ui/frame/Frame';

export default async function StaffLayout({ children }: { children: ReactNode }) {
  const ctx = await staffContext();
  const [department, waiting] = await Promise.all([readDepartment(ctx.db.read), countWaiting(ctx)]);
  return (
    <Frame department={department.name} person={ctx.actor} waiting={waiting}>
      {children}
    </Frame>
  );
}
