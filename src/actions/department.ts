'use server';
import { revalidatePath } from 'next/cache';
import type { Result } from '@/core/base/result';
import type { Context } from '@/server/context';
import { staffContext } from '@/server/auth/request';
import { writeToStudents, type Written } from '@/server/mail/write-to-students';
import { bringInRoster, type BroughtRoster } from '@/server/people/bring-in-roster';
import { keepCourse, setStaff } from '@/server/people/courses';
import { dealGroups, nameGroup, removeGroup, setGroup } from '@/server/people/groups';
import { setOwnGroups } from '@/server/people/own-groups';
import { closeAccount, type KeptMember, keepMember } from '@/server/people/keep-member';
import { enrol, openRoster, type Roster, setEmail, setSubjects, unenrol } from '@/server/people/roster';
import { setProvision } from '@/server/people/provisions';
import { resetPassword } from '@/server/people/passwords';
import { nameDepartment, setPolicy } from '@/server/people/policy';
import { text } from './sent';

export async function resetPasswordAction(member: string): Promise<Result<{ password: string }>> {
  return resetPassword(await staffContext(), text(member));
}

export async function keepMemberAction(input: unknown): Promise<Result<KeptMember>> {
  const result = await keepMember(await staffContext(), input);
  revalidatePath('/department');
  return result;
}

export async function closeAccountAction(input: unknown): Promise<Result<null>> {
  const result = await closeAccount(await staffContext(), input);
  revalidatePath('/department');
  return result;
}

export async function keepCourseAction(input: unknown): Promise<Result<{ id: string }>> {
  const result = await keepCourse(await staffContext(), input);
  revalidatePath('/department');
  return result;
}

export async function nameDepartmentAction(input: unknown): Promise<Result<null>> {
  const result = await nameDepartment(await staffContext(), input);
  // Its name stands over every screen.
  revalidatePath('/', 'layout');
  return result;
}

export async function setStaffAction(input: unknown): Promise<Result<null>> {
  const result = await setStaff(await staffContext(), input);
  revalidatePath('/department');
  return result;
}

export async function setPolicyAction(input: unknown): Promise<Result<null>> {
  const result = await setPolicy(await staffContext(), input);
  revalidatePath('/department');
  return result;
}

export async function setProvisionAction(input: unknown): Promise<Result<null>> {
  const result = await setProvision(await staffContext(), input);
  revalidatePath('/department');
  return result;
}

export async function rosterAction(course: string): Promise<Result<Roster>> {
  return openRoster(await staffContext(), text(course));
}

export async function bringInRosterAction(input: unknown): Promise<Result<BroughtRoster>> {
  const result = await bringInRoster(await staffContext(), input);
  revalidatePath('/department/courses/[id]', 'page');
  return result;
}

type RosterAct = (ctx: Context, input: unknown) => Promise<Result<null>>;

async function inRoster(act: RosterAct, input: unknown): Promise<Result<null>> {
  const result = await act(await staffContext(), input);
  revalidatePath('/department/courses/[id]', 'page');
  return result;
}

export async function setSubjectsAction(input: unknown): Promise<Result<null>> {
  return inRoster(setSubjects, input);
}

export async function setOwnGroupsAction(input: unknown): Promise<Result<null>> {
  return inRoster(setOwnGroups, input);
}

export async function setGroupAction(input: unknown): Promise<Result<null>> {
  return inRoster(setGroup, input);
}

export async function nameGroupAction(input: unknown): Promise<Result<null>> {
  return inRoster(nameGroup, input);
}

export async function removeGroupAction(input: unknown): Promise<Result<null>> {
  return inRoster(removeGroup, input);
}

export async function dealGroupsAction(input: unknown): Promise<Result<null>> {
  return inRoster(dealGroups, input);
}

export async function enrolAction(input: unknown): Promise<Result<null>> {
  return inRoster(enrol, input);
}

export async function unenrolAction(input: unknown): Promise<Result<null>> {
  return inRoster(unenrol, input);
}

export async function setEmailAction(input: unknown): Promise<Result<null>> {
  const result = await setEmail(await staffContext(), input);
  revalidatePath('/department/courses/[id]', 'page');
  return result;
}

export async function writeToStudentsAction(input: unknown): Promise<Result<Written>> {
  return writeToStudents(await staffContext(), input);
}
