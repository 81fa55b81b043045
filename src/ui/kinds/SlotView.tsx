'use client';
import type { ComponentType } from 'react';
import type { KindName } from '@/core/kinds/names';
import * as choice from './choice/student';
import type { ReviewProps, StudentHalf, StudentProps } from './contract';
import * as draw from './draw/student';
import * as formulaWithPlaces from './formula-with-places/student';
import * as gaps from './gaps/student';
import * as handIn from './hand-in/student';
import * as handInReview from './hand-in/Review';
import * as judgeOwn from './judge-own/student';
import * as label from './label/student';
import * as longAnswer from './long-answer/student';
import * as match from './match/student';
import * as maths from './maths/student';
import * as menu from './menu/student';
import * as number from './number/student';
import * as order from './order/student';
import * as record from './record/student';
import * as say from './say/student';
import * as scale from './scale/student';
import * as select from './select/student';
import * as shortText from './short-text/student';
import * as sort from './sort/student';
import * as spots from './spots/student';

/**
 * The students' halves. They come with the page, and only what is heavy in them
 * (an editor, a maths field) comes by itself: a slot that is drawn before its
 * half has come would lose what is typed into it.
 */
const halves = {
  choice: { Student: choice.Student, Review: choice.Review },
  menu: { Student: menu.Student, Review: menu.Review },
  shortText: { Student: shortText.Student, Review: shortText.Review },
  number: { Student: number.Student, Review: number.Review },
  maths: { Student: maths.Student, Review: maths.Review },
  formulaWithPlaces: { Student: formulaWithPlaces.Student, Review: formulaWithPlaces.Review },
  longAnswer: { Student: longAnswer.Student, Review: longAnswer.Review },
  draw: { Student: draw.Student, Review: draw.Review },
  judgeOwn: { Student: judgeOwn.Student, Review: judgeOwn.Review },
  record: { Student: record.Student, Review: record.Review },
  say: { Student: say.Student, Review: say.Review },
  handIn: { Student: handIn.Student, Review: handInReview.Review, ahead: handInReview.ahead },
  scale: { Student: scale.Student, Review: scale.Review },
  label: { Student: label.Student, Review: label.Review },
  gaps: { Student: gaps.Student, Review: gaps.Review },
  match: { Student: match.Student, Review: match.Review },
  sort: { Student: sort.Student, Review: sort.Review },
  order: { Student: order.Student, Review: order.Review },
  select: { Student: select.Student, Review: select.Review },
  spots: { Student: spots.Student, Review: spots.Review },
} satisfies Record<KindName, unknown>;

const halfOf = (kind: KindName): StudentHalf => halves[kind] as unknown as StudentHalf;

interface OfKind {
  kind: KindName;
}

/** A slot to be answered. Responses were validated by the server with the kind's own schema. */
export function StudentSlot({ kind, ...props }: StudentProps<unknown, unknown> & OfKind) {
  const Student: ComponentType<StudentProps<unknown, unknown>> = halfOf(kind).Student;
  return <Student {...props} />;
}

/** A slot as it was answered. It may stand on a page of the server: no kind is looked into there. */
export function ReviewSlot({ kind, ...props }: ReviewProps<unknown, unknown> & OfKind) {
  const Review: ComponentType<ReviewProps<unknown, unknown>> = halfOf(kind).Review;
  return <Review {...props} />;
}

/** Begins to fetch what an answer shows that is looked at soon. */
export function fetchAhead(kind: KindName, response: unknown): void {
  if (response !== undefined) halfOf(kind).ahead?.(response);
}
