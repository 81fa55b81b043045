'use client';
import type { ComponentType } from 'react';
import type { KindName } from '@/core/kinds/registry';
import type { ReviewProps, StudentProps } from './contract';
import { ChoiceReview, ChoiceStudent } from './choice/student';
import { LongAnswerReview, LongAnswerStudent } from './long-answer/student';
import { MathsReview, MathsStudent } from './maths/student';
import { NumberReview, NumberStudent } from './number/student';
import { PlacesReview, PlacesStudent } from './places/student';
import { ShortTextReview, ShortTextStudent } from './short-text/student';

const students = {
  choice: ChoiceStudent,
  longAnswer: LongAnswerStudent,
  maths: MathsStudent,
  number: NumberStudent,
  places: PlacesStudent,
  shortText: ShortTextStudent,
} satisfies Record<KindName, unknown>;

const reviews = {
  choice: ChoiceReview,
  longAnswer: LongAnswerReview,
  maths: MathsReview,
  number: NumberReview,
  places: PlacesReview,
  shortText: ShortTextReview,
} satisfies Record<KindName, unknown>;

interface OfKind {
  kind: KindName;
}

/** A slot to be answered. Responses were validated by the server with the kind's own schema. */
export function StudentSlot({ kind, ...props }: StudentProps<unknown, unknown> & OfKind) {
  const Student = students[kind] as unknown as ComponentType<StudentProps<unknown, unknown>>;
  return <Student {...props} />;
}

/** A slot as it was answered. It may stand on a page of the server: no kind is looked into there. */
export function ReviewSlot({ kind, ...props }: ReviewProps<unknown, unknown> & OfKind) {
  const Review = reviews[kind] as unknown as ComponentType<ReviewProps<unknown, unknown>>;
  return <Review {...props} />;
}
