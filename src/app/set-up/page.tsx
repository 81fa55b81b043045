import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { outside } from '@/server/outside';
import { findDepartment } from '@/server/people/policy';
import { SetUpForm } from '@/ui/people/SetUpForm';

export const metadata: Metadata = { title: 'Set up' };

/** The first page of all: whoever looks after the server sets up its department. */
export default async function SetUpPage() {
  if (await findDepartment((await outside()).db.read)) redirect('/sign-in');
  return <SetUpForm />;
}
