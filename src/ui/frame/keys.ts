'use client';
import { useEffect, useLayoutEffect, useRef } from 'react';
import { flushSync } from 'react-dom';
import { ownKey, singleKeysOff } from './own-keys';

/** A key of the present screen: shown in the overview and run when pressed. */
export interface KeyBinding {
  /** As `KeyboardEvent.key`, with "Ctrl+" or "Ctrl+Shift+" before it where they are held; or a range such as "0–9". */
  keys: string;
  what: string;
  run: (key: string) => void;
}

const active = new Set<{ current: KeyBinding[] }>();

/** The keys of everything now on the screen, without repeats. */
export function keysNow(): KeyBinding[] {
  const all = [...active].flatMap((ref) => ref.current);
  return all.filter((b, i) => all.findIndex((other) => other.keys === b.keys && other.what === b.what) === i);
}

function typing(target: EventTarget | null): boolean {
  if (!(target instanceof HTMLElement)) return false;
  return (
    target.isContentEditable ||
    target.tagName === 'MATH-FIELD' ||
    (/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) &&
      !/^(checkbox|radio|button)$/.test((target as HTMLInputElement).type))
  );
}

/** Whether the key presses the button or link that it is on. */
function presses(event: KeyboardEvent): boolean {
  return event.key === 'Enter' && event.target instanceof HTMLElement && event.target.closest('a, button') !== null;
}

function fits(keys: string, pressed: string): boolean {
  const range = /^(.)–(.)$/.exec(keys);
  if (range) return pressed.length === 1 && pressed >= (range[1] ?? '') && pressed <= (range[2] ?? '');
  return keys.toLowerCase() === pressed.toLowerCase();
}

/** Whether a window stands over the screen; its keys are its own. */
const covered = (): boolean => document.querySelector('.modal.show, dialog[open]') !== null;

/**
 * Makes keys work while the component is on the screen. Nothing fires behind an open window, and keys without Ctrl never
 * while typing (but Esc does). Keys with Ctrl come before whatever the cursor is in: editors and fields have an undo of
 * their own, which would hide that of the screen.
 */
export function useKeys(bindings: KeyBinding[]): void {
  const ref = useRef(bindings);
  useLayoutEffect(() => {
    ref.current = bindings;
  });
  useEffect(() => {
    active.add(ref);
    const press = (event: KeyboardEvent, held: boolean): void => {
      if (event.defaultPrevented || event.altKey || held !== (event.ctrlKey || event.metaKey)) return;
      const name = held ? `Ctrl+${event.shiftKey ? 'Shift+' : ''}${event.key}` : event.key;
      const binding = ref.current.find((b) => fits(ownKey(b.keys), name));
      if (!binding) return;
      if (!held && event.key !== 'Escape' && (typing(event.target) || presses(event))) return;
      if (!held && event.key.length === 1 && singleKeysOff()) return;
      if (covered()) return;
      event.preventDefault();
      if (held) event.stopPropagation();
      // What a key did is there before the next one comes, however fast they are pressed.
      flushSync(() => binding.run(event.key));
    };
    const first = (event: KeyboardEvent): void => press(event, true);
    const last = (event: KeyboardEvent): void => press(event, false);
    window.addEventListener('keydown', first, true);
    window.addEventListener('keydown', last);
    return () => {
      active.delete(ref);
      window.removeEventListener('keydown', first, true);
      window.removeEventListener('keydown', last);
    };
  }, []);
}
