'use client';
import { X } from 'lucide-react';
import Button from 'react-bootstrap/Button';
import type { Shown } from '@/core/content/shown';
import type { PlaceRules } from '@/core/rules/placing/rules';
import { ActMenu } from '../parts/ActMenu';
import { CheckLine } from '../parts/CheckLine';
import { CountInput } from '../parts/CountInput';

interface Props {
  /** How the place is called: "place 3". */
  name: string;
  rules: PlaceRules;
  /** What can be put there. */
  things: readonly Shown[];
  onChange: (part: Partial<PlaceRules>) => void;
}

/** How one place marks what stands on it: what is right there, how often it counts, and what is said of anything else. */
export function PlaceRulesNote({ name, rules, things, onChange }: Props) {
  const { accepts, feedback, slips = [], weight = 1 } = rules;
  const wrong = things.filter(({ id }) => !accepts.includes(id));
  const free = wrong.filter(({ id }) => !slips.some(({ what }) => what === id));
  const called = (id: string): string => things.find((one) => one.id === id)?.text ?? '';
  return (
    <>
      <p className="soft m-0">Right here, any one of them:</p>
      {things.map(({ id, text }) => (
        <CheckLine
          key={id}
          checked={accepts.includes(id)}
          onChange={(on) => onChange({ accepts: on ? [...accepts, id] : accepts.filter((one) => one !== id) })}
        >
          {text || 'no words yet'}
        </CheckLine>
      ))}
      <label className="line">
        counts
        <CountInput
          label={`How many times ${name} counts`}
          count={weight}
          least={1}
          most={99}
          onChange={(count) => count !== null && onChange({ weight: count === 1 ? undefined : count })}
        />
        {weight === 1 ? 'time' : 'times'}
      </label>
      <input
        className="form-control form-control-sm"
        aria-label={`Feedback for ${name}`}
        placeholder="What a student reads who has it wrong"
        value={feedback}
        maxLength={1000}
        onChange={(e) => onChange({ feedback: e.target.value })}
      />
      {slips.map((slip) => (
        <div key={slip.what} className="d-flex gap-1 align-items-center">
          <input
            className="form-control form-control-sm"
            aria-label={`Feedback for “${called(slip.what)}” at ${name}`}
            placeholder={`What one reads who put “${called(slip.what)}” there`}
            value={slip.feedback}
            maxLength={1000}
            onChange={(e) =>
              onChange({ slips: slips.map((one) => (one === slip ? { ...slip, feedback: e.target.value } : one)) })
            }
          />
          <Button
            variant="quiet"
            aria-label={`Say nothing particular of “${called(slip.what)}”`}
            onClick={() => onChange({ slips: slips.filter((one) => one !== slip) })}
          >
            <X size={14} />
          </Button>
        </div>
      ))}
      {free.length > 0 && (
        <ActMenu
          words="And of one that is wrong…"
          label={`And of one that is wrong… at ${name}`}
          choices={free.map(({ id, text }) => ({ value: id, words: text }))}
          onChoose={(value) => onChange({ slips: [...slips, { what: value, feedback: '' }] })}
        />
      )}
    </>
  );
}
