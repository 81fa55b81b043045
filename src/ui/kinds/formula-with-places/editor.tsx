'use client';
import type { MathfieldElement } from 'mathlive';
import { useRef } from 'react';
import Button from 'react-bootstrap/Button';
import { formulaWithPlaces, type PlacesSetup, withFormula } from '@/core/kinds/formula-with-places/formula-with-places';
import { placesIn } from '@/core/rules/maths/places';
import { rulesFromKey } from '@/core/rules/maths/rules';
import { MathField } from '../../maths/MathField';
import { MarksInput } from '../../parts/MarksInput';
import { MathsRulesEditor } from '../../rules/MathsRulesEditor';
import { plural } from '../../words/marks';
import type { EditorProps, EditorSide } from '../contract';
import { CheckLine } from '../../parts/CheckLine';

/** A name that no place of the formula has. */
function freshPlace(latex: string): string {
  const taken = new Set(placesIn(latex).map(({ id }) => id));
  let n = 1;
  while (taken.has(`p${n}`)) n += 1;
  return `p${n}`;
}

function Place({ setup, onChange, letter }: EditorProps<PlacesSetup>) {
  const around = useRef<HTMLSpanElement>(null);
  const makePlace = (): void => {
    const field = around.current?.querySelector('math-field') as MathfieldElement | null;
    if (!field) return;
    // What is chosen goes into the place; it is its key.
    const chosen = field.getValue(field.selection, 'latex');
    field.insert(`\\placeholder[${freshPlace(field.value)}]{${chosen}}`, { focus: true, selectionMode: 'after' });
    onChange(withFormula(setup, field.getValue('latex')));
  };
  return (
    <span className="maths-place places-place" ref={around}>
      <MathField
        label={`Slot ${letter}: the formula with its places`}
        latex={setup.formula}
        palette={[]}
        onChange={(latex) => onChange(withFormula(setup, latex))}
        onMark={makePlace}
      />
      <Button
        variant="quiet"
        className="small-act"
        title="Choose a part of the formula, then make it a place to fill, by this or the key “?”; what stands there is its key"
        onMouseDown={(event) => event.preventDefault()}
        onClick={makePlace}
      >
        make a place
      </Button>
    </span>
  );
}

function Note({ setup, onChange, marks }: EditorProps<PlacesSetup>) {
  const found = placesIn(setup.formula);
  return (
    <div className="rule-edit">
      {found.length === 0 && (
        <p className="soft">
          Type the whole formula, choose the part that students shall find, and press “make a place” or the key{' '}
          <kbd>?</kbd>. What stands in a place is its key.
        </p>
      )}
      <CheckLine
        checked={setup.whole !== null}
        onChange={(on) => onChange({ ...setup, whole: on ? rulesFromKey('') : null })}
      >
        the whole formula counts, however the places are shared out
      </CheckLine>
      {setup.whole && (
        <CheckLine
          checked={setup.whole.allPositive}
          onChange={(on) => setup.whole && onChange({ ...setup, whole: { ...setup.whole, allPositive: on } })}
        >
          all quantities are positive
        </CheckLine>
      )}
      {!setup.whole &&
        found.map(({ id }, i) => {
          const place = setup.places[id];
          if (!place) return null;
          const set = (part: Partial<typeof place>): void =>
            onChange({ ...setup, places: { ...setup.places, [id]: { ...place, ...part } } });
          return (
            <details key={id} className="mt-1">
              <summary>
                Place {i + 1}: <span className="mono">{found[i]?.content || 'no key yet'}</span>
              </summary>
              <span className="d-flex gap-2 align-items-center">
                counts
                <MarksInput
                  marks={place.weight}
                  label={`How often place ${i + 1} counts`}
                  onChange={(weight) => weight !== '0' && set({ weight })}
                />
                times
              </span>
              <MathsRulesEditor rules={place.rules} marks={marks} onChange={(rules) => set({ rules })} />
            </details>
          );
        })}
    </div>
  );
}

function sentence(setup: PlacesSetup): string {
  const count = placesIn(setup.formula).length;
  if (count === 0) return 'No place to fill yet.';
  if (setup.whole) return `A formula with ${plural(count, 'place')}; it counts as a whole.`;
  return `A formula with ${plural(count, 'place')}; each counts by itself.`;
}

export const formulaWithPlacesEditor: EditorSide<PlacesSetup> = {
  Place,
  Note,
  trialHint: 'Type the places one after another, with semicolons between them',
  presets: [
    {
      name: 'Formula with places',
      about: 'A formula with gaps to fill',
      setup: (fresh) => fresh,
      example: {
        asks: 'Complete the formula.',
        setup: (setup) => formulaWithPlaces.typed.withKey(setup, '(a+b)^2 = a^2 + ?(2ab) + b^2'),
      },
    },
  ],
  sentence,
};
