'use client';
import { Plus } from 'lucide-react';
import Button from 'react-bootstrap/Button';
import { MATHS_FORMS, MATHS_MODES, type MathsRule, type MathsRules } from '@/core/rules/maths/rules';
import { MathField } from '../maths/MathField';
import { RuleRow } from './RuleRow';
import { marksText } from '../words/marks';
import { CheckLine } from '../parts/CheckLine';
import { CountInput } from '../parts/CountInput';

const MODE_WORDS: Record<MathsRules['mode'], string> = {
  equivalent: 'has the same value as',
  equation: 'says the same as',
  set: 'is the same set as',
  list: 'is the same list as',
  tuple: 'is the same point, vector or matrix as',
  interval: 'holds the same numbers as',
  antiderivative: 'differs only by a constant from',
};

const FORM_WORDS: Record<(typeof MATHS_FORMS)[number], string> = {
  factored: 'factored',
  expanded: 'multiplied out',
  lowestTerms: 'a fraction in lowest terms',
  singleFraction: 'a single fraction',
  noNegativeExponents: 'without negative exponents',
  rationalDenominator: 'without a root below the line',
  simplifiedRadical: 'with its roots simplified',
  scientific: 'in scientific notation',
  completedSquare: 'with the square completed',
};

type NamedForm = (typeof MATHS_FORMS)[number];
type AskedForm = Exclude<MathsRule['form'], null>;

function formWords(form: AskedForm): string {
  if (typeof form === 'string') return FORM_WORDS[form];
  if ('decimalPlaces' in form) return `rounded to ${form.decimalPlaces} decimal places`;
  if ('significantFigures' in form) return `rounded to ${form.significantFigures} significant figures`;
  if ('forbidFunctions' in form) return `without ${form.forbidFunctions.join(', ')}`;
  return `with ${form.useFunctions.join(' or ')}`;
}

/** What stands in the list of forms: a name, or the family of those that take a number or names. */
function formChoice(form: MathsRule['form']): string {
  if (form === null) return '';
  return typeof form === 'string' ? form : (Object.keys(form)[0] ?? '');
}

function formFrom(choice: string): MathsRule['form'] {
  if (choice === '') return null;
  if (choice === 'decimalPlaces') return { decimalPlaces: 2 };
  if (choice === 'significantFigures') return { significantFigures: 3 };
  if (choice === 'forbidFunctions') return { forbidFunctions: ['sin'] };
  if (choice === 'useFunctions') return { useFunctions: ['sin'] };
  return choice as NamedForm;
}

function FormInput({
  form,
  number,
  onChange,
}: {
  form: MathsRule['form'];
  number: number;
  onChange: (form: MathsRule['form']) => void;
}) {
  const names = (text: string): string[] =>
    text
      .split(',')
      .map((name) => name.trim())
      .filter((name) => name !== '' && name.length <= 20)
      .slice(0, 20);
  return (
    <div className="line">
      in
      <select
        className="form-select"
        aria-label={`Form of rule ${number}`}
        value={formChoice(form)}
        onChange={(e) => onChange(formFrom(e.target.value))}
      >
        <option value="">any form</option>
        {MATHS_FORMS.map((name) => (
          <option key={name} value={name}>
            {FORM_WORDS[name]}
          </option>
        ))}
        <option value="decimalPlaces">rounded to decimal places</option>
        <option value="significantFigures">rounded to significant figures</option>
        <option value="forbidFunctions">without certain functions</option>
        <option value="useFunctions">with certain functions</option>
      </select>
      {form !== null && typeof form === 'object' && ('decimalPlaces' in form || 'significantFigures' in form) && (
        <CountInput
          label={`How many, in rule ${number}`}
          least={'decimalPlaces' in form ? 0 : 1}
          most={12}
          count={'decimalPlaces' in form ? form.decimalPlaces : form.significantFigures}
          onChange={(count) => {
            if (count === null) return;
            onChange('decimalPlaces' in form ? { decimalPlaces: count } : { significantFigures: count });
          }}
        />
      )}
      {form !== null && typeof form === 'object' && ('forbidFunctions' in form || 'useFunctions' in form) && (
        <input
          className="form-control"
          aria-label={`Functions of rule ${number}, separated by commas`}
          defaultValue={('forbidFunctions' in form ? form.forbidFunctions : form.useFunctions).join(', ')}
          onChange={(e) => {
            const list = names(e.target.value);
            if (list.length > 0)
              onChange('forbidFunctions' in form ? { forbidFunctions: list } : { useFunctions: list });
          }}
        />
      )}
    </div>
  );
}

interface Props {
  rules: MathsRules;
  marks: string;
  onChange: (rules: MathsRules) => void;
}

/** Everything finer about mathematics: how answers are compared, forms, further keys, typical wrong answers, disputed readings. */
export function MathsRulesEditor({ rules, marks, onChange }: Props) {
  const set = (i: number, part: Partial<MathsRule>): void =>
    onChange({ ...rules, rules: rules.rules.map((r, j) => (j === i ? { ...r, ...part } : r)) });
  const check = (name: 'allPositive' | 'decimalComma' | 'rearranged' | 'requireConstant', words: string) => (
    <CheckLine checked={rules[name]} onChange={(on) => onChange({ ...rules, [name]: on })}>
      {words}
    </CheckLine>
  );
  return (
    <div className="rule-edit">
      <label className="line">
        right when it
        <select
          className="form-select"
          value={rules.mode}
          onChange={(e) => onChange({ ...rules, mode: e.target.value as MathsRules['mode'] })}
        >
          {MATHS_MODES.map((mode) => (
            <option key={mode} value={mode}>
              {MODE_WORDS[mode]}
            </option>
          ))}
        </select>
      </label>
      {rules.rules.map((rule, i) => (
        <RuleRow
          key={i}
          index={i}
          when={
            <span className="flex-fill">
              <MathField
                label={`Formula of rule ${i + 1}`}
                latex={rule.key}
                palette={[]}
                onChange={(key) => set(i, { key })}
              />
            </span>
          }
          share={{ of: marks, value: rule.share, onChange: (share) => set(i, { share }) }}
          feedback={rule.feedback}
          onFeedback={(feedback) => set(i, { feedback })}
          {...(i > 0 ? { onTakeOut: () => onChange({ ...rules, rules: rules.rules.filter((_, j) => j !== i) }) } : {})}
        >
          {rules.mode === 'equivalent' && (
            <FormInput form={rule.form} number={i + 1} onChange={(form) => set(i, { form })} />
          )}
        </RuleRow>
      ))}
      <div>
        <Button
          variant="quiet"
          onClick={() =>
            onChange({ ...rules, rules: [...rules.rules, { key: '', form: null, share: '1/2', feedback: '' }] })
          }
        >
          <Plus size={14} /> another formula, or a typical slip
        </Button>
      </div>
      {rules.mode === 'equation' && check('rearranged', 'solved for another quantity is right too')}
      {rules.mode === 'antiderivative' && (
        <>
          <label className="line">
            by the variable
            <input
              className="form-control narrow"
              value={rules.variable}
              maxLength={30}
              onChange={(e) => onChange({ ...rules, variable: e.target.value })}
            />
          </label>
          {check('requireConstant', 'the constant must be added')}
        </>
      )}
      {check('allPositive', 'all quantities are positive')}
      {check('decimalComma', 'the comma is the decimal mark')}
      <label className="line">
        log is
        <select
          className="form-select"
          value={rules.logBase}
          onChange={(e) => onChange({ ...rules, logBase: e.target.value as MathsRules['logBase'] })}
        >
          <option value="10">to base ten</option>
          <option value="e">the natural logarithm</option>
        </select>
      </label>
      <label className="line">
        1/2x is
        <select
          className="form-select"
          value={rules.tightDenominators ? 'below' : 'left'}
          onChange={(e) => onChange({ ...rules, tightDenominators: e.target.value === 'below' })}
        >
          <option value="left">x/2</option>
          <option value="below">1/(2x)</option>
        </select>
      </label>
      <input
        className="form-control"
        aria-label="Names longer than a letter, separated by commas"
        placeholder="names longer than a letter: eta_max, Re"
        defaultValue={rules.variables.join(', ')}
        onChange={(e) =>
          onChange({
            ...rules,
            variables: e.target.value
              .split(',')
              .map((v) => v.trim())
              .filter((v) => v !== '' && v.length <= 30)
              .slice(0, 20),
          })
        }
      />
      <label className="line">
        anything else
        <select
          className="form-select"
          value={rules.otherwise}
          onChange={(e) => onChange({ ...rules, otherwise: e.target.value as MathsRules['otherwise'] })}
        >
          <option value="zero">earns nothing</option>
          <option value="waits">waits for a person</option>
        </select>
      </label>
    </div>
  );
}

/** The rules as one sentence. */
export function mathsRulesSentence(rules: MathsRules): string {
  const keys = rules.rules.filter((rule) => rule.key !== '');
  if (keys.length === 0) return 'No key yet.';
  const said = keys.map(({ key, form, share }) => {
    const asked = form ? `, ${formWords(form)}` : '';
    return `$${key}$${asked}${share === '1' ? '' : ` earns ${marksText(share)}`}`;
  });
  const positive = rules.allPositive ? ', all quantities positive' : '';
  const otherwise = rules.otherwise === 'zero' ? 'earns nothing' : 'waits for a person';
  return `Right when it ${MODE_WORDS[rules.mode]} ${said.join('; or ')}${positive}; anything else ${otherwise}.`;
}
