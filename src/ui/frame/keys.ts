'use client';
import { useEffect, useLayoutEffect, useRef } from 'react';
import { flushSync } from 'react-dom';
import { ownKey, singleKeysOff } from './own-keys';

/** A key of the present screen: shown in the overview and run when pressed. */
export interface KeyBinding {
  /** As `KeyboardEvent.key`, with "Ctrl+" before it where it is held; or a range such as "0–9". */
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

/** Makes keys work while the component is on the screen. Keys without Ctrl never fire while typing (but Esc does) or behind an open dialog. */
export function useKeys(bindings: KeyBinding[]): void {
  const ref = useRef(bindings);
  useLayoutEffect(() => {
    ref.current = bindings;
  });
  useEffect(() => {
    active.add(ref);
    const press = (event: KeyboardEvent): void => {
      if (event.defaultPrevented || event.altKey) return;
      const held = event.ctrlKey || event.metaKey;
      const name = held ? `Ctrl+${event.key}` : event.key;
      const binding = ref.current.find((b) => fits(ownKey(b.keys), name));
      if (!binding) return;
      if (!held && event.key !== 'Escape' && (typing(event.target) || presses(event))) return;
      if (!held && event.key.length === 1 && singleKeysOff()) return;
      if (!held && document.querySelector('.modal.show')) return;
      event.preventDefault();
      // What a key did is there before the next one comes, however fast they are pressed.
      flushSync(() => binding.run(event.key));
    };
    window.addEventListener('keydown', press);
    return () => {
      active.delete(ref);
      window.removeEventListener('keydown', press);
    };
  }, []);
}
