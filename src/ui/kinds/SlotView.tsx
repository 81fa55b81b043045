'use client';
import { type ComponentType, useState } from 'react';
import type { KindName } from '@/core/kinds/registry';
import type { ReviewProps, StudentHalf, StudentProps } from './contract';
import { sideOf } from './registry';

interface OfKind {
  kind: KindName;
}

/** Halves that are here already, so that a slot that is turned to stands there at once. */
const arrived = new Map<KindName, StudentHalf>();

/** Fetches the students' halves of kinds before they are drawn. */
export async function fetchHalves(kinds: readonly KindName[]): Promise<void> {
  await Promise.all(kinds.map(async (kind) => arrived.set(kind, await sideOf(kind).half())));
}

/** Decided once for each slot: another component in its place would take the cursor away. */
function useHalf(kind: KindName): StudentHalf {
  return useState(() => arrived.get(kind) ?? sideOf(kind))[0];
}

/** A slot to be answered. Responses were validated by the server with the kind's own schema. */
export function StudentSlot({ kind, ...props }: StudentProps<unknown, unknown> & OfKind) {
  const Student = useHalf(kind).Student as ComponentType<StudentProps<unknown, unknown>>;
  return <Student {...props} />;
}

/** A slot as it was answered. It may stand on a page of the server: no kind is looked into there. */
export function ReviewSlot({ kind, ...props }: ReviewProps<unknown, unknown> & OfKind) {
  const Review = useHalf(kind).Review as ComponentType<ReviewProps<unknown, unknown>>;
  return <Review {...props} />;
}
