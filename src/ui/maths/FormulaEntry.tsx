'use client';
import { useRef, useState } from 'react';
import type { MathsSheet } from '@/core/kinds/maths/maths';
import { MathField } from './MathField';
import { PALETTES, type PaletteKey } from './palette';
import { Understood } from './Understood';
import { useFingers } from './use-fingers';

interface Props {
  id: string;
  label: string;
  formula: string;
  sheet: MathsSheet;
  onChange: (formula: string) => void;
}

/** A formula as an answer: in a field that draws it while it is typed, or in plain letters; under it how it was understood. */
export function FormulaEntry({ id, label, formula, sheet, onChange }: Props) {
  // Fingers write plain letters with their own keyboard; a mouse and keys draw.
  const fingers = useFingers();
  const [chosen, setChosen] = useState<boolean | null>(null);
  const plainly = chosen ?? fingers;
  const input = useRef<HTMLInputElement>(null);
  const keys: readonly PaletteKey[] = PALETTES[sheet.palette];
  const put = (text: string): void => {
    const { selectionStart, selectionEnd } = input.current ?? { selectionStart: null, selectionEnd: null };
    const [from, to] = [selectionStart ?? formula.length, selectionEnd ?? formula.length];
    onChange(formula.slice(0, from) + text + formula.slice(to));
    const after = from + text.length - (text.endsWith('()') ? 1 : 0);
    setTimeout(() => {
      input.current?.focus();
      input.current?.setSelectionRange(after, after);
    }, 0);
  };
  return (
    <span className="formula-entry">
      {plainly ? (
        <>
          <input
            id={id}
            ref={input}
            type="text"
            aria-label={label}
            value={formula}
            maxLength={2000}
            autoComplete="off"
            autoCapitalize="off"
            spellCheck={false}
            onChange={(e) => onChange(e.target.value)}
          />
          <span className="maths-keys" role="toolbar" aria-label={`Signs for ${label}`}>
            {keys
              .filter((key) => key.plain !== '')
              .map((key) => (
                <button
                  key={key.name}
                  type="button"
                  title={key.name}
                  aria-label={key.name}
                  onMouseDown={(event) => event.preventDefault()}
                  onClick={() => put(key.plain)}
                >
                  {key.face}
                </button>
              ))}
          </span>
        </>
      ) : (
        <MathField label={label} latex={formula} palette={keys} onChange={onChange} />
      )}
      <span className="formula-below">
        <Understood typed={formula} reading={sheet} onChoose={onChange} />
        <button type="button" className="btn-link-plain soft" onClick={() => setChosen(!plainly)}>
          {plainly ? 'write it as it looks' : 'type it plainly'}
        </button>
      </span>
    </span>
  );
}
