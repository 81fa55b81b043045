'use client';
import { shortText, type ShortTextSetup } from '@/core/kinds/short-text/short-text';
import { pointOf, type PointsRule, setOf } from '@/core/rules/text/points';
import { TextKeyInput } from '../../rules/TextKeyInput';
import { TextRulesEditor } from '../../rules/TextRulesEditor';
import { textRulesSentence } from '../../words/text-rules';
import type { EditorProps, EditorSide } from '../contract';

function Place({ setup, onChange, letter }: EditorProps<ShortTextSetup>) {
  return (
    <TextKeyInput
      label={`Slot ${letter}: the right answer`}
      wide={setup.room !== 'word'}
      rules={setup.rules}
      onChange={(rules) => onChange({ ...setup, rules })}
    />
  );
}

function Note({ setup, onChange, marks }: EditorProps<ShortTextSetup>) {
  return (
    <>
      <TextRulesEditor rules={setup.rules} marks={marks} onChange={(rules) => onChange({ ...setup, rules })} />
      <label className="rule-edit">
        <span className="line">
          room to write:
          <select
            className="form-select"
            value={setup.room}
            onChange={(e) => onChange({ ...setup, room: e.target.value as ShortTextSetup['room'] })}
          >
            <option value="word">a word</option>
            <option value="line">a line</option>
            <option value="lines">a few lines</option>
          </select>
        </span>
      </label>
    </>
  );
}

/** Where a scheme begins: any of these words, somewhere in the answer. */
const ONE_POINT: PointsRule = { when: 'points', sets: [setOf([pointOf('p1', [])])], refuse: [], feedback: '' };

export const shortTextEditor: EditorSide<ShortTextSetup> = {
  Place,
  Note,
  trialHint: 'Type an answer as a student would',
  presets: [
    {
      name: 'Short text',
      about: 'A word or a sentence, marked by your wordings',
      setup: (fresh) => fresh,
      example: {
        asks: 'What does a thermometer measure?',
        setup: (setup) => shortText.typed.withKey(setup, 'temperature; the temperature'),
      },
    },
    {
      name: 'Fill in a word',
      about: 'A gap inside a sentence',
      setup: (fresh) => ({ ...fresh, room: 'word' }),
      example: {
        asks: 'A triangle whose sides are all equal is called',
        setup: (setup) => shortText.typed.withKey(setup, 'equilateral'),
      },
    },
    {
      name: 'A few lines',
      about: 'Several lines, marked by points of a scheme',
      setup: (fresh) => ({ ...fresh, room: 'lines', rules: { ...fresh.rules, rules: [ONE_POINT] } }),
      example: {
        asks: 'Why does a bicycle have gears?',
        setup: (setup) => shortText.typed.withKey(setup, 'to pedal with less force uphill'),
      },
    },
  ],
  sentence: ({ rules }) => textRulesSentence(rules),
};
