'use client';
import type { ChoiceSetup } from '@/core/kinds/choice/choice';
import { LineRows } from '../../parts/LineRows';
import { TextWithFormulas } from '../../sheet/Formula';
import { drawTextFormulas } from '../../sheet/formulas';
import type { EditorProps } from '../contract';
import { freshOption, MOST_OPTIONS, type Option, withOptionLines } from './options';

/** The options on the sheet, one a line: written, marked as right, moved. */
export function OptionRows({ setup, onChange, letter, onLeave }: EditorProps<ChoiceSetup>) {
  const { options, several } = setup;
  const keep = (next: Option[]): void => onChange({ ...setup, options: next });
  const markRight = (option: Option, key: boolean): void =>
    keep(options.map((o) => (o === option ? { ...o, key } : key && !several ? { ...o, key: false } : o)));
  return (
    <LineRows
      rows={options}
      what="option"
      label={`Slot ${letter}: options, the right one marked`}
      most={MOST_OPTIONS}
      least={1}
      longest={2000}
      placeholder={(at) => (at === 0 ? 'First option; mark the right one at its left' : 'Option')}
      fresh={freshOption}
      pasted={(at, text) => withOptionLines(options, at, text, several)}
      onChange={keep}
      onLeave={onLeave}
      before={(option, at) => (
        <input
          type={several ? 'checkbox' : 'radio'}
          name={`key-${letter}`}
          checked={option.key}
          aria-label={`Option ${at + 1} is right`}
          onChange={(e) => markRight(option, e.target.checked)}
        />
      )}
      after={({ text }) =>
        text.includes('$') && (
          <span className="preview">
            <TextWithFormulas text={text} drawn={drawTextFormulas(text)} />
          </span>
        )
      }
    />
  );
}
