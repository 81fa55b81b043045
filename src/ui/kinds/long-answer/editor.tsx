'use client';
import type { LongAnswerSetup } from '@/core/kinds/long-answer/long-answer';
import { CountInput } from '../../parts/CountInput';
import { plural } from '../../words/marks';
import { textRulesSentence } from '../../words/text-rules';
import { TextRulesEditor } from '../../rules/TextRulesEditor';
import type { EditorProps, EditorSide } from '../contract';
import { CheckLine } from '../../parts/CheckLine';

function Place({ setup, onChange, letter }: EditorProps<LongAnswerSetup>) {
  return (
    <textarea
      className="key-area"
      aria-label={`Slot ${letter}: an answer as it might be, for markers`}
      placeholder="an answer as it might be, for markers"
      rows={Math.min(setup.lines, 10)}
      value={setup.example}
      onChange={(e) => onChange({ ...setup, example: e.target.value })}
    />
  );
}

const WRITES: Record<LongAnswerSetup['write'], string> = {
  plain: 'plain text',
  rich: 'text with headings and lists',
  formulas: 'text with formulas',
};

const MOST_WORDS = 20_000;

function Note({ setup, onChange, marks }: EditorProps<LongAnswerSetup>) {
  const change = (part: Partial<LongAnswerSetup>): void => onChange({ ...setup, ...part });
  return (
    <div className="rule-edit">
      <label className="line">
        students write
        <select
          className="form-select"
          value={setup.write}
          onChange={(e) => change({ write: e.target.value as LongAnswerSetup['write'] })}
        >
          {Object.entries(WRITES).map(([name, words]) => (
            <option key={name} value={name}>
              {words}
            </option>
          ))}
        </select>
      </label>
      <span className="line">
        room for
        <CountInput
          count={setup.lines}
          least={2}
          most={40}
          label="Lines of room"
          onChange={(lines) => lines !== null && change({ lines })}
        />
        lines
      </span>
      <span className="line">
        from
        <CountInput
          count={setup.least}
          least={1}
          most={MOST_WORDS}
          label="At least so many words"
          optional
          onChange={(least) => change({ least })}
        />
        to
        <CountInput
          count={setup.most}
          least={1}
          most={MOST_WORDS}
          label="At most so many words"
          optional
          onChange={(most) => change({ most })}
        />
        words
      </span>
      <span className="line">
        up to
        <CountInput
          count={setup.files}
          least={0}
          most={10}
          label="Files beside it"
          onChange={(files) => files !== null && change({ files })}
        />
        files beside it
      </span>
      <details>
        <summary>Words to look for</summary>
        <CheckLine className="my-1" checked={setup.counts} onChange={(on) => change({ counts: on })}>
          they give marks; else they only help whoever marks
        </CheckLine>
        <TextRulesEditor rules={setup.rules} marks={marks} onChange={(rules) => change({ rules })} />
      </details>
    </div>
  );
}

function sentence({ rules, counts, least, most }: LongAnswerSetup): string {
  const length =
    least !== null && most !== null
      ? `, ${least} to ${most} words`
      : least !== null
        ? `, at least ${plural(least, 'word')}`
        : most !== null
          ? `, at most ${plural(most, 'word')}`
          : '';
  return counts ? `A long answer${length}. ${textRulesSentence(rules)}` : `A person reads and marks it${length}.`;
}

export const longAnswerEditor: EditorSide<LongAnswerSetup> = {
  Place,
  Note,
  trialHint: 'Type an answer as a student would',
  presets: [
    {
      name: 'Long answer',
      about: 'A text that a person marks, with a rubric if wanted',
      setup: (fresh) => fresh,
      example: {
        asks: 'Describe how the brake of a bicycle stops the wheel.',
        setup: (setup) => ({
          ...setup,
          example: 'The pads press on the rim, and friction turns its motion into heat.',
        }),
      },
    },
  ],
  sentence,
};
