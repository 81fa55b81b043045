'use client';
import type { PlacedSlot } from '@/core/bank/question';
import type { Finding } from '@/core/base/finding';
import type { OpenQuestion } from '@/server/bank/open-question';
import { findingText } from '../words/findings';
import { KIND_WORDS } from '../words/kinds';
import { marksText } from '../words/marks';
import { type BenchState, type Preset, PRESETS } from './bench-state';

interface Props {
  question: OpenQuestion;
  placed: PlacedSlot[];
  present: BenchState;
  findings: Finding[];
  selected: string | null;
  change: (next: (state: BenchState) => BenchState, tag?: string) => void;
  onAdd: (preset: Preset) => void;
  onSelect: (slot: string) => void;
}

/** Left of the sheet: what is on it, what can be added, what describes it, what stops it. */
export function BenchIndex({ question, placed, present, findings, selected, change, onAdd, onSelect }: Props) {
  const letterOf = (id: unknown): string => placed.find((p) => p.id === id)?.letter ?? '';
  return (
    <nav className="index" aria-label="On this sheet">
      <h2>On this sheet</h2>
      <ul>
        {placed.map(({ id, letter, slot }) => (
          <li key={id}>
            <button type="button" aria-current={selected === id} onClick={() => onSelect(id)}>
              <span className="letter">{letter}</span> {KIND_WORDS[slot.kind].name}{' '}
              <small>{marksText(slot.marks)}</small>
            </button>
          </li>
        ))}
      </ul>
      <h2>Add to the sheet</h2>
      <ul>
        {PRESETS.map((preset) => (
          <li key={preset.name}>
            <button type="button" onMouseDown={(e) => e.preventDefault()} onClick={() => onAdd(preset)}>
              + {preset.name}
            </button>
          </li>
        ))}
      </ul>
      <h2>About it</h2>
      <div className="d-grid gap-2 mb-3">
        <input
          className="form-control form-control-sm"
          aria-label="Working title"
          placeholder="Title from the first words"
          value={present.body.title}
          maxLength={200}
          onChange={(e) => change((s) => ({ ...s, body: { ...s.body, title: e.target.value } }), 'title')}
        />
        <select
          className="form-select form-select-sm"
          aria-label="Topic"
          value={present.topic ?? ''}
          onChange={(e) => change((s) => ({ ...s, topic: e.target.value || null }))}
        >
          <option value="">no topic</option>
          {question.topics.map((t) => (
            <option key={t.id} value={t.id}>
              {t.parent ? '– ' : ''}
              {t.name}
            </option>
          ))}
        </select>
        <div className="d-flex gap-2">
          <select
            className="form-select form-select-sm"
            aria-label="Difficulty"
            value={present.difficulty}
            onChange={(e) => change((s) => ({ ...s, difficulty: Number(e.target.value) }))}
          >
            <option value={1}>difficulty 1</option>
            <option value={2}>difficulty 2</option>
            <option value={3}>difficulty 3</option>
          </select>
          <select
            className="form-select form-select-sm"
            aria-label="Demand"
            value={present.demand}
            onChange={(e) => change((s) => ({ ...s, demand: e.target.value as BenchState['demand'] }))}
          >
            <option value="know">know</option>
            <option value="use">use</option>
            <option value="judge">judge</option>
          </select>
        </div>
      </div>
      <h2>Readiness</h2>
      {findings.length === 0 ? (
        <p className="good">✓ Ready</p>
      ) : (
        <ul aria-live="polite">
          {findings.map((f, i) => (
            <li key={`${f.code}${i}`}>
              <button
                type="button"
                className={f.weight === 'stops' ? 'wrong' : 'hand'}
                onClick={() => f.at[0] === 'slot' && onSelect(String(f.at[1]))}
              >
                <span>
                  {f.weight === 'stops' ? '✗ ' : '! '}
                  {f.at[0] === 'slot' && `${letterOf(f.at[1])}: `}
                  {findingText(f)}
                </span>
              </button>
            </li>
          ))}
        </ul>
      )}
    </nav>
  );
}
