'use client';
import { type KeyboardEvent, useRef, useState } from 'react';
import type { SelectSheet } from '@/core/kinds/select/select';
import './select.scss';

interface Props {
  label: string;
  pieces: SelectSheet['pieces'];
  /** What is marked. */
  on: readonly string[];
  /** Where something is being set: stands out. */
  chosen?: string | null;
  onPress: (id: string) => void;
}

/** A text whose units are pressed: by the pointer, or with the arrows and Space. One stop for Tab, however long the text is. */
export function Units({ label, pieces, on, chosen = null, onPress }: Props) {
  const text = useRef<HTMLDivElement>(null);
  const ids = pieces.flatMap(({ id }) => (id === null ? [] : [id]));
  const [at, setAt] = useState<string | null>(null);
  const current = at !== null && ids.includes(at) ? at : ids[0];
  const press = (event: KeyboardEvent): void => {
    const here = ids.indexOf(current ?? '');
    const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    const to = step ? here + step : { Home: 0, End: ids.length - 1 }[event.key];
    if (event.key === ' ' || event.key === 'Enter') {
      if (current !== undefined) onPress(current);
    } else if (to === undefined) return;
    else {
      const next = ids[Math.max(0, Math.min(ids.length - 1, to))];
      if (next === undefined) return;
      setAt(next);
      text.current?.querySelector<HTMLElement>(`[data-unit="${next}"]`)?.focus();
    }
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <div
      ref={text}
      className="select-text"
      role="listbox"
      aria-multiselectable="true"
      aria-label={label}
      onKeyDown={press}
    >
      {pieces.map(({ id, text: words }, i) =>
        id === null ? (
          <span key={i} role="presentation">
            {words}
          </span>
        ) : (
          <span
            key={id}
            role="option"
            data-unit={id}
            tabIndex={id === current ? 0 : -1}
            aria-selected={on.includes(id)}
            className={`unit ${on.includes(id) ? 'on' : ''} ${id === chosen ? 'chosen' : ''}`}
            onClick={() => {
              setAt(id);
              onPress(id);
            }}
          >
            {words}
          </span>
        ),
      )}
    </div>
  );
}
