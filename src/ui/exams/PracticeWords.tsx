import type { Practice } from '@/core/exams/plan';
import { CheckLine } from '../parts/CheckLine';
import { NumberWord } from '../parts/NumberWord';

const FRESH: Practice = { check: 'wish', tries: null, key: false };

interface Props {
  practice: Practice | undefined;
  onChange: (practice: Practice | undefined) => void;
}

/** How answers can be checked while they are written, as a sentence. */
export function PracticeWords({ practice, onChange }: Props) {
  return (
    <span className="w-100 fact-line">
      answers are checked
      <select
        className="form-select"
        aria-label="When answers are checked"
        value={practice?.check ?? 'no'}
        onChange={(e) => {
          const check = e.target.value;
          if (check === 'no') onChange(undefined);
          else onChange({ ...(practice ?? FRESH), check: check === 'itself' ? 'itself' : 'wish' });
        }}
      >
        <option value="no">only after handing in</option>
        <option value="wish">whenever a student wishes</option>
        <option value="itself">by themselves</option>
      </select>
      {practice && (
        <>
          at most
          <NumberWord
            label="How often a question is checked; empty for as often as is wanted"
            value={practice.tries === null ? '' : String(practice.tries)}
            least={1}
            most={20}
            optional
            onChange={(tries) => onChange({ ...practice, tries: tries === '' ? null : Number(tries) })}
          />
          {practice.tries === null ? 'times (as often as is wanted)' : 'times'}
          <CheckLine checked={practice.key} onChange={(key) => onChange({ ...practice, key })}>
            the key can be looked at; the answer then stays
          </CheckLine>
          {practice.check === 'wish' && (
            <CheckLine
              checked={practice.confirmCheck === true}
              onChange={(confirmCheck) => onChange({ ...practice, confirmCheck })}
            >
              asked again before an answer is checked
            </CheckLine>
          )}
          <CheckLine
            checked={practice.confirmAgain === true}
            onChange={(confirmAgain) => onChange({ ...practice, confirmAgain })}
          >
            asked again before another try
          </CheckLine>
          {practice.check === 'itself' && (
            <span className="hand">
              What appears by itself is hard to follow for those who listen to the page, and for some who read slowly.
            </span>
          )}
        </>
      )}
    </span>
  );
}
