'use client';
import { useState } from 'react';
import type { PlacesResponse, PlacesSheet } from '@/core/kinds/formula-with-places/formula-with-places';
import { PlacesField } from '../../maths/PlacesField';
import { Understood } from '../../maths/Understood';
import { useFingers } from '../../maths/use-fingers';
import { TextWithFormulas } from '../../sheet/Formula';
import type { ReviewProps, StudentProps } from '../contract';
import { filledFormula } from './filled';

export function Student({ id, label, sheet, response, drawn, onChange }: StudentProps<PlacesSheet, PlacesResponse>) {
  // Fingers write into lines of their own; a mouse and keys write into the formula.
  const fingers = useFingers();
  const [chosen, setChosen] = useState<boolean | null>(null);
  const plainly = chosen ?? fingers;
  const values = response?.places ?? {};
  return (
    <span className="formula-entry places">
      {plainly ? (
        <>
          <TextWithFormulas text={sheet.shown} drawn={drawn} />
          {sheet.places.map((place, i) => (
            <label key={place} className="place">
              <span className="letter">{i + 1}</span>
              <input
                id={`${id}-${place}`}
                type="text"
                aria-label={`${label}, place ${i + 1}`}
                value={values[place] ?? ''}
                maxLength={500}
                autoComplete="off"
                autoCapitalize="off"
                spellCheck={false}
                onChange={(e) => onChange({ places: { ...values, [place]: e.target.value } })}
              />
              <Understood
                typed={values[place] ?? ''}
                reading={sheet}
                onChoose={(latex) => onChange({ places: { ...values, [place]: latex } })}
              />
            </label>
          ))}
        </>
      ) : (
        <PlacesField
          formula={sheet.formula}
          places={sheet.places}
          values={values}
          label={label}
          onChange={(next) => onChange({ places: next })}
        />
      )}
      <span className="formula-below">
        <button type="button" className="btn-link-plain soft" onClick={() => setChosen(!plainly)}>
          {plainly ? 'write into the formula' : 'type the places plainly'}
        </button>
      </span>
    </span>
  );
}

export function Review({ sheet, response, drawn }: ReviewProps<PlacesSheet, PlacesResponse>) {
  const formula = filledFormula(sheet.formula, response ?? { places: {} });
  return (
    <span className="slot-line">
      <TextWithFormulas text={`$${formula}$`} drawn={drawn} />
    </span>
  );
}
