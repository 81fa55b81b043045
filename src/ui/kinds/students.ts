import type { KindName } from '@/core/kinds/registry';
import { choiceStudent } from './choice/student';
import type { StudentSide } from './contract';
import { longAnswerStudent } from './long-answer/student';
import { mathsStudent } from './maths/student';
import { numberStudent } from './number/student';
import { placesStudent } from './places/student';
import { shortTextStudent } from './short-text/student';

const students = {
  choice: choiceStudent,
  shortText: shortTextStudent,
  number: numberStudent,
  maths: mathsStudent,
  places: placesStudent,
  longAnswer: longAnswerStudent,
} satisfies Record<KindName, unknown>;

/** The student's half of a kind. Responses were validated by the server with the kind's own schema. */
export function studentSide(kind: KindName): StudentSide<unknown, unknown> {
  return students[kind] as unknown as StudentSide<unknown, unknown>;
}
