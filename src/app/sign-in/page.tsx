import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { homeOf } from '@/server/auth/sessions';
import { maybeContext } from '@/server/auth/request';
import { findDepartment } from '@/server/people/policy';
import { outside } from '@/server/outside';
import { SignInForm } from '@/ui/people/SignInForm';

export const metadata: Metadata = { title: 'Sign in' };

export default async function SignInPage() {
  const context = await maybeContext();
  // A guest may have an account all the same.
  if (context && context.actor.role !== 'guest') redirect(homeOf(context.actor));
  const department = await findDepartment((await outside()).db.read);
  if (!department) redirect('/set-up');
  return <SignInForm department={department.name} institute={department.institute} />;
}
