'use client';
import type { MathfieldElement } from 'mathlive';
import { useEffect, useRef, useState } from 'react';
import { useLatest } from '../parts/use-latest';
import { fetchFieldEngine, makeField } from './make-field';

interface Props {
  /** LaTeX with `\placeholder[id]{}` where something is to be written. */
  formula: string;
  places: readonly string[];
  values: Readonly<Record<string, string>>;
  label: string;
  onChange: (values: Record<string, string>) => void;
}

/** A formula in which only its places can be written; Tab goes from one to the next. */
export function PlacesField({ formula, places, values, label, onChange }: Props) {
  const place = useRef<HTMLSpanElement>(null);
  const field = useRef<MathfieldElement | null>(null);
  const [ready, setReady] = useState(false);
  const latest = useLatest({ places, values, onChange });

  useEffect(() => {
    let gone = false;
    const stand = (): void => {
      const made = makeField();
      if (gone || !made || !place.current) return;
      made.readOnly = true;
      made.setValue(formula, { silenceNotifications: true });
      made.addEventListener('input', () => {
        const { places: ids, values: before, onChange: tell } = latest.current;
        const now = Object.fromEntries(ids.map((id) => [id, made.getPromptValue(id, 'latex')]));
        if (ids.some((id) => now[id] !== (before[id] ?? ''))) tell(now);
      });
      place.current.replaceChildren(made);
      made.menuItems = [];
      field.current = made;
      setReady(true);
    };
    void fetchFieldEngine().then(stand);
    return () => {
      gone = true;
      field.current?.remove();
      field.current = null;
    };
  }, [formula, latest]);

  useEffect(() => {
    const made = field.current;
    if (!made) return;
    made.ariaLabel = label;
    for (const id of places) {
      const value = values[id] ?? '';
      if (made.getPromptValue(id, 'latex') !== value) made.setPromptValue(id, value, { silenceNotifications: true });
    }
  }, [places, values, label, ready]);

  return <span className="maths-field places-field" ref={place} />;
}
