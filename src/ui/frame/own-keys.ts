'use client';
import { useSyncExternalStore } from 'react';

/** Single keys can be changed and switched off (WCAG 2.1.4), on each device; keys with Ctrl always work. */
const CHANGED = 'zondaKeys';
const OFF = 'zondaSingleKeysOff';
const listeners = new Set<() => void>();

function changed(): Record<string, string> {
  try {
    return JSON.parse(localStorage.getItem(CHANGED) ?? '{}') as Record<string, string>;
  } catch {
    return {};
  }
}

function keep(name: string, value: string): void {
  localStorage.setItem(name, value);
  for (const tell of listeners) tell();
}

/** Whether a key can be changed: a single sign, not a range and not with Ctrl. */
export const changeable = (key: string): boolean => key.length === 1;

/** The key that stands on this device for the one we chose. */
export function ownKey(key: string): string {
  return changeable(key) ? (changed()[key.toLowerCase()] ?? key) : key;
}

export function changeKey(key: string, to: string): void {
  keep(CHANGED, JSON.stringify({ ...changed(), [key.toLowerCase()]: to.toLowerCase() }));
}

export const singleKeysOff = (): boolean => localStorage.getItem(OFF) === 'yes';

export function switchSingleKeys(off: boolean): void {
  keep(OFF, off ? 'yes' : 'no');
}

/** Draws again when keys were changed or switched on this device. */
export function useOwnKeys(): { of: (key: string) => string; off: boolean } {
  const seen = useSyncExternalStore(
    (tell) => {
      listeners.add(tell);
      return () => listeners.delete(tell);
    },
    () => `${localStorage.getItem(CHANGED)} ${localStorage.getItem(OFF)}`,
    () => '',
  );
  return seen === '' ? { of: (key) => key, off: false } : { of: ownKey, off: singleKeysOff() };
}
