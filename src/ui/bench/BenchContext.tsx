'use client';
import { createContext, useContext } from 'react';
import type { Slot } from '@/core/bank/question';

/** What the nodes of the editor need to know of the bench around them. */
export interface BenchAccess {
  slots: Readonly<Record<string, Slot>>;
  letters: ReadonlyMap<string, string>;
  selected: string | null;
  select: (slot: string | null) => void;
  changeSlot: (id: string, slot: Slot, tag: string) => void;
}

export const BenchContext = createContext<BenchAccess | null>(null);

export function useBench(): BenchAccess {
  const bench = useContext(BenchContext);
  if (!bench) throw new Error('Slots are edited on a bench');
  return bench;
}
