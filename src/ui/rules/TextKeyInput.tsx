'use client';
import { useState } from 'react';
import { pointLabel, pointsIn, simplePoint } from '@/core/rules/text/points';
import { type TextRule, type TextRules, wordingsOf } from '@/core/rules/text/rules';
import { wordingsFrom, wordingsText } from '@/core/rules/text/wording-text';

/** What the first rule wants, with semicolons between wordings. */
function keyOf(first: TextRule | undefined): string {
  if (!first) return '';
  if (first.when === 'pattern') return first.pattern;
  if (first.when === 'exact') return first.answers.join('; ');
  const simple = simplePoint(first);
  return simple ? wordingsText(simple.accept) : pointsIn(first).map(pointLabel).join(' … ');
}

/** The rule with what was typed on the sheet: any of these wordings, as the whole answer or somewhere in it. */
function typedRule(first: TextRule | undefined, text: string): TextRule {
  const simple = first?.when === 'points' ? simplePoint(first) : null;
  if (first?.when === 'points' && simple) {
    const accept = wordingsFrom(text, simple.accept);
    return { ...first, sets: first.sets.map((set) => ({ ...set, points: [{ ...simple, accept }] })) };
  }
  const answers = wordingsOf(text);
  return first?.when === 'exact' ? { ...first, answers } : { when: 'exact', answers, share: '1', feedback: '' };
}

interface Props {
  label: string;
  wide: boolean;
  rules: TextRules;
  onChange: (rules: TextRules) => void;
}

/** The right answer to text rules, typed on the sheet: what their first rule wants. */
export function TextKeyInput({ label, wide, rules, onChange }: Props) {
  const first = rules.rules[0];
  // As it was typed, until the field is left: a semicolon at the end is a wording to come.
  const [typing, setTyping] = useState<string | null>(null);
  const typed = (text: string): void => {
    setTyping(text);
    const [, ...rest] = rules.rules;
    onChange({ ...rules, rules: [typedRule(first, text), ...rest] });
  };
  const byWords = first?.when === 'pattern' || (first?.when === 'points' && simplePoint(first) === null);
  const key = keyOf(first);
  const shown = typing !== null && keyOf(typedRule(first, typing)) === key ? typing : key;
  return (
    <input
      className={`key-input ${wide ? 'wide' : ''}`}
      aria-label={label}
      placeholder="right answer; another wording"
      value={shown}
      readOnly={byWords}
      title={byWords ? 'Decided by points or a pattern; change them in the margin' : undefined}
      maxLength={1000}
      onChange={(e) => typed(e.target.value)}
      onBlur={() => setTyping(null)}
    />
  );
}
