'use client';
import { useState } from 'react';
import type { NumberSetup } from '@/core/kinds/number/number';
import { rulesFromKey } from '@/core/rules/number/rules';
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
    onChange({ ...setup, rules: { ...rules, unit: made.unit, rules: [sure, ...rest] } });
  };
  return (
    <input
      className="key-input"
      aria-label={`Slot ${letter}: the right number with its unit`}
      placeholder="5.19 MW"
      value={typed ?? shown}
      maxLength={80}
      onChange={(e) => type(e.target.value)}
      onBlur={() => setTyped(null)}
    />
  );
}

function Note({ setup, onChange, marks }: EditorProps<NumberSetup>) {
  return (
    <>
      <NumberRulesEditor rules={setup.rules} marks={marks} onChange={(rules) => onChange({ ...setup, rules })} />
      {setup.rules.unit !== '' && (
        <div className="rule-edit">
          <label className="line">
            the unit is
            <select
              className="form-select"
              value={setup.unitEntry}
              onChange={(e) => onChange({ ...setup, unitEntry: e.target.value as NumberSetup['unitEntry'] })}
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
        </div>
      )}
    </>
  );
}

export const numberEditor: EditorSide<NumberSetup> = {
  Place,
  Note,
  trialHint: 'Type a number as a student would',
  sentence: ({ rules }) => numberRulesSentence(rules),
};
