'use client';
import { Plus } from 'lucide-react';
import Button from 'react-bootstrap/Button';
import type { Doubts } from '@/core/rules/text/doubts';
import type { TextRule, TextRules } from '@/core/rules/text/rules';
import type { Forgives } from '@/core/rules/text/words';
import { RuleRow } from './RuleRow';
import { KeywordGroups } from './KeywordGroups';
import { WordsInput } from './WordsInput';

const FORGIVES: Record<Exclude<keyof Forgives, 'endings'>, string> = {
  capitals: 'capitals',
  accents: 'accents',
  spaces: 'spaces',
  quotes: 'quotes and dashes',
  punctuation: 'punctuation',
  hyphens: 'hyphens',
  spelling: 'British or American',
  slips: 'slips of the pen',
};

const ENDINGS: Record<Forgives['endings'], string> = {
  none: 'as they are',
  en: 'forgiven, English',
  es: 'forgiven, Spanish',
  fr: 'forgiven, French',
  de: 'forgiven, German',
};

const DOUBTS: Record<Exclude<keyof Doubts, 'negation'>, string> = {
  longWithoutHit: 'a longer answer without a hit',
  opposites: 'both of two opposite words',
  hedges: '“or”, “although” beside a hit',
  heap: 'keywords without a sentence',
  order: 'keywords in another order, or further apart, than asked for',
};

/** The same rule by other means: its words are kept. */
function ruleAs(when: string, rule: TextRule): TextRule {
  const words =
    rule.when === 'exact' ? rule.answers : rule.when === 'keywords' ? rule.groups.flatMap((g) => g.words) : [];
  const { feedback } = rule;
  if (when === 'exact') return { when: 'exact', answers: words, share: '1', feedback };
  if (when === 'pattern') return { when: 'pattern', pattern: '', share: '1', feedback };
  return { when: 'keywords', groups: [{ need: 'any', words: words.length > 0 ? words : ['…'], share: '1' }], feedback };
}

interface Props {
  rules: TextRules;
  marks: string;
  onChange: (rules: TextRules) => void;
}

/** Everything finer about typed answers: rules in order, what they forgive, what calls a person, what happens otherwise. */
export function TextRulesEditor({ rules, marks, onChange }: Props) {
  const set = (i: number, rule: TextRule): void =>
    onChange({ ...rules, rules: rules.rules.map((r, j) => (j === i ? rule : r)) });
  const doubt = (part: Partial<Doubts>): void => onChange({ ...rules, doubts: { ...rules.doubts, ...part } });
  return (
    <div className="rule-edit">
      {rules.rules.map((rule, i) => (
        <RuleRow
          key={i}
          index={i}
          when={
            <select
              className="form-select"
              aria-label={`Rule ${i + 1}`}
              value={rule.when}
              onChange={(e) => set(i, ruleAs(e.target.value, rule))}
            >
              <option value="exact">the answer is one of</option>
              <option value="keywords">words occur in it</option>
              <option value="pattern">it matches a pattern</option>
            </select>
          }
          {...(rule.when === 'keywords'
            ? {}
            : { share: { of: marks, value: rule.share, onChange: (share: string) => set(i, { ...rule, share }) } })}
          feedback={rule.feedback}
          onFeedback={(feedback) => set(i, { ...rule, feedback })}
          onTakeOut={() => onChange({ ...rules, rules: rules.rules.filter((_, j) => j !== i) })}
        >
          {rule.when === 'exact' && (
            <WordsInput
              words={rule.answers}
              label={`Answers of rule ${i + 1}`}
              synonyms
              onChange={(answers) => set(i, { ...rule, answers })}
            />
          )}
          {rule.when === 'keywords' && (
            <KeywordGroups groups={rule.groups} marks={marks} onChange={(groups) => set(i, { ...rule, groups })} />
          )}
          {rule.when === 'pattern' && (
            <input
              className="form-control mono"
              aria-label={`Pattern of rule ${i + 1}`}
              placeholder="a regular expression for the whole answer"
              maxLength={500}
              value={rule.pattern}
              onChange={(e) => set(i, { ...rule, pattern: e.target.value })}
            />
          )}
        </RuleRow>
      ))}
      <div>
        <Button
          variant="quiet"
          onClick={() =>
            onChange({ ...rules, rules: [...rules.rules, { when: 'exact', answers: [], share: '1/2', feedback: '' }] })
          }
        >
          <Plus size={14} /> rule
        </Button>
      </div>
      <label className="line">
        <strong>else</strong>
        <select
          className="form-select"
          value={rules.otherwise}
          onChange={(e) => onChange({ ...rules, otherwise: e.target.value as TextRules['otherwise'] })}
        >
          <option value="waits">a person looks</option>
          <option value="zero">0 marks</option>
        </select>
      </label>
      <details>
        <summary>What is forgiven</summary>
        <div className="checks">
          {(Object.keys(FORGIVES) as (keyof typeof FORGIVES)[]).map((name) => (
            <label key={name}>
              <input
                type="checkbox"
                className="form-check-input"
                checked={rules.forgives[name]}
                onChange={(e) => onChange({ ...rules, forgives: { ...rules.forgives, [name]: e.target.checked } })}
              />
              {FORGIVES[name]}
            </label>
          ))}
        </div>
        <label className="line">
          endings of words
          <select
            className="form-select"
            value={rules.forgives.endings}
            onChange={(e) =>
              onChange({ ...rules, forgives: { ...rules.forgives, endings: e.target.value as Forgives['endings'] } })
            }
          >
            {(Object.keys(ENDINGS) as Forgives['endings'][]).map((name) => (
              <option key={name} value={name}>
                {ENDINGS[name]}
              </option>
            ))}
          </select>
        </label>
      </details>
      <details>
        <summary>What calls a person</summary>
        <label className="line">
          “not”, “without” beside a hit
          <select
            className="form-select"
            value={rules.doubts.negation}
            onChange={(e) => doubt({ negation: e.target.value as Doubts['negation'] })}
          >
            <option value="waits">calls a person</option>
            <option value="refused">refuses the hit</option>
            <option value="ignored">means nothing</option>
          </select>
        </label>
        <div className="checks">
          {(Object.keys(DOUBTS) as (keyof typeof DOUBTS)[]).map((name) => (
            <label key={name}>
              <input
                type="checkbox"
                className="form-check-input"
                checked={rules.doubts[name]}
                onChange={(e) => doubt({ [name]: e.target.checked })}
              />
              {DOUBTS[name]}
            </label>
          ))}
        </div>
        <WordsInput
          words={rules.calls}
          label="Words that call a person"
          placeholder="further words that call a person"
          onChange={(calls) => onChange({ ...rules, calls })}
        />
      </details>
    </div>
  );
}
