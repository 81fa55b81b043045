'use client';
import { useRef } from 'react';
import { useKeys } from '../frame/keys';

/** J and K move the focus along the titles of the list this stands in. */
export function ListKeys() {
  const place = useRef<HTMLSpanElement>(null);
  const move = (by: 1 | -1): void => {
    const titles = [...(place.current?.parentElement?.querySelectorAll<HTMLElement>('a.title') ?? [])];
    const at = titles.findIndex((title) => title === document.activeElement);
    titles[at < 0 ? 0 : Math.min(titles.length - 1, Math.max(0, at + by))]?.focus();
  };
  useKeys([
    { keys: 'j', what: 'Next in the list', run: () => move(1) },
    { keys: 'k', what: 'Previous in the list', run: () => move(-1) },
  ]);
  return <span ref={place} hidden />;
}
