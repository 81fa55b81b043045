'use client';
import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { Forgives, TextRule, TextRules } from '@/core/rules/text/rules';
import { ShareInput } from '../parts/ShareInput';
import { marksText } from '../words/marks';

/** Words separated by commas or lines, kept as typed until the field is left. */
function WordsInput({
  words,
  label,
  onChange,
}: {
  words: readonly string[];
  label: string;
  onChange: (words: string[]) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <textarea
      className="form-control"
      rows={Math.min(4, 1 + Math.floor(words.join('; ').length / 34))}
      aria-label={label}
      value={typed ?? words.join('; ')}
      placeholder="one; another; a third"
      onChange={(e) => {
        setTyped(e.target.value);
        onChange(
          e.target.value
            .split(/[;\n]/)
            .map((w) => w.trim())
            .filter((w) => w !== ''),
        );
      }}
      onBlur={() => setTyped(null)}
    />
  );
}

const FORGIVES: Record<keyof Forgives, string> = {
  capitals: 'capitals',
  accents: 'accents',
  spaces: 'spaces',
  quotes: 'quotes and dashes',
};

interface Props {
  rules: TextRules;
  marks: string;
  onChange: (rules: TextRules) => void;
}

/** Everything finer about typed answers: rules in order, what they forgive, what happens otherwise. */
export function TextRulesEditor({ rules, marks, onChange }: Props) {
  const set = (i: number, rule: TextRule): void =>
    onChange({ ...rules, rules: rules.rules.map((r, j) => (j === i ? rule : r)) });
  const drop = (i: number): void => onChange({ ...rules, rules: rules.rules.filter((_, j) => j !== i) });
  return (
    <div className="rule-edit">
      {rules.rules.map((rule, i) => (
        <div key={i} className="d-grid gap-1">
          <div className="line">
            <strong>{i === 0 ? 'if' : 'else if'}</strong>
            <select
              className="form-select"
              aria-label={`Rule ${i + 1}`}
              value={rule.when}
              onChange={(e) => {
                const words = rule.when === 'exact' ? rule.answers : rule.groups.flatMap((g) => g.words);
                set(
                  i,
                  e.target.value === 'exact'
                    ? { when: 'exact', answers: words, share: '1', feedback: rule.feedback }
                    : {
                        when: 'keywords',
                        groups: [{ need: 'any', words: words.length > 0 ? words : ['…'], share: '1' }],
                        feedback: rule.feedback,
                      },
                );
              }}
            >
              <option value="exact">the answer is one of</option>
              <option value="keywords">words occur in it</option>
            </select>
            {rule.when === 'exact' && (
              <ShareInput
                share={rule.share}
                marks={marks}
                label={`Marks of rule ${i + 1}`}
                onChange={(share) => set(i, { ...rule, share })}
              />
            )}
            <Button variant="quiet" aria-label={`Take rule ${i + 1} out`} onClick={() => drop(i)}>
              <X size={14} />
            </Button>
          </div>
          {rule.when === 'exact' ? (
            <WordsInput
              words={rule.answers}
              label={`Answers of rule ${i + 1}`}
              onChange={(answers) => set(i, { ...rule, answers })}
            />
          ) : (
            rule.groups.map((group, g) => {
              const edit = (part: Partial<typeof group>): void =>
                set(i, { ...rule, groups: rule.groups.map((x, k) => (k === g ? { ...x, ...part } : x)) });
              return (
                <div key={g} className="d-grid gap-1">
                  <div className="line">
                    <select
                      className="form-select"
                      aria-label={`How many of group ${g + 1}`}
                      value={String(group.need)}
                      onChange={(e) =>
                        edit({
                          need:
                            e.target.value === 'any' || e.target.value === 'all'
                              ? e.target.value
                              : Number(e.target.value),
                        })
                      }
                    >
                      <option value="any">any of</option>
                      <option value="2">at least 2 of</option>
                      <option value="3">at least 3 of</option>
                      <option value="all">all of</option>
                    </select>
                    <ShareInput
                      share={group.share}
                      marks={marks}
                      label={`Marks of group ${g + 1}`}
                      onChange={(share) => edit({ share })}
                    />
                    {rule.groups.length > 1 && (
                      <Button
                        variant="quiet"
                        aria-label={`Take group ${g + 1} out`}
                        onClick={() => set(i, { ...rule, groups: rule.groups.filter((_, k) => k !== g) })}
                      >
                        <X size={14} />
                      </Button>
                    )}
                  </div>
                  <WordsInput
                    words={group.words}
                    label={`Words of group ${g + 1}`}
                    onChange={(words) => words.length > 0 && edit({ words })}
                  />
                </div>
              );
            })
          )}
          {rule.when === 'keywords' && (
            <div>
              <Button
                variant="quiet"
                onClick={() =>
                  set(i, { ...rule, groups: [...rule.groups, { need: 'any', words: ['…'], share: '1/2' }] })
                }
              >
                <Plus size={14} /> group of words
              </Button>
            </div>
          )}
          <input
            className="form-control"
            aria-label={`Feedback of rule ${i + 1}`}
            placeholder="What they read"
            value={rule.feedback}
            onChange={(e) => set(i, { ...rule, feedback: e.target.value })}
          />
        </div>
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
      <fieldset className="line">
        <legend className="fs-6 fw-normal soft w-auto mb-0" style={{ float: 'none', fontSize: 'inherit' }}>
          Forgives:
        </legend>
        {(Object.keys(FORGIVES) as (keyof Forgives)[]).map((name) => (
          <label key={name} className="d-flex gap-1">
            <input
              type="checkbox"
              className="form-check-input"
              checked={rules.forgives[name]}
              onChange={(e) => onChange({ ...rules, forgives: { ...rules.forgives, [name]: e.target.checked } })}
            />
            {FORGIVES[name]}
          </label>
        ))}
      </fieldset>
    </div>
  );
}

/** The rules as one sentence. */
export function textRulesSentence(rules: TextRules): string {
  const parts = rules.rules.map((rule) => {
    if (rule.when === 'exact') {
      const list = rule.answers.map((a) => `“${a}”`).join(' or ');
      return list === '' ? '' : rule.share === '1' ? list : `${list} earns ${marksText(rule.share)} of the marks`;
    }
    return rule.groups
      .map(
        (g) =>
          `${g.need === 'any' ? 'any of' : g.need === 'all' ? 'all of' : `${g.need} of`} ${g.words.map((w) => `“${w}”`).join(', ')}`,
      )
      .join(' and ');
  });
  const said = parts.filter((p) => p !== '').join('; else ');
  const rest = rules.otherwise === 'waits' ? 'anything else waits for a person' : 'anything else earns nothing';
  return said === '' ? 'No key yet. Every answer waits for a person.' : `${said}; ${rest}.`;
}
