'use client';
import { Plus, X } from 'lucide-react';
import Button from 'react-bootstrap/Button';
import type { ChoiceSetup } from '@/core/kinds/choice/choice';
import { CHOICE_SCHEMES, type ChoiceScheme } from '@/core/rules/choice/rules';
import { TextWithFormulas } from '../../sheet/Formula';
import { drawTextFormulas } from '../../sheet/formulas';
import type { EditorProps, EditorSide } from '../contract';

type Option = ChoiceSetup['options'][number];

function freshId(options: readonly Option[]): string {
  const used = new Set(options.map((o) => o.id));
  let n = 1;
  while (used.has(`o${n}`)) n += 1;
  return `o${n}`;
}

function Place({ setup, onChange, letter }: EditorProps<ChoiceSetup>) {
  const { options, several } = setup;
  const edit = (id: string, part: Partial<Option>): void => {
    onChange({
      ...setup,
      options: options.map((o) => (o.id === id ? { ...o, ...part } : part.key && !several ? { ...o, key: false } : o)),
    });
  };
  const add = (after?: number): void => {
    if (options.length >= 26) return;
    const fresh = { id: freshId(options), text: '', key: false, feedback: '' };
    const at = after === undefined ? options.length : after + 1;
    onChange({ ...setup, options: [...options.slice(0, at), fresh, ...options.slice(at)] });
  };
  return (
    <div className="option-rows" role="group" aria-label={`Slot ${letter}: options, the right one marked`}>
      {options.map((o, i) => (
        <div className="option-row" key={o.id}>
          <input
            type={several ? 'checkbox' : 'radio'}
            name={`key-${letter}`}
            checked={o.key}
            aria-label={`Option ${i + 1} is right`}
            onChange={(e) => edit(o.id, { key: e.target.checked })}
          />
          <input
            className="text"
            aria-label={`Option ${i + 1}`}
            placeholder={i === 0 ? 'First option; mark the right one at its left' : 'Option'}
            value={o.text}
            maxLength={2000}
            onChange={(e) => edit(o.id, { text: e.target.value })}
            onKeyDown={(e) => {
              if (e.key === 'Enter') {
                e.preventDefault();
                const group = e.currentTarget.closest('.option-rows');
                add(i);
                setTimeout(() => group?.querySelectorAll<HTMLInputElement>('input.text')[i + 1]?.focus(), 30);
              }
            }}
          />
          {o.text.includes('$') && (
            <span className="preview">
              <TextWithFormulas text={o.text} drawn={drawTextFormulas(o.text)} />
            </span>
          )}
          <Button
            variant="quiet"
            aria-label={`Take option ${i + 1} out`}
            disabled={options.length <= 1}
            onClick={() => onChange({ ...setup, options: options.filter((x) => x.id !== o.id) })}
          >
            <X size={15} />
          </Button>
        </div>
      ))}
      <div>
        <Button variant="quiet" onClick={() => add()}>
          <Plus size={15} /> option
        </Button>
      </div>
    </div>
  );
}

const SCHEMES: Record<ChoiceScheme, string> = {
  whole: 'all or nothing',
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
  const each = keys.length === 1 ? '1 key' : `${keys.length} keys`;
  return `${each}: ${SCHEMES[scheme]}.`;
}

export const choiceEditor: EditorSide<ChoiceSetup> = {
  Place,
  Note,
  trialHint: 'Type the letters of the options, such as b or a c',
  sentence,
};
