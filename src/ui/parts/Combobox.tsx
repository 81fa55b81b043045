'use client';
import { type ReactNode, useId, useState } from 'react';

interface Props<T> {
  label: string;
  placeholder: string;
  className: string;
  words: string;
  onWords: (words: string) => void;
  /** What there is to choose from. */
  list: readonly T[];
  keyOf: (item: T) => string;
  draw: (item: T) => ReactNode;
  onPick: (item: T) => void;
  /** Esc, or going elsewhere. */
  onLeave?: () => void;
  autoFocus?: boolean;
  /** How the list is called. */
  found: string;
  /** Stands in place of an empty list; without it there is no list then. */
  none?: ReactNode;
  /** Stands beside the field. */
  beside?: ReactNode;
}

/** A field with a list of what its words find: arrows choose, Enter takes, Esc leaves (WAI-ARIA combobox pattern). */
export function Combobox<T>(props: Props<T>) {
  const { label, placeholder, className, words, list, keyOf, draw, onPick, onLeave, found, none, beside } = props;
  const id = useId();
  const [at, setAt] = useState(0);
  const open = list.length > 0 || none !== undefined;
  const pick = (item: T | undefined): void => {
    if (item === undefined) return;
    setAt(0);
    onPick(item);
  };
  const field = (
    <input
      className={className}
      autoFocus={props.autoFocus}
      placeholder={placeholder}
      aria-label={label}
      role="combobox"
      aria-expanded={open}
      aria-controls={id}
      aria-activedescendant={list[at] ? `${id}-${at}` : undefined}
      value={words}
      onChange={(e) => {
        setAt(0);
        props.onWords(e.target.value);
      }}
      onKeyDown={(e) => {
        if (e.key === 'ArrowDown') setAt(Math.min(at + 1, list.length - 1));
        else if (e.key === 'ArrowUp') setAt(Math.max(at - 1, 0));
        else if (e.key === 'Enter') pick(list[at]);
        else if (e.key === 'Escape' && onLeave) onLeave();
        else return;
        e.preventDefault();
      }}
      // A click on the list takes the focus away for a moment.
      onBlur={() => onLeave && setTimeout(onLeave, 150)}
    />
  );
  return (
    <>
      {beside === undefined ? (
        field
      ) : (
        <div className="d-flex gap-2 align-items-baseline">
          {field}
          {beside}
        </div>
      )}
      {open && (
        <ul role="listbox" id={id} aria-label={found}>
          {list.map((item, i) => (
            <li
              key={keyOf(item)}
              id={`${id}-${i}`}
              role="option"
              aria-selected={i === at}
              onMouseEnter={() => setAt(i)}
              onMouseDown={(e) => e.preventDefault()}
              onClick={() => pick(item)}
            >
              {draw(item)}
            </li>
          ))}
          {list.length === 0 && <li className="soft">{none}</li>}
        </ul>
      )}
    </>
  );
}
