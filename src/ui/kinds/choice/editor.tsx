'use client';
import { choice, type ChoiceLook, type ChoiceSetup } from '@/core/kinds/choice/choice';
import { CountInput } from '../../parts/CountInput';
import { SchemeSelect } from '../../parts/SchemeSelect';
import type { EditorProps, EditorSide } from '../contract';
import { OptionFeedback } from './OptionFeedback';
import { OptionRows } from './OptionRows';
import { CheckLine } from '../../parts/CheckLine';

const LOOKS: Record<ChoiceLook, string> = {
  list: 'one below the other',
  columns: 'in two columns',
  menu: 'as a drop-down',
};

function Note({ setup, onChange }: EditorProps<ChoiceSetup>) {
  return (
    <div className="rule-edit">
      <CheckLine checked={setup.several} onChange={(on) => onChange({ ...setup, several: on })}>
        several may be chosen
      </CheckLine>
      {setup.several && <SchemeSelect scheme={setup.scheme} onChange={(scheme) => onChange({ ...setup, scheme })} />}
      {setup.several && (
        <label className="line">
          at most
          <CountInput
            label="How many may be chosen at most"
            optional
            count={setup.most}
            least={1}
            most={26}
            onChange={(most) => onChange({ ...setup, most })}
          />
          may be chosen
        </label>
      )}
      <CheckLine checked={setup.shuffle} onChange={(on) => onChange({ ...setup, shuffle: on })}>
        shuffle the options
      </CheckLine>
      <label className="line">
        they stand
        <select
          className="form-select"
          value={setup.look}
          onChange={(e) => onChange({ ...setup, look: e.target.value as ChoiceLook })}
        >
          {(Object.keys(LOOKS) as ChoiceLook[])
            .filter((look) => look !== 'menu' || !setup.several || setup.look === 'menu')
            .map((look) => (
              <option key={look} value={look}>
                {LOOKS[look]}
              </option>
            ))}
        </select>
      </label>
      <OptionFeedback setup={setup} onChange={onChange} />
    </div>
  );
}

function sentence(setup: ChoiceSetup): string {
  const most = setup.several && setup.most !== null ? ` At most ${setup.most} can be chosen.` : '';
  return marksSentence(setup) + most;
}

function marksSentence({ options, several, scheme }: ChoiceSetup): string {
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

const option = (id: string, text = '') => ({ id, text, key: false, feedback: '' });

/** Options as they are typed. */
const typed =
  (lines: string) =>
  (setup: ChoiceSetup): ChoiceSetup =>
    choice.typed.withKey(setup, lines);

export const choiceEditor: EditorSide<ChoiceSetup> = {
  Place: OptionRows,
  Note,
  trialHint: 'Type the letters of the options, such as b or a c',
  keyHint: 'One option a line, * before the right one',
  presets: [
    {
      name: 'Choice',
      about: 'One right answer among several',
      setup: (fresh) => fresh,
      example: {
        asks: 'Which of these floats on water?',
        setup: typed('* a wooden spoon\na steel nail\na pebble\na house key'),
      },
    },
    {
      name: 'Several of several',
      about: 'Every right answer is to be marked',
      setup: (fresh) => ({ ...fresh, several: true, options: ['a', 'b', 'c', 'd'].map((id) => option(id)) }),
      example: { asks: 'Which of these are prime numbers?', setup: typed('* 2\n* 7\n9\n15') },
    },
    {
      name: 'Two-way',
      about: 'True or false, yes or no, in your own words',
      setup: (fresh) => ({
        ...fresh,
        shuffle: false,
        look: 'columns',
        options: [option('a', 'True'), option('b', 'False')],
      }),
      example: { asks: 'Ice is lighter than the same volume of water.', setup: typed('* True\nFalse') },
    },
  ],
  sentence,
};
