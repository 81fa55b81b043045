'use client';
import { useState } from 'react';
import { shortText, type ShortTextSetup } from '@/core/kinds/short-text/short-text';
import { pointLabel, pointsIn } from '@/core/rules/text/points';
import { wordingsOf } from '@/core/rules/text/rules';
import { TextRulesEditor } from '../../rules/TextRulesEditor';
import { textRulesSentence } from '../../words/text-rules';
import type { EditorProps, EditorSide } from '../contract';

/** The right answers of the first rule, with semicolons between them. */
function keyOf({ rules }: ShortTextSetup): string {
  const first = rules.rules[0];
  if (!first) return '';
  if (first.when === 'pattern') return first.pattern;
  return first.when === 'exact' ? first.answers.join('; ') : pointsIn(first).map(pointLabel).join(' … ');
}

function Place({ setup, onChange, letter }: EditorProps<ShortTextSetup>) {
  const first = setup.rules.rules[0];
  // As it was typed, until the field is left: a semicolon at the end is a wording to come.
  const [typing, setTyping] = useState<string | null>(null);
  const typed = (text: string): void => {
    setTyping(text);
    const [, ...rest] = setup.rules.rules;
    const answers = wordingsOf(text);
    const rule =
      first?.when === 'exact' ? { ...first, answers } : { when: 'exact' as const, answers, share: '1', feedback: '' };
    onChange({ ...setup, rules: { ...setup.rules, rules: [rule, ...rest] } });
  };
  const byWords = first !== undefined && first.when !== 'exact';
  const key = keyOf(setup);
  const shown = typing !== null && wordingsOf(typing).join('; ') === key ? typing : key;
  return (
    <input
      className={`key-input ${setup.room === 'word' ? '' : 'wide'}`}
      aria-label={`Slot ${letter}: the right answer`}
      placeholder="right answer; another wording"
      value={shown}
      readOnly={byWords}
      title={byWords ? 'Decided by points or a pattern; change them in the margin' : undefined}
      maxLength={1000}
      onChange={(e) => typed(e.target.value)}
      onBlur={() => setTyping(null)}
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
      about: 'Several lines, marked by keywords',
      setup: (fresh) => ({ ...fresh, room: 'lines' }),
      example: {
        asks: 'Why does a bicycle have gears?',
        setup: (setup) => shortText.typed.withKey(setup, 'to pedal with less force uphill'),
      },
    },
  ],
  sentence: ({ rules }) => textRulesSentence(rules),
};
