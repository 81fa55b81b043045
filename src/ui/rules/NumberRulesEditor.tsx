'use client';
import {
  LONGEST_KEY,
  type NumberRule,
  type NumberRules,
  type Slip,
  slipRule,
  SLIPS,
  type Tolerance,
} from '@/core/rules/number/rules';
import type { ReactNode } from 'react';
import { ActMenu } from '../parts/ActMenu';
import { ShareInput } from '../parts/ShareInput';
import { RuleRow } from './RuleRow';
import { marksText } from '../words/marks';

const START: Record<Tolerance['by'], Tolerance> = {
  relative: { by: 'relative', amount: '1' },
  absolute: { by: 'absolute', amount: '0' },
  places: { by: 'places', amount: 2 },
  figures: { by: 'figures', amount: 3 },
  range: { by: 'range', amount: '' },
  atLeast: { by: 'atLeast', amount: '' },
  atMost: { by: 'atMost', amount: '' },
};

function AcceptInput({
  accept,
  unit,
  onChange,
}: {
  accept: Tolerance;
  unit: string;
  onChange: (accept: Tolerance) => void;
}) {
  return (
    <span className="line">
      <select
        className="form-select"
        aria-label="How near is near enough"
        value={accept.by}
        onChange={(e) => onChange(START[e.target.value as Tolerance['by']])}
      >
        <option value="relative">± percent</option>
        <option value="absolute">± {unit || 'amount'}</option>
        <option value="places">to decimal places</option>
        <option value="figures">to significant figures</option>
        <option value="range">up to</option>
        <option value="atLeast">or more</option>
        <option value="atMost">or less</option>
      </select>
      {accept.by !== 'atLeast' && accept.by !== 'atMost' && (
        <input
          className="form-control narrow"
          aria-label="Tolerance"
          maxLength={60}
          value={accept.amount}
          onChange={(e) => {
            if (accept.by === 'absolute' || accept.by === 'relative' || accept.by === 'range')
              onChange({ ...accept, amount: e.target.value });
            else if (/^\d{1,2}$/.test(e.target.value))
              onChange({
                ...accept,
                amount: Math.min(12, Math.max(accept.by === 'figures' ? 1 : 0, Number(e.target.value))),
              });
          }}
        />
      )}
    </span>
  );
}

const SLIP_WORDS: Record<Slip, string> = {
  sign: 'wrong sign',
  'thousand-times': 'a thousand times too large',
  thousandth: 'a thousand times too small',
  'wrong-unit': 'right number, wrong unit',
};
const OTHER: NumberRule = { value: '', accept: { by: 'relative', amount: '1' }, share: '1/2', feedback: '' };

interface Props {
  rules: NumberRules;
  marks: string;
  onChange: (rules: NumberRules) => void;
}

/** Everything finer about numbers: further values, how near is near enough, the missing unit. */
export function NumberRulesEditor({ rules, marks, onChange, children }: Props & { children?: ReactNode }) {
  const set = (i: number, part: Partial<NumberRule>): void =>
    onChange({ ...rules, rules: rules.rules.map((r, j) => (j === i ? { ...r, ...part } : r)) });
  return (
    <div className="rule-edit">
      {rules.rules.map((rule, i) => (
        <RuleRow
          key={i}
          index={i}
          when={
            <>
              <input
                className="form-control"
                aria-label={`Value of rule ${i + 1}`}
                value={rule.value}
                maxLength={LONGEST_KEY}
                onChange={(e) => set(i, { value: e.target.value })}
              />
              <span>{rules.unit}</span>
            </>
          }
          share={{ of: marks, value: rule.share, onChange: (share) => set(i, { share }) }}
          feedback={rule.feedback}
          onFeedback={(feedback) => set(i, { feedback })}
          {...(i > 0 ? { onTakeOut: () => onChange({ ...rules, rules: rules.rules.filter((_, j) => j !== i) }) } : {})}
        >
          <AcceptInput accept={rule.accept} unit={rules.unit} onChange={(accept) => set(i, { accept })} />
        </RuleRow>
      ))}
      {rules.unit !== '' && (
        <div className="line">
          right number, unit missing:
          <ShareInput
            share={rules.missingUnit}
            marks={marks}
            label="Marks without the unit"
            onChange={(missingUnit) => onChange({ ...rules, missingUnit })}
          />
        </div>
      )}
      {children}
      <details open={rules.percent !== undefined || rules.uncertainty !== undefined}>
        <summary>Typical slips, percent, uncertainty</summary>
        <ActMenu
          words="+ rule for a typical slip"
          choices={[
            ...SLIPS.filter((slip) => slip !== 'wrong-unit' || rules.unit !== '').map((slip) => ({
              value: slip,
              words: SLIP_WORDS[slip],
            })),
            { value: 'other', words: 'another value' },
          ]}
          onChoose={(value) => {
            const made = value === 'other' ? OTHER : slipRule(value as Slip, rules);
            if (made) onChange({ ...rules, rules: [...rules.rules, made] });
          }}
        />
        {(rules.unit === '%' || rules.unit === '') && (
          <label className="line">
            percent and fraction
            <select
              className="form-select"
              value={rules.percent ?? ''}
              onChange={(e) => onChange(withPercent(rules, e.target.value))}
            >
              <option value="">59 % counts as 0.59</option>
              <option value="either">count as each other</option>
              <option value="asWritten">only as the key has it</option>
            </select>
          </label>
        )}
        <Uncertainty rules={rules} marks={marks} onChange={onChange} />
      </details>
    </div>
  );
}

function withPercent({ percent: _, ...rules }: NumberRules, choice: string): NumberRules {
  return choice === '' ? rules : { ...rules, percent: choice as NonNullable<NumberRules['percent']> };
}

/** The uncertainty that has to be stated, when one has. */
function Uncertainty({ rules, marks, onChange }: Props) {
  const { uncertainty, ...without } = rules;
  const start = { value: '', percent: '20', missing: '1/2' };
  return (
    <>
      <label className="line">
        <input
          type="checkbox"
          className="form-check-input"
          checked={uncertainty !== undefined}
          onChange={(e) => onChange(e.target.checked ? { ...rules, uncertainty: start } : without)}
        />
        with its uncertainty
      </label>
      {uncertainty && (
        <span className="line">
          ±
          <input
            className="form-control narrow"
            aria-label="Uncertainty"
            value={uncertainty.value}
            maxLength={LONGEST_KEY}
            onChange={(e) => onChange({ ...rules, uncertainty: { ...uncertainty, value: e.target.value } })}
          />
          {rules.unit} within
          <input
            className="form-control narrow"
            aria-label="How far the uncertainty may be off, in percent"
            value={uncertainty.percent}
            maxLength={20}
            onChange={(e) => onChange({ ...rules, uncertainty: { ...uncertainty, percent: e.target.value } })}
          />
          %; without it
          <ShareInput
            share={uncertainty.missing}
            marks={marks}
            label="Marks without the uncertainty"
            onChange={(missing) => onChange({ ...rules, uncertainty: { ...uncertainty, missing } })}
          />
        </span>
      )}
    </>
  );
}

function near({ accept, value, anyUnit }: NumberRule, unit: string): string {
  const target = anyUnit ? `${value} with any unit` : `${value} ${unit}`.trim();
  if (accept.by === 'relative') return `${target} ± ${accept.amount} %`;
  if (accept.by === 'absolute') return accept.amount === '0' ? `exactly ${target}` : `${target} ± ${accept.amount}`;
  if (accept.by === 'range') return `${value} to ${accept.amount} ${unit}`.trim();
  if (accept.by === 'atLeast') return `${target} or more`;
  if (accept.by === 'atMost') return `${target} or less`;
  return `${target} to ${accept.amount} ${accept.by === 'places' ? 'decimal places' : 'significant figures'}`;
}

/** The rules as one sentence. */
export function numberRulesSentence({ rules, unit, missingUnit, uncertainty }: NumberRules): string {
  if ((rules[0]?.value ?? '') === '') return 'No key yet.';
  const said = rules
    .map((r) => (r.share === '1' ? near(r, unit) : `${near(r, unit)} earns ${marksText(r.share)}`))
    .join('; else ');
  const loss = unit === '' ? '' : `; without its unit ${missingUnit === '0' ? 'nothing' : marksText(missingUnit)}`;
  const sure = uncertainty?.value ? `, stated with ± ${uncertainty.value}` : '';
  return `${said}${sure}${loss}.`;
}
