'use client';
import { LONGEST, type RecordSetup } from '@/core/kinds/record/record';
import { CountInput } from '../../parts/CountInput';
import { LooksFor } from '../../parts/LooksFor';
import type { EditorProps, EditorSide } from '../contract';
import { askedFor } from './asked';

function Place({ setup, onChange, letter }: EditorProps<RecordSetup>) {
  return (
    <>
      <textarea
        className="key-area"
        aria-label={`Slot ${letter}: a text that is read aloud`}
        placeholder="a text that is read aloud, if there is one"
        rows={2}
        maxLength={10_000}
        value={setup.reads}
        onChange={(e) => onChange({ ...setup, reads: e.target.value })}
      />
      <LooksFor
        letter={letter}
        does="listens"
        words={setup.example}
        onChange={(example) => onChange({ ...setup, example })}
      />
    </>
  );
}

function Note({ setup, onChange }: EditorProps<RecordSetup>) {
  const { takes, seconds, tries } = setup;
  return (
    <div className="rule-edit">
      <span className="line">
        <select
          className="form-select"
          aria-label="What is recorded"
          value={takes}
          onChange={(e) => {
            const next = e.target.value as RecordSetup['takes'];
            onChange({ ...setup, takes: next, seconds: Math.min(seconds, LONGEST[next]) });
          }}
        >
          <option value="voice">a voice</option>
          <option value="film">a film</option>
        </select>
        of up to
        <CountInput
          count={seconds}
          least={5}
          most={LONGEST[takes]}
          label="How many seconds it can be long"
          onChange={(count) => count !== null && onChange({ ...setup, seconds: count })}
        />
        seconds
      </span>
      <span className="line">
        recorded up to
        <CountInput
          count={tries}
          least={1}
          most={20}
          label="How often it can be recorded"
          optional
          empty="any"
          onChange={(count) => onChange({ ...setup, tries: count })}
        />
        times
      </span>
      {setup.reads !== '' && (
        <span className="line">
          hoped for:
          <CountInput
            count={setup.goal}
            least={1}
            most={500}
            label="Words read rightly in a minute that are hoped for"
            optional
            empty="–"
            onChange={(goal) => onChange({ ...setup, goal })}
          />
          right words a minute
        </span>
      )}
    </div>
  );
}

export const recordEditor: EditorSide<RecordSetup> = {
  Place,
  Note,
  sentence: (setup) => `${askedFor(setup)} A person listens to it.`,
  trialHint: 'Record it as a student would',
  presets: [
    {
      name: 'Voice',
      about: 'Spoken on the spot, that a person listens to',
      setup: (fresh) => fresh,
      example: {
        asks: 'Leave a message for a colleague: the lift is out of order, and who has been called.',
        setup: (setup) => ({ ...setup, example: 'says who speaks, what is out of order, and who comes when' }),
      },
    },
    {
      name: 'Reading aloud',
      about: 'A text that is read aloud, that a person listens to',
      setup: (fresh) => ({ ...fresh, tries: 2 }),
      example: {
        asks: 'Read this aloud, as to a group.',
        setup: (setup) => ({
          ...setup,
          reads: 'When the bell rings, leave your things where they are. Walk down the stairs and wait by the gate.',
        }),
      },
    },
    {
      name: 'Short film',
      about: 'Filmed on the spot, that a person watches',
      setup: (fresh) => ({ ...fresh, takes: 'film' }),
      example: {
        asks: 'Show how you tie a knot that does not slip, and say what you do.',
        setup: (setup) => ({ ...setup, example: 'both ends are seen; it is pulled tight at the end' }),
      },
    },
  ],
};
