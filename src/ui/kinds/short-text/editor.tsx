'use client';
import { useState } from 'react';
import { shortText, type ShortTextSetup } from '@/core/kinds/short-text/short-text';
import { pointLabel, pointOf, type PointsRule, pointsIn, setOf, simplePoint } from '@/core/rules/text/points';
import { type TextRule, wordingsOf } from '@/core/rules/text/rules';
import { wordingsFrom, wordingsText } from '@/core/rules/text/wording-text';
import { TextRulesEditor } from '../../rules/TextRulesEditor';
import { textRulesSentence } from '../../words/text-rules';
import type { EditorProps, EditorSide } from '../contract';

/** What the first rule wants, with semicolons between wordings. */
function keyOf(first: TextRule | undefined): string {
  if (!first) return '';
  if (first.when === 'pattern') return first.pattern;
  if (first.when === 'exact') return first.answers.join('; ');
  const simple = simplePoint(first);
  return simple ? wordingsText(simple.accept) : pointsIn(first).map(pointLabel).join(' … ');
}

/** The rule with what was typed on the sheet: any of these wordings, as the whole answer or somewhere in it. */
function typedRule(first: TextRule | undefined, text: string): TextRule {
  const simple = first?.when === 'points' ? simplePoint(first) : null;
  if (first?.when === 'points' && simple) {
    const accept = wordingsFrom(text, simple.accept);
    return { ...first, sets: first.sets.map((set) => ({ ...set, points: [{ ...simple, accept }] })) };
  }
  const answers = wordingsOf(text);
  return first?.when === 'exact' ? { ...first, answers } : { when: 'exact', answers, share: '1', feedback: '' };
}

function Place({ setup, onChange, letter }: EditorProps<ShortTextSetup>) {
  const first = setup.rules.rules[0];
  // As it was typed, until the field is left: a semicolon at the end is a wording to come.
  const [typing, setTyping] = useState<string | null>(null);
  const typed = (text: string): void => {
    setTyping(text);
    const [, ...rest] = setup.rules.rules;
    onChange({ ...setup, rules: { ...setup.rules, rules: [typedRule(first, text), ...rest] } });
  };
  const byWords = first?.when === 'pattern' || (first?.when === 'points' && simplePoint(first) === null);
  const key = keyOf(first);
  const shown = typing !== null && keyOf(typedRule(first, typing)) === key ? typing : key;
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
