'use client';
import { SPOKEN_NUMBERS } from '@/core/content/bundled';
import { LONGEST_SAYING, type SaySetup } from '@/core/kinds/say/say';
import { rulesFromKey } from '@/core/rules/text/rules';
import { CountInput } from '../../parts/CountInput';
import { TextKeyInput } from '../../rules/TextKeyInput';
import { TextRulesEditor } from '../../rules/TextRulesEditor';
import { textRulesSentence } from '../../words/text-rules';
import type { EditorProps, EditorSide } from '../contract';
import { SpokenSamples } from './SpokenSamples';

function Place({ setup, onChange, letter }: EditorProps<SaySetup>) {
  return (
    <>
      <TextKeyInput
        label={`Slot ${letter}: the right answer`}
        wide
        rules={setup.rules}
        onChange={(rules) => onChange({ ...setup, rules })}
      />
      <SpokenSamples setup={setup} letter={letter} onChange={onChange} />
    </>
  );
}

function Note({ setup, onChange, marks }: EditorProps<SaySetup>) {
  return (
    <>
      <div className="rule-edit">
        <span className="line">
          said in up to
          <CountInput
            count={setup.seconds}
            least={2}
            most={LONGEST_SAYING}
            label="How many seconds it can be long"
            onChange={(count) => count !== null && onChange({ ...setup, seconds: count })}
          />
          seconds, up to
          <CountInput
            count={setup.tries}
            least={1}
            most={20}
            label="How often it can be said"
            optional
            empty="any"
            onChange={(count) => onChange({ ...setup, tries: count })}
          />
          times
        </span>
        <span className="line">
          marked without a person when
          <select
            className="form-select"
            aria-label="How sure the machine has to be"
            value={setup.sure}
            onChange={(e) => onChange({ ...setup, sure: e.target.value as SaySetup['sure'] }, 'apart')}
          >
            <option value="fairly">fairly sure</option>
            <option value="quite">quite sure</option>
            <option value="very">very sure</option>
          </select>
          of what was said
        </span>
      </div>
      <TextRulesEditor rules={setup.rules} marks={marks} onChange={(rules) => onChange({ ...setup, rules })} />
    </>
  );
}

export const sayEditor: EditorSide<SaySetup> = {
  Place,
  Note,
  sentence: ({ rules }) => `What is understood: ${textRulesSentence(rules)}`,
  trialHint: 'Say it as a student would',
  presets: [
    {
      name: 'Say it',
      about: 'A word or a phrase is spoken, understood and marked; what is doubtful a person hears',
      setup: (fresh) => fresh,
      example: {
        asks: 'Say how much three and four are.',
        setup: (setup) => ({
          ...setup,
          rules: { ...setup.rules, rules: rulesFromKey('seven').rules },
          spoken: Object.entries(SPOKEN_NUMBERS).map(([words, sound], i) => ({ id: `s${i + 1}`, words, sound })),
        }),
      },
    },
  ],
};
