'use client';
import { useState } from 'react';
import { number, type NumberSetup } from '@/core/kinds/number/number';
import { LONGEST_KEY, otherReading, rulesFromKey } from '@/core/rules/number/rules';
import { unitsLike } from '@/core/rules/number/units';
import { NumberRulesEditor, numberRulesSentence } from '../../rules/NumberRulesEditor';
import type { EditorProps, EditorSide } from '../contract';

function Place({ setup, onChange, letter }: EditorProps<NumberSetup>) {
  const [typed, setTyped] = useState<string | null>(null);
  const { rules } = setup;
  const shown = `${rules.rules[0]?.value ?? ''} ${rules.unit}`.trim();
  const type = (text: string): void => {
    setTyped(text);
    const made = rulesFromKey(text);
    const [first, ...rest] = rules.rules;
    const [fresh] = made.rules;
    if (!fresh) return;
    const kept = first && first.value !== '' ? { ...first, value: fresh.value } : fresh;
    // Until a key stood there, the sensible rule follows what is typed.
    const sure = first?.feedback === '' && rest.length === 0 ? { ...kept, accept: fresh.accept } : kept;
    const uncertainty = made.uncertainty ?? rules.uncertainty;
    onChange({
      ...setup,
      rules: { ...rules, unit: made.unit, rules: [sure, ...rest], ...(uncertainty ? { uncertainty } : {}) },
    });
  };
  const two = otherReading(rules.rules[0]?.value ?? '');
  const mean = (value: string): void => {
    setTyped(null);
    const [first, ...rest] = rules.rules;
    if (first) onChange({ ...setup, rules: { ...rules, rules: [{ ...first, value }, ...rest] } });
  };
  return (
    <>
      <input
        className="key-input"
        aria-label={`Slot ${letter}: the right number with its unit`}
        placeholder="5.19 MW"
        value={typed ?? shown}
        maxLength={LONGEST_KEY}
        onChange={(e) => type(e.target.value)}
        onBlur={() => setTyped(null)}
      />
      {two && (
        <span className="two-readings" role="group" aria-label="Which number is meant?">
          <span className="hand">which?</span>
          {[two.one, two.other].map((value) => (
            <button key={value} type="button" className="btn-link-plain" onClick={() => mean(value)}>
              {value}
            </button>
          ))}
        </span>
      )}
      {rules.unit !== '' && setup.unitEntry === 'typed' && <span className="unit soft">with its unit</span>}
    </>
  );
}

function Note({ setup, onChange, marks }: EditorProps<NumberSetup>) {
  const { rules } = setup;
  return (
    <NumberRulesEditor rules={setup.rules} marks={marks} onChange={(rules) => onChange({ ...setup, rules })}>
      {setup.rules.unit !== '' && (
        <>
          <label className="line">
            the unit is
            <select
              className="form-select"
              value={setup.unitEntry}
              onChange={(e) => {
                const unitEntry = e.target.value as NumberSetup['unitEntry'];
                const listed = unitEntry === 'listed' && !setup.units.includes(rules.unit);
                onChange({ ...setup, unitEntry, units: listed ? unitsLike(rules.unit) : setup.units });
              }}
            >
              <option value="typed">typed by the student</option>
              <option value="listed">chosen from a list</option>
              <option value="printed">printed, not asked</option>
            </select>
          </label>
          {setup.unitEntry === 'listed' && (
            <input
              className="form-control"
              aria-label="Units to choose from, separated by commas"
              placeholder="kW, MW, kWh"
              defaultValue={setup.units.join(', ')}
              onChange={(e) =>
                onChange({
                  ...setup,
                  units: e.target.value
                    .split(',')
                    .map((u) => u.trim())
                    .filter((u) => u !== '')
                    .slice(0, 12),
                })
              }
            />
          )}
        </>
      )}
    </NumberRulesEditor>
  );
}

export const numberEditor: EditorSide<NumberSetup> = {
  Place,
  Note,
  trialHint: 'Type a number as a student would',
  presets: [
    {
      name: 'Number, unit',
      about: 'A number, near enough, with its unit',
      setup: (fresh) => fresh,
      example: {
        asks: 'How long does one ride 12 km at 18 km/h?',
        setup: (setup) => number.typed.withKey(setup, '40 min'),
      },
    },
  ],
  sentence: ({ rules }) => numberRulesSentence(rules),
};
