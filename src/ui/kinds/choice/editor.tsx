'use client';
import type { ChoiceSetup } from '@/core/kinds/choice/choice';
import { CHOICE_SCHEMES, type ChoiceScheme } from '@/core/rules/choice/rules';
import type { EditorProps, EditorSide } from '../contract';
import { OptionRows } from './OptionRows';

const SCHEMES: Record<ChoiceScheme, string> = {
  whole: 'all right ones and no wrong one, or nothing',
  'by-part': 'each right one earns its part',
  'by-part-deductions': 'a wrong one takes a part back, never below 0',
};

function Note({ setup, onChange }: EditorProps<ChoiceSetup>) {
  return (
    <div className="rule-edit">
      <label className="d-flex gap-2">
        <input
          type="checkbox"
          className="form-check-input"
          checked={setup.several}
          onChange={(e) => onChange({ ...setup, several: e.target.checked })}
        />
        several may be chosen
      </label>
      {setup.several && (
        <label className="line">
          marks:
          <select
            className="form-select"
            value={setup.scheme}
            onChange={(e) => onChange({ ...setup, scheme: e.target.value as ChoiceScheme })}
          >
            {CHOICE_SCHEMES.map((s) => (
              <option key={s} value={s}>
                {SCHEMES[s]}
              </option>
            ))}
          </select>
        </label>
      )}
      <label className="d-flex gap-2">
        <input
          type="checkbox"
          className="form-check-input"
          checked={setup.shuffle}
          onChange={(e) => onChange({ ...setup, shuffle: e.target.checked })}
        />
        shuffle the options
      </label>
      <label className="d-flex gap-2">
        <input
          type="checkbox"
          className="form-check-input"
          checked={setup.look === 'columns'}
          onChange={(e) => onChange({ ...setup, look: e.target.checked ? 'columns' : 'list' })}
        />
        in two columns
      </label>
      <div className="soft">What a student who chose it reads:</div>
      {setup.options.map((o, i) => (
        <input
          key={o.id}
          className="form-control"
          aria-label={`Feedback for option ${i + 1}`}
          placeholder={o.text || `option ${i + 1}`}
          value={o.feedback}
          maxLength={1000}
          onChange={(e) =>
            onChange({
              ...setup,
              options: setup.options.map((x) => (x.id === o.id ? { ...x, feedback: e.target.value } : x)),
            })
          }
        />
      ))}
    </div>
  );
}

function sentence({ options, several, scheme }: ChoiceSetup): string {
  const keys = options.filter((o) => o.key);
  if (keys.length === 0) return 'No option is marked as right yet.';
  if (!several) return `“${keys[0]?.text}” earns the marks, anything else nothing.`;
  const ones = keys.length === 1 ? 'The right one' : `Each of the ${keys.length} right ones`;
  const part = keys.length === 1 ? 'the marks' : `1/${keys.length} of the marks`;
  if (scheme === 'whole') {
    const all = keys.length === 1 ? 'The right one' : `All ${keys.length} right ones`;
    return `${all} and no wrong one: the marks; anything else earns nothing.`;
  }
  return scheme === 'by-part'
    ? `${ones} earns ${part}; whoever chooses more than ${keys.length} earns nothing.`
    : `${ones} earns ${part}, each wrong one takes ${part} back; never below 0.`;
}

export const choiceEditor: EditorSide<ChoiceSetup> = {
  Place: OptionRows,
  Note,
  trialHint: 'Type the letters of the options, such as b or a c',
  sentence,
};
