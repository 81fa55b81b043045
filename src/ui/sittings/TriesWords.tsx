import { ONCE, type Tries } from '@/core/sittings/tries';
import { CountInput } from '../parts/CountInput';

interface Props {
  tries: Tries | null;
  onChange: (tries: Tries | null) => void;
}

const SEVERAL: Tries = { most: 3, apart: 0, counts: 'best', same: false };

/** How often a sitting can be sat and which attempt counts, as a sentence. */
export function TriesWords({ tries, onChange }: Props) {
  const { most, apart, counts, same } = tries ?? ONCE;
  const set = (part: Partial<Tries>): void => onChange({ ...(tries ?? SEVERAL), ...part });
  return (
    <div className="fact-line mb-2">
      each may sit it
      <select
        className="form-select"
        aria-label="How often"
        value={tries === null ? 'once' : most === null ? 'any' : 'several'}
        onChange={(e) => {
          if (e.target.value === 'once') onChange(null);
          else set({ most: e.target.value === 'any' ? null : (most ?? 1) > 1 ? most : 3 });
        }}
      >
        <option value="once">once</option>
        <option value="several">several times</option>
        <option value="any">as often as they like</option>
      </select>
      {tries && (
        <>
          {most !== null && (
            <>
              <CountInput
                label="How many times"
                count={most}
                least={2}
                most={50}
                onChange={(count) => count !== null && set({ most: count })}
              />
              times,
            </>
          )}
          <CountInput
            label="Minutes between them"
            count={apart}
            least={0}
            most={525600}
            onChange={(count) => count !== null && set({ apart: count })}
          />
          minutes apart;
          <select
            className="form-select"
            aria-label="Which counts"
            value={counts}
            onChange={(e) => set({ counts: e.target.value as Tries['counts'] })}
          >
            <option value="best">the best</option>
            <option value="last">the last</option>
            <option value="mean">the mean of all</option>
          </select>
          counts; each time
          <select
            className="form-select"
            aria-label="Which paper"
            value={same ? 'same' : 'new'}
            onChange={(e) => set({ same: e.target.value === 'same' })}
          >
            <option value="new">other draws and numbers</option>
            <option value="same">the same paper</option>
          </select>
        </>
      )}
    </div>
  );
}
