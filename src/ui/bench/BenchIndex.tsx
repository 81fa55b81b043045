'use client';
import { useState } from 'react';
import { Link } from '../parts/Link';
import type { PlacedSlot } from '@/core/bank/question';
import type { Finding } from '@/core/base/finding';
import type { OpenQuestion } from '@/server/bank/open-question';
import { findingLook, findingText } from '../words/findings';
import { sideOf } from '../kinds/registry';
import { marksText } from '../words/marks';
import { AboutIt } from './AboutIt';
import { NearDuplicates } from './NearDuplicates';
import { type KindPreset, PRESETS } from '../kinds/editors';
import type { BenchState } from './bench-state';

interface Props {
  question: OpenQuestion;
  placed: PlacedSlot[];
  present: BenchState;
  findings: Finding[];
  selected: string | null;
  change: (next: (state: BenchState) => BenchState, tag?: string) => void;
  onAdd: (preset: KindPreset) => void;
  /** Turns the chosen words into a slot. */
  onWords: () => void;
  /** The words of the sheet, to look for near-duplicates. */
  text: string;
  onSelect: (slot: string) => void;
}

/** Left of the sheet: what is on it, what can be added, what describes it, what stops it. */
export function BenchIndex(props: Props) {
  const { question, placed, present, selected, change, onAdd, onWords, onSelect, text } = props;
  /** What stood there as the pointer came to what can be added: nothing moves under a hand that is about to press. */
  const [held, setHeld] = useState<Finding[] | null>(null);
  const findings = held ?? props.findings;
  const letterOf = (id: unknown): string => placed.find((p) => p.id === id)?.letter ?? '';
  return (
    <nav className="index" aria-label="On this sheet">
      <h2>On this sheet</h2>
      <ul>
        {placed.map(({ id, letter, slot }) => (
          <li key={id}>
            <button type="button" aria-current={selected === id} onClick={() => onSelect(id)}>
              <span className="letter">{letter}</span> {sideOf(slot.kind).words.name}{' '}
              <small>{marksText(slot.marks)}</small>
            </button>
          </li>
        ))}
      </ul>
      <h2>Readiness</h2>
      {findings.length === 0 ? (
        <p className="good">✓ Ready</p>
      ) : (
        <ul aria-live="polite">
          {findings.map((f, i) => (
            <li key={`${f.code}${i}`}>
              <button
                type="button"
                className={findingLook(f)}
                onClick={() => f.at[0] === 'slot' && onSelect(String(f.at[1]))}
              >
                <span>
                  {{ soft: '', wrong: '✗ ', hand: '! ' }[findingLook(f)]}
                  {f.at[0] === 'slot' && `${letterOf(f.at[1])}: `}
                  {findingText(f)}
                </span>
              </button>
            </li>
          ))}
        </ul>
      )}
      <h2>Add to the sheet</h2>
      <div
        className="presets"
        onPointerEnter={() => setHeld(props.findings)}
        onPointerLeave={() => setHeld(null)}
        onClick={() => setHeld(null)}
      >
        {PRESETS.map((preset) => (
          <button
            key={preset.name}
            type="button"
            title={preset.about}
            onMouseDown={(e) => e.preventDefault()}
            // A double click adds once: the list above grows, and its second half would meet another button.
            onClick={({ detail }) => detail < 2 && onAdd(preset)}
          >
            + {preset.name}
          </button>
        ))}
        <button
          type="button"
          title="The words that are chosen on the sheet become the key of a slot in their place"
          onMouseDown={(e) => e.preventDefault()}
          onClick={onWords}
        >
          Words to a slot <kbd>Ctrl M</kbd>
        </button>
        <Link href="/department/gallery">See and try them</Link>
      </div>
      <NearDuplicates question={question.id} text={text} />
      <h2>About it</h2>
      <AboutIt
        question={question}
        title={present.body.title}
        facts={present.facts}
        onTitle={(title) => change((s) => ({ ...s, body: { ...s.body, title } }), 'title')}
        onFacts={(facts) => change((s) => ({ ...s, facts }))}
      />
    </nav>
  );
}
