'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { MOST_TEXT, MOST_UNITS, type SelectSetup } from '@/core/kinds/select/select';
import {
  joined,
  parted,
  piecesOf,
  resplit,
  stretches,
  type Unit,
  UNIT_SIZES,
  type UnitSize,
} from '@/core/kinds/select/units';
import type { ChoiceScheme } from '@/core/rules/choice/rules';
import { CountInput } from '../../parts/CountInput';
import { plural } from '../../words/marks';
import { SchemeSelect } from '../../parts/SchemeSelect';
import type { EditorProps, EditorSide } from '../contract';
import { Units } from './Units';

/** The text, and below it the same to be clicked: what is marked is right. */
function Place({ setup, onChange, letter }: EditorProps<SelectSetup>) {
  const { text, size, units } = setup;
  const [chosen, setChosen] = useState<string | null>(null);
  const unit = units.find(({ id }) => id === chosen);
  const keep = (next: Unit[]): void => onChange({ ...setup, units: next }, 'apart');
  const words = unit ? text.slice(unit.from, unit.to) : '';
  return (
    <div className="select-edit">
      <textarea
        className="form-control"
        rows={4}
        aria-label={`Slot ${letter}: the text`}
        placeholder="The text in which something is to be selected"
        value={text}
        maxLength={MOST_TEXT}
        onChange={(e) =>
          onChange({ ...setup, text: e.target.value, units: resplit(setup, e.target.value, size, MOST_UNITS) })
        }
      />
      {units.length > 0 && (
        <>
          <p className="soft m-0">Click what is right:</p>
          <Units
            label={`Slot ${letter}: what is right`}
            pieces={piecesOf(text, units)}
            on={units.filter(({ key }) => key).map(({ id }) => id)}
            chosen={chosen}
            onPress={(id) => {
              setChosen(id);
              keep(units.map((one) => (one.id === id ? { ...one, key: !one.key } : one)));
            }}
          />
        </>
      )}
      {unit && (
        <div className="d-flex gap-2 flex-wrap align-items-center">
          <strong>“{words}”</strong>
          <Button variant="quiet" disabled={units[0] === unit} onClick={() => keep(joined(units, unit.id))}>
            Join with the one before
          </Button>
          {stretches(words, size).length > 1 && (
            <Button variant="quiet" onClick={() => keep(parted(units, unit.id, text, size))}>
              Part it
            </Button>
          )}
          {!unit.key && (
            <input
              className="form-control form-control-sm"
              aria-label={`Feedback for “${words}”`}
              placeholder="what a student who selects it reads"
              value={unit.feedback}
              maxLength={1000}
              onChange={(e) =>
                onChange({
                  ...setup,
                  units: units.map((one) => (one === unit ? { ...unit, feedback: e.target.value } : one)),
                })
              }
            />
          )}
        </div>
      )}
    </div>
  );
}

const SIZES: Record<UnitSize, string> = { words: 'words', sentences: 'sentences' };

function Note({ setup, onChange }: EditorProps<SelectSetup>) {
  const resized = (size: UnitSize): SelectSetup => ({
    ...setup,
    size,
    units: resplit({ text: '', units: [] }, setup.text, size, MOST_UNITS),
  });
  return (
    <div className="rule-edit">
      <label className="line">
        the text falls into
        <select
          className="form-select"
          value={setup.size}
          onChange={(e) => onChange(resized(e.target.value as UnitSize))}
        >
          {UNIT_SIZES.map((size) => (
            <option key={size} value={size}>
              {SIZES[size]}
            </option>
          ))}
        </select>
      </label>
      <SchemeSelect scheme={setup.scheme} onChange={(scheme) => onChange({ ...setup, scheme })} />
      <label className="line">
        at most
        <CountInput
          label="How many may be selected at most"
          optional
          count={setup.most}
          least={1}
          most={MOST_UNITS}
          onChange={(most) => onChange({ ...setup, most })}
        />
        may be selected
      </label>
    </div>
  );
}

function sentence({ units, most, scheme }: SelectSetup): string {
  const keys = units.filter(({ key }) => key).length;
  if (keys === 0) return 'Nothing in the text is right yet.';
  const limit = most === null ? '' : ` At most ${most} can be selected.`;
  const all = keys === 1 ? 'The right one' : `All ${keys} right ones`;
  const each =
    keys === 1
      ? 'The right one earns the marks'
      : `Each of the ${plural(keys, 'right one')} earns 1/${keys} of the marks`;
  const sentences: Record<ChoiceScheme, string> = {
    whole: `${all} and no wrong one: the marks; anything else earns nothing.`,
    'by-part': `${each}; whoever selects more than ${keys} earns nothing.`,
    'by-part-deductions': `${each}, each wrong one takes ${keys === 1 ? 'them' : 'as much'} back; never below 0.`,
  };
  return sentences[scheme] + limit;
}

/** A text of which these units are right. */
function found(setup: SelectSetup, text: string, right: readonly string[]): SelectSetup {
  const units = resplit(setup, text, setup.size, MOST_UNITS);
  return {
    ...setup,
    text,
    units: units.map((unit) => ({ ...unit, key: right.includes(text.slice(unit.from, unit.to)) })),
  };
}

export const selectEditor: EditorSide<SelectSetup> = {
  Place,
  Note,
  sentence,
  trialHint: 'Select as a student would',
  presets: [
    {
      name: 'Select words',
      about: 'Words of a text that are to be found',
      setup: (fresh) => fresh,
      example: {
        asks: 'Select the verbs.',
        setup: (setup) => found(setup, 'The chain turns the wheel while the rider steers.', ['turns', 'steers']),
      },
    },
    {
      name: 'Select sentences',
      about: 'Sentences of a text that are to be found',
      setup: (fresh) => ({ ...fresh, size: 'sentences' }),
      example: {
        asks: 'Which sentence is an opinion?',
        setup: (setup) =>
          found(setup, 'The bridge is 80 m long. It is the finest in the county. It opened in spring.', [
            'It is the finest in the county.',
          ]),
      },
    },
  ],
};
