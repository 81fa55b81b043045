import type { Actor } from './may';

/** Whoever an attempt belongs to. A member and a group are known by their own ids. */
export type Participant =
  | { is: 'member'; id: string }
  | { is: 'group'; id: string; members: readonly string[] }
  /** Came by an open link and gave a name. */
  | { is: 'guest'; id: string }
  /** Nobody in particular: nothing about them is known. */
  | { is: 'nameless'; id: string };

/** Whether this actor is the participant, or one of them. */
export function takesPart({ id, role }: Actor, participant: Participant): boolean {
  switch (participant.is) {
    case 'member':
      return role === 'student' && id === participant.id;
    case 'group':
      return role === 'student' && participant.members.includes(id);
    case 'guest':
    case 'nameless':
      return role === 'guest' && id === participant.id;
  }
}
