'use client';
import { useOwnKeys } from './own-keys';

/** A small cap beside an act: the key that does it on this device. */
export function KeyCap({ of: key }: { of: string }) {
  const own = useOwnKeys();
  return <kbd>{own.of(key).toUpperCase()}</kbd>;
}
