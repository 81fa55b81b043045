'use client';
import { useRef, useState } from 'react';
import { MathField } from '../../maths/MathField';
import { PALETTES } from '../../maths/palette';
import { TextWithFormulas } from '../../sheet/Formula';
import { drawTextFormulas } from '../../sheet/formulas';
import type { EntryProps } from './student';

/** Text with formulas in it, as an answer: a formula is put where the cursor is and stands as $…$; under it, how it all reads. */
export default function FormulasEntry({ id, label, lines, response, onChange }: EntryProps) {
  const [formula, setFormula] = useState<string | null>(null);
  const area = useRef<HTMLTextAreaElement>(null);
  const text = response?.text ?? '';
  const put = (latex: string): void => {
    const at = area.current?.selectionEnd ?? text.length;
    if (latex.trim() !== '') onChange({ text: `${text.slice(0, at)}$${latex.trim()}$${text.slice(at)}` });
    setFormula(null);
    setTimeout(() => area.current?.focus(), 0);
  };
  return (
    <>
      <textarea
        id={id}
        ref={area}
        aria-label={label}
        rows={lines}
        value={text}
        maxLength={50_000}
        onChange={(e) => onChange({ text: e.target.value })}
      />
      {formula === null ? (
        <button type="button" className="btn btn-quiet btn-sm" onClick={() => setFormula('')}>
          Put a formula here
        </button>
      ) : (
        <div className="formula-entry">
          <MathField
            label={`${label}, a formula`}
            latex={formula}
            palette={PALETTES.general}
            focusFirst
            onChange={setFormula}
            onEnter={put}
            onEscape={() => setFormula(null)}
          />
          <button type="button" className="btn btn-quiet btn-sm" onClick={() => put(formula)}>
            Put it in
          </button>
        </div>
      )}
      {/\$[^$]+\$/.test(text) && (
        <div className="reads soft">
          reads: <TextWithFormulas text={text} drawn={drawTextFormulas(text)} />
        </div>
      )}
    </>
  );
}
