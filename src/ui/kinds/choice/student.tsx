'use client';
import { smallLetterAt } from '@/core/base/letters';
import type { ChoiceResponse, ChoiceSheet } from '@/core/kinds/choice/choice';
import { PlaySound, ShownThing } from '../../sheet/ShownThing';
import type { ReviewProps, StudentProps } from '../contract';

export function Student({ id, label, sheet, response, onChange, drawn }: StudentProps<ChoiceSheet, ChoiceResponse>) {
  const chosen = response?.chosen ?? [];
  const toggle = (option: string, on: boolean): void => {
    if (!sheet.several) onChange({ chosen: [option] });
    else onChange({ chosen: on ? [...chosen, option] : chosen.filter((c) => c !== option) });
  };
  if (sheet.look === 'menu')
    return (
      <select
        className="form-select options-menu"
        aria-label={label}
        value={chosen[0] ?? ''}
        onChange={(e) => onChange({ chosen: e.target.value === '' ? [] : [e.target.value] })}
      >
        <option value="">Choose…</option>
        {sheet.options.map((option) => (
          <option key={option.id} value={option.id}>
            {option.text}
          </option>
        ))}
      </select>
    );
  const full = sheet.most !== null && chosen.length >= sheet.most;
  return (
    <fieldset className={`options ${sheet.look === 'columns' ? 'columns' : ''}`}>
      <legend className="visually-hidden">
        {label}:{' '}
        {sheet.most !== null
          ? `choose at most ${sheet.most}`
          : sheet.several
            ? 'choose all that are right'
            : 'choose one'}
      </legend>
      {sheet.most !== null && (
        <p className="soft" aria-hidden="true">
          At most {sheet.most}
          {full && '; to choose another, take one back'}
        </p>
      )}
      {sheet.options.map((option, i) => (
        <div key={option.id} className="option-line">
          <label>
            <input
              type={sheet.several ? 'checkbox' : 'radio'}
              name={id}
              checked={chosen.includes(option.id)}
              disabled={full && !chosen.includes(option.id)}
              onChange={(e) => toggle(option.id, e.target.checked)}
            />
            <span>
              {/* A formula alone is no name to every reader of the screen. */}
              {option.text.includes('$') && <span className="visually-hidden">{smallLetterAt(i)}: </span>}
              <ShownThing thing={option} at={i} drawn={drawn} />
            </span>
          </label>
          <PlaySound thing={option} at={i} />
        </div>
      ))}
    </fieldset>
  );
}

export function Review({ sheet, response, drawn }: ReviewProps<ChoiceSheet, ChoiceResponse>) {
  const chosen = response?.chosen ?? [];
  return (
    <ul className={`options ${sheet.look === 'columns' ? 'columns' : ''}`}>
      {sheet.options.map((option, i) => {
        const on = chosen.includes(option.id);
        return (
          <li key={option.id} className={on ? 'option chosen' : 'option'}>
            <span className="sign" role="img" aria-label={on ? 'chosen' : 'not chosen'}>
              {on ? (sheet.several ? '☒' : '◉') : sheet.several ? '☐' : '○'}
            </span>
            <span>
              <ShownThing thing={option} at={i} drawn={drawn} />
            </span>
            <PlaySound thing={option} at={i} />
          </li>
        );
      })}
    </ul>
  );
}
