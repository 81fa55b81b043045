import type { LateRule } from '@/core/sittings/late';
import { CountInput } from '../parts/CountInput';
import { MarksInput } from '../parts/MarksInput';

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
  onChange: (due: Due) => void;
}

const FRESH: LateRule = { grace: 0, takes: '10', of: 'all', every: 'day' };

/** From when on a hand-in is late and what that costs, as a sentence. */
export function LateWords({ due, closes, onChange }: Props) {
  const { at, rule } = due;
  const set = (part: Partial<LateRule>): void => onChange({ at, rule: { ...(rule ?? FRESH), ...part } });
  return (
    <div className="fact-line mb-2">
      <select
        className="form-select"
        aria-label="Whether it is due before its end"
        value={at === '' ? 'never' : 'due'}
        onChange={(e) => onChange(e.target.value === 'never' ? { at: '', rule: null } : { at: closes, rule: FRESH })}
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
          later costs
          {rule && (
            <MarksInput marks={rule.takes} label="How much each stretch costs" onChange={(takes) => set({ takes })} />
          )}
          <select
            className="form-select"
            aria-label="What it costs"
            value={rule?.of ?? 'nothing'}
            onChange={(e) =>
              e.target.value === 'nothing'
                ? onChange({ at, rule: null })
                : set({ of: e.target.value as LateRule['of'] })
            }
          >
            <option value="all">% of all marks</option>
            <option value="earned">% of what was earned</option>
            <option value="marks">marks</option>
            <option value="nothing">nothing, it is only told</option>
          </select>
          {rule && (
            <>
              for each
              <select
                className="form-select"
                aria-label="How long a stretch is"
                value={rule.every}
                onChange={(e) => set({ every: e.target.value as LateRule['every'] })}
              >
                <option value="minute">minute</option>
                <option value="hour">hour</option>
                <option value="day">day</option>
              </select>
              begun,
              <CountInput
                label="Minutes that cost nothing"
                count={rule.grace}
                least={0}
                most={43200}
                onChange={(count) => count !== null && set({ grace: count })}
              />
              minutes cost nothing
            </>
          )}
        </>
      )}
    </div>
  );
}
