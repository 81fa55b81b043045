'use client';
import { useSyncExternalStore } from 'react';

const noChange = (): (() => void) => () => undefined;

/** Whether the page is more than what the server drew: from then on it hears what is typed and moved. */
export function useListening(): boolean {
  return useSyncExternalStore(
    noChange,
    () => true,
    () => false,
  );
}
