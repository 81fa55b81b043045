'use client';
import type { MathsResponse, MathsSheet } from '@/core/kinds/maths/maths';
import { FormulaEntry } from '../../maths/FormulaEntry';
import { Formula } from '../../sheet/Formula';
import type { ReviewProps, StudentProps } from '../contract';

export function Student({ id, label, sheet, response, onChange }: StudentProps<MathsSheet, MathsResponse>) {
  return (
    <FormulaEntry
      id={id}
      label={label}
      formula={response?.formula ?? ''}
      sheet={sheet}
      onChange={(formula) => onChange({ formula })}
    />
  );
}

export function Review({ response, drawn }: ReviewProps<MathsSheet, MathsResponse>) {
  const formula = response?.formula.trim() ?? '';
  return (
    <span className="slot-line">
      <span className="slot-box">
        {formula === '' ? <span className="soft">no answer</span> : <Formula latex={formula} drawn={drawn} />}
      </span>
    </span>
  );
}
