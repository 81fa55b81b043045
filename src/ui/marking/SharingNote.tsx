'use client';
import { useState } from 'react';
import { saveMarkingPlanAction } from '@/actions/marking';
import type { MarkingPlan, Second, Sharing } from '@/core/marking/plan';
import type { QuestionWaiting } from '@/server/marking/overview';
import type { MarkerOf } from '@/server/marking/plan';
import { CheckLine } from '../parts/CheckLine';
import { CountInput } from '../parts/CountInput';
import { replyTo } from '../parts/reply-to';
import { useFreshPage } from '../parts/use-fresh-page';
import { Trouble } from '../parts/Trouble';
import { plural } from '../words/marks';
import { refusalText } from '../words/refusals';

interface Props {
  sitting: string;
  plan: MarkingPlan;
  markers: readonly MarkerOf[];
  questions: readonly QuestionWaiting[];
  /** How many scripts are not due yet; null where nothing is due. */
  notDue: number | null;
}

const SHARED: Record<Sharing['by'], string> = {
  all: 'by all, whoever comes first',
  question: 'by question',
  script: 'by script, in turns',
  turn: 'as they come, ten at a time',
};

const SECONDS: Record<Second['which'], string> = {
  none: 'no answers',
  all: 'all answers that people mark',
  share: 'a share, drawn at random',
  'near pass': 'those of scripts near the pass mark',
};

const COUNTS: Record<Second['counts'], string> = {
  first: 'the first mark counts',
  mean: 'the mean of both counts',
  higher: 'the higher mark counts',
};

/** How the marking is shared out, and what is marked a second time: a sentence with changeable words. */
export function SharingNote({ sitting, plan: first, markers, questions, notDue }: Props) {
  const look = useFreshPage();
  const [plan, setPlan] = useState(first);
  const [probes, setProbes] = useState(first.probes.join(', '));
  const [trouble, setTrouble] = useState<string | null>(null);
  const keep = async (next: MarkingPlan): Promise<void> => {
    setPlan(next);
    const { sharing } = next;
    if (sharing.by === 'script' && sharing.markers.length === 0) return setTrouble('Tick at least one marker.');
    const saved = await replyTo(saveMarkingPlanAction({ sitting, plan: next }));
    setTrouble(saved.ok ? null : refusalText(saved.refusal));
    look();
  };
  const { sharing, second } = plan;
  const share = (next: Sharing): void => void keep({ ...plan, sharing: next });
  const again = (part: Partial<Second>): void => void keep({ ...plan, second: { ...second, ...part } });
  const fresh: Record<Sharing['by'], Sharing> = {
    all: { by: 'all' },
    question: { by: 'question', markers: {} },
    script: { by: 'script', markers: markers.map(({ id }) => id) },
    turn: { by: 'turn' },
  };
  return (
    <section className="note on" aria-label="Who marks what">
      <h2 className="over-title">Who marks what</h2>
      <span className="line">
        Marked
        <select
          className="form-select"
          aria-label="How the marking is shared out"
          value={sharing.by}
          onChange={(e) => share(fresh[e.target.value as Sharing['by']])}
        >
          {Object.entries(SHARED).map(([name, words]) => (
            <option key={name} value={name}>
              {words}
            </option>
          ))}
        </select>
      </span>
      {sharing.by === 'script' && (
        <People
          label="Markers of the scripts"
          markers={markers}
          chosen={sharing.markers}
          onChange={(chosen) => share({ by: 'script', markers: chosen })}
        />
      )}
      {sharing.by === 'question' &&
        questions.map(({ item, number, label }) => (
          <details key={item}>
            <summary>
              {number}. {label}: <strong>{sharing.markers[item]?.length ?? 'all'}</strong>
            </summary>
            <People
              label={`Markers of question ${number}`}
              markers={markers}
              chosen={sharing.markers[item] ?? []}
              onChange={(chosen) => {
                const { [item]: _, ...others } = sharing.markers;
                share({ by: 'question', markers: chosen.length === 0 ? others : { ...others, [item]: chosen } });
              }}
            />
          </details>
        ))}
      <span className="line">
        and a second time, blind:
        <select
          className="form-select"
          aria-label="What is marked a second time"
          value={second.which}
          onChange={(e) => again({ which: e.target.value as Second['which'] })}
        >
          {Object.entries(SECONDS).map(([name, words]) => (
            <option key={name} value={name}>
              {words}
            </option>
          ))}
        </select>
      </span>
      {second.which === 'share' && (
        <span className="line">
          of
          <CountInput
            count={second.percent}
            least={1}
            most={100}
            label="Share of the answers in percent"
            onChange={(percent) => percent !== null && again({ percent })}
          />
          %
        </span>
      )}
      {second.which === 'near pass' && (
        <span className="line">
          up to
          <CountInput
            count={second.near}
            least={0}
            most={100}
            label="How near to the pass mark, in percent of the score"
            onChange={(near) => near !== null && again({ near })}
          />
          % below or above it
        </span>
      )}
      {second.which !== 'none' && (
        <>
          <span className="line">
            <select
              className="form-select"
              aria-label="Which mark counts"
              value={second.counts}
              onChange={(e) => again({ counts: e.target.value as Second['counts'] })}
            >
              {Object.entries(COUNTS).map(([name, words]) => (
                <option key={name} value={name}>
                  {words}
                </option>
              ))}
            </select>
          </span>
          <span className="line">
            and what is more than
            <CountInput
              count={second.apart}
              least={0}
              most={100}
              label="How far apart marks may be, in percent of the marks"
              onChange={(apart) => apart !== null && again({ apart })}
            />
            % of the marks apart waits to be settled.
          </span>
        </>
      )}
      <span className="line">
        Scripts
        <input
          className="form-control w-50"
          aria-label="Scripts marked beforehand, by their numbers"
          placeholder="none"
          value={probes}
          onChange={(e) => setProbes(e.target.value)}
          onBlur={() => {
            const numbers = probes.split(/[\s,;]+/).filter((one) => one !== '');
            if (!numbers.every((one) => /^[1-9]\d{0,4}$/.test(one)))
              return setTrouble('Scripts are named by their numbers, such as 3, 8, 12.');
            const next = [...new Set(numbers.map(Number))].slice(0, 50);
            setProbes(next.join(', '));
            if (next.join() !== plan.probes.join()) void keep({ ...plan, probes: next });
          }}
        />
        were marked beforehand: others mark them too, without knowing which, to see whether they are in step.
      </span>
      {notDue !== null && (
        <CheckLine checked={plan.early} onChange={(early) => void keep({ ...plan, early })}>
          people begin before an answer is due
          {notDue > 0 && `: ${plural(notDue, 'script is', 'scripts are')} not due yet`}
        </CheckLine>
      )}
      <Trouble>{trouble}</Trouble>
    </section>
  );
}

interface PeopleProps {
  label: string;
  markers: readonly MarkerOf[];
  chosen: readonly string[];
  onChange: (chosen: string[]) => void;
}

function People({ label, markers, chosen, onChange }: PeopleProps) {
  return (
    <fieldset className="people">
      <legend className="visually-hidden">{label}</legend>
      {markers.map(({ id, name }) => (
        <label key={id} className="d-block">
          <input
            type="checkbox"
            checked={chosen.includes(id)}
            onChange={(e) => onChange(e.target.checked ? [...chosen, id] : chosen.filter((one) => one !== id))}
          />{' '}
          {name}
        </label>
      ))}
    </fieldset>
  );
}
