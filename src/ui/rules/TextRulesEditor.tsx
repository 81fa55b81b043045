'use client';
import { Plus } from 'lucide-react';
import { use, useMemo, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { type DoubtName, handedBy } from '@/core/rules/text/doubt-trials';
import type { Doubts } from '@/core/rules/text/doubts';
import { pointOf, pointsIn, setOf } from '@/core/rules/text/points';
import type { TextRule, TextRules } from '@/core/rules/text/rules';
import type { Forgives } from '@/core/rules/text/words';
import { plural } from '../words/marks';
import { RuleRow } from './RuleRow';
import { UsedLists } from './UsedLists';
import { TrialTexts } from './WordHelp';
import { PointsEditor } from './PointsEditor';
import { WordingsInput } from './WordingsInput';
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

const DOUBTS: Record<Exclude<keyof Doubts, 'negation' | 'opposites'>, string> = {
  unread: 'much that no rule has read, below full marks',
  contradiction: 'said and denied, opposites, or taken back',
  alternatives: '“this or that”, when one of them is not wanted',
  stuffing: 'a heap of words that says nothing about how they hang together',
  nearly: 'a phrase but for one letter',
  language: 'another language',
  order: 'the words of a point in another order, or further apart, than asked for',
};

/** The same rule by other means: its words are kept. */
function ruleAs(when: string, rule: TextRule): TextRule {
  const wordings =
    rule.when === 'exact' ? rule.answers : rule.when === 'points' ? pointsIn(rule).flatMap(({ accept }) => accept) : [];
  const { feedback } = rule;
  if (when === 'exact') {
    const answers = wordings.filter((one) => typeof one === 'string').slice(0, 40);
    return { when: 'exact', answers, share: '1', feedback };
  }
  if (when === 'pattern') return { when: 'pattern', pattern: '', share: '1', feedback };
  return { when: 'points', sets: [setOf([pointOf('p1', wordings)])], refuse: [], feedback };
}

/** Pairs typed with a dash between them. */
function pairsFrom(lines: readonly string[]): Doubts['opposites'] {
  return lines.slice(0, 100).flatMap((line) => {
    const [a = '', b = ''] = line.split(/\s[–-]\s/).map((word) => word.trim());
    return a !== '' && b !== '' ? [[a, b] as [string, string]] : [];
  });
}

/** What a sign of doubt would do on the trial answers. */
function Handed({ rules, name }: { rules: TextRules; name: DoubtName }) {
  const texts = use(TrialTexts);
  const handed = useMemo(() => handedBy(rules, name, texts), [rules, name, texts]);
  return handed === 0 ? null : <span className="soft">would hand over {plural(handed, 'trial answer')}</span>;
}

interface Props {
  rules: TextRules;
  marks: string;
  onChange: (rules: TextRules) => void;
}

/** Everything finer about typed answers: rules in order, what they forgive, what calls a person, what happens otherwise. */
export function TextRulesEditor({ rules, marks, onChange }: Props) {
  /** Whether the signs of doubt are open; what each would do is worked out for those who look. */
  const [asked, setAsked] = useState(false);
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
              <option value="points">points of a scheme</option>
              <option value="exact">the answer is one of</option>
              <option value="pattern">it matches a pattern</option>
            </select>
          }
          {...(rule.when === 'points'
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
          {rule.when === 'points' && (
            <PointsEditor
              rule={rule}
              marks={marks}
              language={rules.forgives.endings}
              onChange={(next, language) =>
                onChange({
                  ...rules,
                  rules: rules.rules.map((r, j) => (j === i ? next : r)),
                  // A scheme comes in a language, and says what earns; what it does not name earns nothing.
                  ...(language ? { forgives: { ...rules.forgives, endings: language }, otherwise: 'zero' } : {}),
                })
              }
            />
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
      <UsedLists rules={rules} onChange={(lists) => onChange({ ...rules, lists })} />
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
      <details onToggle={(e) => setAsked(e.currentTarget.open)}>
        <summary>What calls a person</summary>
        <label className="line">
          what is denied (“not”, “without”)
          <select
            className="form-select"
            value={rules.doubts.negation}
            onChange={(e) => doubt({ negation: e.target.value as Doubts['negation'] })}
          >
            <option value="waits">calls a person</option>
            <option value="refused">does not count</option>
            <option value="ignored">counts all the same</option>
          </select>
          {asked && <Handed rules={rules} name="negation" />}
        </label>
        <div className="checks one-column">
          {(Object.keys(DOUBTS) as (keyof typeof DOUBTS)[]).map((name) => (
            <label key={name}>
              <input
                type="checkbox"
                className="form-check-input"
                checked={rules.doubts[name]}
                onChange={(e) => doubt({ [name]: e.target.checked })}
              />
              <span>
                {DOUBTS[name]} {asked && <Handed rules={rules} name={name} />}
              </span>
            </label>
          ))}
        </div>
        <label className="d-grid">
          opposites of your own
          <WordsInput
            words={rules.doubts.opposites.map((pair) => pair.join(' – '))}
            label="Opposites of your own"
            placeholder="lead – lag; upwind – downwind"
            onChange={(lines) => doubt({ opposites: pairsFrom(lines) })}
          />
        </label>
        <WordingsInput
          wordings={rules.calls}
          label="Words that call a person"
          placeholder="further words that call a person"
          onChange={(calls) => onChange({ ...rules, calls: calls.slice(0, 40) })}
        />
      </details>
    </div>
  );
}
