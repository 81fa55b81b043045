import type { Role } from '@/core/people/may';
import { hashPassword } from '../auth/password';
import type { Outside } from '../context';
import { banks, bankMembers, topics } from '../db/schema/bank';
import { courses, courseStaff, departments, enrolments, members } from '../db/schema/people';
import { newId } from '../ports/ids';
import { DEPARTMENT_ID, type DepartmentPolicy } from './policy';

/** What an empty database needs before anybody can sign in. People, courses and banks are named by short names here. */
export interface Installation {
  name: string;
  institute: string;
  policy: DepartmentPolicy;
  people: readonly { userName: string; name: string; role: Exclude<Role, 'guest'>; password: string; email?: string }[];
  courses: readonly {
    code: string;
    title: string;
    term: string;
    /** Teachers and markers whose course it is. */
    staff: readonly string[];
    students: readonly string[];
  }[];
  banks: readonly {
    name: string;
    share: 'department' | 'named' | 'private';
    owner: string;
    named?: readonly string[];
    topics: readonly { name: string; parent?: string; lookAgain?: string }[];
  }[];
}

/** The ids of what was installed, by their short names. */
export interface Installed {
  people: Map<string, string>;
  courses: Map<string, string>;
  banks: Map<string, string>;
  topics: Map<string, string>;
}

function idOf(map: Map<string, string>, name: string): string {
  const id = map.get(name);
  if (!id) throw new Error(`"${name}" is not among what is installed`);
  return id;
}

/** Sets up a department in an empty database, whole or not at all. */
export async function installDepartment(out: Outside, plan: Installation): Promise<Installed> {
  // Those who are given the same password, as in the demo, share the work of its hash.
  const passwords = [...new Set(plan.people.map((p) => p.password))];
  const hashes = new Map(await Promise.all(passwords.map(async (one) => [one, await hashPassword(one)] as const)));
  const done: Installed = { people: new Map(), courses: new Map(), banks: new Map(), topics: new Map() };
  await out.db.transaction(async (tx) => {
    await tx
      .insert(departments)
      .values({ id: DEPARTMENT_ID, name: plan.name, institute: plan.institute, policy: plan.policy });
    for (const { password, ...person } of plan.people) {
      const id = newId();
      done.people.set(person.userName, id);
      await tx.insert(members).values({ id, ...person, passwordHash: hashes.get(password) ?? '', createdAt: out.now });
    }
    for (const { students, staff, ...course } of plan.courses) {
      const id = newId();
      done.courses.set(course.code, id);
      await tx.insert(courses).values({ id, ...course });
      for (const member of staff)
        await tx.insert(courseStaff).values({ course: id, member: idOf(done.people, member) });
      for (const student of students)
        await tx.insert(enrolments).values({ course: id, member: idOf(done.people, student) });
    }
    for (const bank of plan.banks) {
      const id = newId();
      done.banks.set(bank.name, id);
      await tx.insert(banks).values({ id, name: bank.name, share: bank.share, owner: idOf(done.people, bank.owner) });
      for (const named of bank.named ?? [])
        await tx.insert(bankMembers).values({ bank: id, member: idOf(done.people, named) });
      for (const [position, topic] of bank.topics.entries()) {
        const topicId = newId();
        done.topics.set(topic.name, topicId);
        const parent = topic.parent === undefined ? null : idOf(done.topics, topic.parent);
        await tx
          .insert(topics)
          .values({ id: topicId, bank: id, parent, name: topic.name, lookAgain: topic.lookAgain, position });
      }
    }
  });
  return done;
}
