import type { LateRule } from '@/core/sittings/late';
import { LateRuleWords } from './LateRuleWords';

/** When work is due, as typed, and what handing in later costs. */
export interface Due {
  /** Empty when nothing is ever late. */
  at: string;
  rule: LateRule | null;
}

interface Props {
  due: Due;
  /** The end for all, as typed: where a due time begins from. */
  closes: string;
  /** What the department has agreed that it costs. */
  agreed: LateRule | null;
  onChange: (due: Due) => void;
}

/** From when on a hand-in is late and what that costs, as a sentence. */
export function LateWords({ due, closes, agreed, onChange }: Props) {
  const { at, rule } = due;
  return (
    <div className="fact-line mb-2">
      <select
        className="form-select"
        aria-label="Whether it is due before its end"
        value={at === '' ? 'never' : 'due'}
        onChange={(e) => onChange(e.target.value === 'never' ? { at: '', rule: null } : { at: closes, rule: agreed })}
      >
        <option value="never">nothing is late before the end</option>
        <option value="due">it is due</option>
      </select>
      {at !== '' && (
        <>
          <input
            type="datetime-local"
            className="form-control w-auto"
            aria-label="Due at"
            required
            value={at}
            onChange={(e) => onChange({ at: e.target.value, rule })}
          />
          later <LateRuleWords late={rule} onChange={(next) => onChange({ at, rule: next })} />
        </>
      )}
    </div>
  );
}
