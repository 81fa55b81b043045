'use client';
import { useState } from 'react';
import type { ChoiceSetup } from '@/core/kinds/choice/choice';
import { menu, withWords } from '@/core/kinds/menu/menu';
import { CheckLine } from '../../parts/CheckLine';
import { OptionFeedback } from '../choice/OptionFeedback';
import type { EditorProps, EditorSide } from '../contract';

const rightOf = ({ options }: ChoiceSetup): string => options.find(({ key }) => key)?.text ?? '';
const wrongOf = ({ options }: ChoiceSetup): string[] => options.filter(({ key }) => !key).map(({ text }) => text);
const wordsIn = (typed: string): string[] => typed.split(';').map((word) => word.trim());

/** In the line: the right word, and behind it the others. */
function Place({ setup, onChange, letter }: EditorProps<ChoiceSetup>) {
  const wrong = wrongOf(setup);
  // As it was typed, until the field is left: a semicolon at the end is a word to come.
  const [typing, setTyping] = useState<string | null>(null);
  const shown = typing !== null && wordsIn(typing).join() === wrong.join() ? typing : wrong.join('; ');
  const leave = (): void => {
    setTyping(null);
    const kept = wrong.filter((word) => word !== '');
    if (kept.length < wrong.length && kept.length > 0) onChange(withWords(setup, rightOf(setup), kept));
  };
  return (
    <>
      <input
        className="key-input menu-key"
        aria-label={`Slot ${letter}: the right word`}
        placeholder="right word"
        value={rightOf(setup)}
        maxLength={200}
        onChange={(e) => onChange(withWords(setup, e.target.value, wrong))}
      />
      <input
        className="key-input menu-others"
        aria-label={`Slot ${letter}: the other words, with semicolons between them`}
        placeholder="others; with semicolons"
        value={shown}
        maxLength={2000}
        onChange={(e) => {
          setTyping(e.target.value);
          onChange(withWords(setup, rightOf(setup), wordsIn(e.target.value)));
        }}
        onBlur={leave}
      />
    </>
  );
}

function Note({ setup, onChange }: EditorProps<ChoiceSetup>) {
  return (
    <div className="rule-edit">
      <CheckLine checked={setup.shuffle} onChange={(shuffle) => onChange({ ...setup, shuffle })}>
        mixed for everybody, else by the alphabet
      </CheckLine>
      <OptionFeedback setup={setup} onChange={onChange} />
    </div>
  );
}

export const menuEditor: EditorSide<ChoiceSetup> = {
  Place,
  Note,
  sentence(setup) {
    const right = rightOf(setup);
    return right === '' ? 'The right word is missing.' : `“${right}” earns the marks, anything else nothing.`;
  },
  trialHint: 'Type the word that is chosen',
  keyHint: 'The right word first; others behind it, with semicolons between them',
  presets: [
    {
      name: 'Drop-down in a line',
      about: 'One word of several, chosen in a line of the text',
      setup: (fresh) => fresh,
      example: {
        asks: 'On a shorter lever the force',
        setup: (setup) => menu.typed.withKey(setup, 'must be larger; may be smaller; stays the same'),
      },
    },
  ],
};
