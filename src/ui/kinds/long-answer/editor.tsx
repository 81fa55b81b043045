'use client';
import type { LongAnswerSetup } from '@/core/kinds/long-answer/long-answer';
import { plural } from '../../words/marks';
import { textRulesSentence } from '../../words/text-rules';
import { TextRulesEditor } from '../../rules/TextRulesEditor';
import type { EditorProps, EditorSide } from '../contract';

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

function Note({ setup, onChange, marks }: EditorProps<LongAnswerSetup>) {
  const change = (part: Partial<LongAnswerSetup>): void => onChange({ ...setup, ...part });
  const number = (text: string, most: number): number | null => {
    const value = Number.parseInt(text, 10);
    return Number.isFinite(value) && value > 0 ? Math.min(value, most) : null;
  };
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
      <label className="line">
        room for
        <input
          className="form-control narrow"
          aria-label="Lines of room"
          inputMode="numeric"
          value={setup.lines}
          onChange={(e) => change({ lines: Math.min(40, Math.max(2, number(e.target.value, 40) ?? 2)) })}
        />
        lines
      </label>
      <span className="line">
        from
        <input
          className="form-control narrow"
          aria-label="At least so many words"
          placeholder="any"
          inputMode="numeric"
          value={setup.least ?? ''}
          onChange={(e) => change({ least: number(e.target.value, 20_000) })}
        />
        to
        <input
          className="form-control narrow"
          aria-label="At most so many words"
          placeholder="any"
          inputMode="numeric"
          value={setup.most ?? ''}
          onChange={(e) => change({ most: number(e.target.value, 20_000) })}
        />
        words
      </span>
      <span className="line">
        up to
        <input
          className="form-control narrow"
          aria-label="Files beside it"
          inputMode="numeric"
          value={setup.files}
          onChange={(e) => change({ files: number(e.target.value, 10) ?? 0 })}
        />
        files beside it
      </span>
      <details>
        <summary>Words to look for</summary>
        <label className="d-flex gap-2 my-1">
          <input
            type="checkbox"
            className="form-check-input"
            checked={setup.counts}
            onChange={(e) => change({ counts: e.target.checked })}
          />
          they give marks; else they only help whoever marks
        </label>
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
  sentence,
};
