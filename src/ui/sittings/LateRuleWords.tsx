import { type LateRule, USUAL_LATE_RULE } from '@/core/sittings/late';
import { CountInput } from '../parts/CountInput';
import { MarksInput } from '../parts/MarksInput';

/** What handing in late costs, as the end of a sentence; null where it costs nothing. */
export function LateRuleWords({
  late,
  onChange,
}: {
  late: LateRule | null;
  onChange: (late: LateRule | null) => void;
}) {
  const set = (part: Partial<LateRule>): void => onChange({ ...(late ?? USUAL_LATE_RULE), ...part });
  return (
    <>
      costs
      {late && (
        <MarksInput marks={late.takes} label="How much each stretch costs" onChange={(takes) => set({ takes })} />
      )}
      <select
        className="form-select"
        aria-label="What it costs"
        value={late?.of ?? 'nothing'}
        onChange={(e) =>
          e.target.value === 'nothing' ? onChange(null) : set({ of: e.target.value as LateRule['of'] })
        }
      >
        <option value="all">% of all marks</option>
        <option value="earned">% of what was earned</option>
        <option value="marks">marks</option>
        <option value="nothing">nothing, it is only told</option>
      </select>
      {late && (
        <>
          for each
          <select
            className="form-select"
            aria-label="How long a stretch is"
            value={late.every}
            onChange={(e) => set({ every: e.target.value as LateRule['every'] })}
          >
            <option value="minute">minute</option>
            <option value="hour">hour</option>
            <option value="day">day</option>
          </select>
          begun,
          <CountInput
            label="Minutes that cost nothing"
            count={late.grace}
            least={0}
            most={43200}
            onChange={(count) => count !== null && set({ grace: count })}
          />
          minutes cost nothing
        </>
      )}
    </>
  );
}
