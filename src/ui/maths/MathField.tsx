'use client';
import type { MathfieldElement } from 'mathlive';
import { useEffect, useRef, useState } from 'react';
import { useLatest } from '../parts/use-latest';
import { fetchFieldEngine, makeField } from './make-field';
import { type PaletteKey, PALETTES } from './palette';

interface Props {
  /** The formula as LaTeX. */
  latex: string;
  onChange: (latex: string) => void;
  label: string;
  /** Which keys stand under the field. */
  palette?: readonly PaletteKey[];
  /** Gets the formula as it stands, which may be newer than what was drawn last. */
  onEnter?: (latex: string) => void;
  onEscape?: () => void;
  /** The key "?" was pressed. */
  onMark?: () => void;
  focusFirst?: boolean;
  disabled?: boolean;
}

/** A formula typed as it looks: letters and signs from the keyboard, everything else from the keys under the field. */
export function MathField({ latex, onChange, label, palette = PALETTES.general, disabled = false, ...rest }: Props) {
  const place = useRef<HTMLDivElement>(null);
  const field = useRef<MathfieldElement | null>(null);
  const waiting = useRef<HTMLInputElement | null>(null);
  const [ready, setReady] = useState(false);
  const latest = useLatest({ latex, onChange, label, disabled, ...rest });

  useEffect(() => {
    let gone = false;
    const stand = (): void => {
      const made = makeField();
      if (gone || !made || !place.current) return;
      made.smartFence = true;
      made.setValue(latest.current.latex, { silenceNotifications: true });
      made.addEventListener('input', () => latest.current.onChange(made.getValue('latex')));
      made.addEventListener('keydown', (event) => {
        const { onEnter, onEscape, onMark } = latest.current;
        if (event.key === '?' && onMark) {
          event.preventDefault();
          onMark();
        }
        if (event.key === 'Enter' && onEnter) event.preventDefault();
        if (event.key === 'Enter') onEnter?.(made.getValue('latex'));
        if (event.key === 'Escape') onEscape?.();
      });
      const before = waiting.current;
      const focused = latest.current.focusFirst === true || (before !== null && before === document.activeElement);
      place.current.replaceChildren(made);
      made.menuItems = [];
      field.current = made;
      setReady(true);
      if (focused) made.focus();
      // What was typed before the engine came is typed now.
      if (before?.value) {
        made.insert(before.value, { selectionMode: 'after' });
        latest.current.onChange(made.getValue('latex'));
      }
    };
    stand();
    if (!field.current) void fetchFieldEngine().then(stand);
    return () => {
      gone = true;
      field.current?.remove();
      field.current = null;
    };
  }, [latest]);

  useEffect(() => {
    const made = field.current;
    if (!made) return;
    made.ariaLabel = label;
    made.readOnly = disabled;
    if (made.getValue('latex') !== latex) made.setValue(latex, { silenceNotifications: true });
  }, [latex, label, disabled, ready]);

  return (
    <div className="maths">
      <div className="maths-field" ref={place}>
        {/* Takes the first letters while the engine is fetched; the field then stands in its place. */}
        <input
          ref={waiting}
          className="maths-waiting"
          aria-label={label}
          autoFocus={rest.focusFirst}
          disabled={disabled}
        />
      </div>
      {!disabled && palette.length > 0 && (
        <div className="maths-keys" role="toolbar" aria-label={`Signs for ${label}`}>
          {palette.map((key) => (
            <button
              key={key.name}
              type="button"
              title={key.name}
              aria-label={key.name}
              // Keeps the cursor where it is in the field.
              onMouseDown={(event) => event.preventDefault()}
              onClick={() => {
                field.current?.insert(key.insert, { focus: true });
                if (field.current) onChange(field.current.getValue('latex'));
              }}
            >
              {key.face}
            </button>
          ))}
        </div>
      )}
    </div>
  );
}
