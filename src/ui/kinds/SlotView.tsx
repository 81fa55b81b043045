'use client';
import type { KindName } from '@/core/kinds/registry';
import type { ReviewProps, StudentProps } from './contract';
import { sideOf } from './registry';

interface OfKind {
  kind: KindName;
}

/** A slot to be answered. Responses were validated by the server with the kind's own schema. */
export function StudentSlot({ kind, ...props }: StudentProps<unknown, unknown> & OfKind) {
  const { Student } = sideOf(kind);
  return <Student {...props} />;
}

/** A slot as it was answered. It may stand on a page of the server: no kind is looked into there. */
export function ReviewSlot({ kind, ...props }: ReviewProps<unknown, unknown> & OfKind) {
  const { Review } = sideOf(kind);
  return <Review {...props} />;
}
