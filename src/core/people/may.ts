import { type Participant, takesPart } from './participant';

/** Who acts. `guest` is anybody without an account. */
export const ROLES = ['lead', 'teacher', 'marker', 'student', 'guest'] as const;
export type Role = (typeof ROLES)[number];

export interface Actor {
  id: string;
  role: Role;
}

/** What a bank shares, as far as permission needs to know. */
export interface BankAccess {
  share: 'department' | 'named' | 'private';
  owner: string;
  named: readonly string[];
}

/** A course, as far as permission needs to know: the teachers and markers whose it is. */
export interface CourseAccess {
  staff: readonly string[];
}

/** Everything that can be permitted, with the facts of the thing that the decision needs. */
export interface Acts {
  'use staff rooms': null;
  'see bank': BankAccess;
  'write in bank': BankAccess;
  /** Its name, whom it is shared with, its topics, whether review is required. */
  'change bank': BankAccess;
  'build exams': null;
  /** Lock it, archive it, hand it over. */
  'keep exam': { owner: string };
  'run sittings': CourseAccess;
  /** Who is in a course, with subjects and groups. */
  'keep roster': CourseAccess;
  'mark answers': CourseAccess;
  'see results': CourseAccess;
  'release results': CourseAccess;
  'see gradebook': CourseAccess;
  /** Put something into its cells, say how grades come about, sign it off. */
  'keep gradebook': CourseAccess;
  /** Say what extra time a student has, let one in who is kept out by wrong passwords. */
  'provide for students': null;
  'manage people': null;
  'set policy': null;
  /** Work in an attempt: only whose it is. */
  'write attempt': { participant: Participant };
  /** Read what can be seen of one's own answers: only whose they are, and only when something can. */
  'read own result': { participant: Participant; seen: boolean };
}
export type Act = keyof Acts;

type Rule<A extends Act> = (actor: Actor, thing: Acts[A]) => boolean;

const by =
  (...roles: Role[]): ((actor: Actor) => boolean) =>
  (actor) =>
    roles.includes(actor.role);

const writers = by('lead', 'teacher');
const staff = by('lead', 'teacher', 'marker');
/** A teacher in courses of their own, the lead in all. */
const teaches = (actor: Actor, { staff: people }: CourseAccess): boolean =>
  actor.role === 'lead' || (actor.role === 'teacher' && people.includes(actor.id));
const marks = (actor: Actor, course: CourseAccess): boolean =>
  teaches(actor, course) || (actor.role === 'marker' && course.staff.includes(actor.id));

function reaches(actor: Actor, bank: BankAccess): boolean {
  if (bank.owner === actor.id) return true;
  return bank.share === 'department' || (bank.share === 'named' && bank.named.includes(actor.id));
}

const TABLE: { [A in Act]: Rule<A> } = {
  'use staff rooms': staff,
  'see bank': (actor, bank) => writers(actor) && reaches(actor, bank),
  'write in bank': (actor, bank) => writers(actor) && reaches(actor, bank),
  'change bank': (actor, bank) => bank.owner === actor.id || (actor.role === 'lead' && bank.share === 'department'),
  'build exams': writers,
  'keep exam': (actor, { owner }) => actor.role === 'lead' || (writers(actor) && owner === actor.id),
  'run sittings': teaches,
  'keep roster': teaches,
  'mark answers': marks,
  'see results': teaches,
  'release results': teaches,
  'see gradebook': teaches,
  'keep gradebook': teaches,
  'provide for students': writers,
  'manage people': by('lead'),
  'set policy': by('lead'),
  'write attempt': (actor, { participant }) => takesPart(actor, participant),
  'read own result': (actor, { participant, seen }) => seen && takesPart(actor, participant),
};

/** Whether this actor may do this to that thing. Asked in every use-case. */
export function may<A extends Act>(actor: Actor, act: A, thing: Acts[A]): boolean {
  return TABLE[act](actor, thing);
}

export const ACTS = Object.keys(TABLE) as Act[];
