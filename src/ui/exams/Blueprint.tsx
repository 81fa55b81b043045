import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { agreeBlueprintAction } from '@/actions/exams';
import { exact, stored, sum } from '@/core/base/exact';
import { DEMANDS, type Demand } from '@/core/bank/facts';
import type { BlueprintRow, ExamPlan } from '@/core/exams/plan';
import type { BankShelf } from '@/server/bank/shelves';
import type { BlueprintThere } from '@/server/exams/blueprint-view';
import { ActMenu } from '../parts/ActMenu';
import { topicChoices } from '../bank/places';
import { MarksInput } from '../parts/MarksInput';
import { marksText } from '../words/marks';
import { refusalText } from '../words/refusals';
import { CellQuestions } from './CellQuestions';
import { replyTo } from '../parts/reply-to';

interface Props {
  plan: ExamPlan;
  there: BlueprintThere[];
  shelves: BankShelf[];
  /** The department's blueprint. */
  agreed: BlueprintRow[];
  mayAgree: boolean;
  change: (next: (plan: ExamPlan) => ExamPlan, tag?: string) => void;
  onPlace: (section: string, question: string) => Promise<void>;
}

/** Topics × demand: the marks wanted, and the marks that there are. */
export function Blueprint({ plan, there, shelves, agreed, mayAgree, change, onPlace }: Props) {
  const [cell, setCell] = useState<{ topic: string; demand: Demand } | null>(null);
  const [said, setSaid] = useState('');
  const wanted = plan.blueprint ?? [];
  const names = new Map([
    ...shelves.flatMap(({ topics }) => topics.map(({ id, name }) => [id, name] as const)),
    ...there.map(({ topic, name }) => [topic, name] as const),
  ]);
  const called = (topic: string): string =>
    topic === '' ? 'without a topic' : (names.get(topic) ?? 'a topic elsewhere');
  const rows = [...new Set([...wanted.map(({ topic }) => topic), ...there.map(({ topic }) => topic)])];
  const of = (list: readonly BlueprintRow[], topic: string, demand: Demand): string =>
    list.find((row) => row.topic === topic)?.[demand] ?? '0';
  const total = (list: readonly BlueprintRow[], demands: readonly Demand[]): string =>
    marksText(stored(sum(list.flatMap((row) => demands.map((demand) => exact(row[demand]))))));
  const want = (topic: string, demand: Demand, marks: string): void =>
    change((p) => {
      const list = p.blueprint ?? [];
      const row = list.find((one) => one.topic === topic) ?? { topic, know: '0', use: '0', judge: '0' };
      const next = { ...row, [demand]: marks };
      return {
        ...p,
        blueprint: list.includes(row) ? list.map((one) => (one === row ? next : one)) : [...list, next],
      };
    }, `blueprint ${topic} ${demand}`);
  const fill = (list: readonly BlueprintRow[]): void =>
    change((p) => ({
      ...p,
      blueprint: list.map(({ topic, know, use, judge }) => ({ topic, know, use, judge })),
    }));
  return (
    <section className="blueprint" aria-label="Blueprint">
      <div className="d-flex align-items-baseline gap-3 flex-wrap">
        <h2 className="fs-6 fw-bold mb-0">Blueprint</h2>
        <span className="soft">marks there are, of marks wanted</span>
        <span className="ms-auto d-flex gap-2">
          <Button variant="quiet" disabled={there.length === 0} onClick={() => fill(there)}>
            Want what there is
          </Button>
          <Button variant="quiet" disabled={agreed.length === 0} onClick={() => fill(agreed)}>
            Take the department’s
          </Button>
          {mayAgree && wanted.length > 0 && (
            <Button
              variant="quiet"
              onClick={async () => {
                const result = await replyTo(agreeBlueprintAction(wanted));
                setSaid(result.ok ? 'It is the department’s now.' : refusalText(result.refusal));
              }}
            >
              Make it the department’s
            </Button>
          )}
        </span>
      </div>
      <p className="soft mb-0" role="status">
        {said}
      </p>
      <table className="table table-sm">
        <thead>
          <tr>
            <th scope="col">Topic</th>
            {DEMANDS.map((demand) => (
              <th key={demand} scope="col">
                {demand}
              </th>
            ))}
            <th scope="col">in all</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((topic) => (
            <tr key={topic}>
              <th scope="row">{called(topic)}</th>
              {DEMANDS.map((demand) => {
                const got = of(there, topic, demand);
                const asked = of(wanted, topic, demand);
                const planned = wanted.length > 0;
                return (
                  <td key={demand} className={planned && got !== asked ? 'off' : ''}>
                    <button
                      type="button"
                      className="btn-link-plain"
                      disabled={topic === ''}
                      aria-label={`${marksText(got)} marks of ${called(topic)}, ${demand}: find questions`}
                      onClick={() => setCell({ topic, demand })}
                    >
                      {marksText(got)}
                    </button>{' '}
                    <span className="soft">of</span>{' '}
                    <MarksInput
                      label={`Marks wanted of ${called(topic)}, ${demand}`}
                      marks={planned ? asked : ''}
                      onChange={(marks) => want(topic, demand, marks)}
                    />
                  </td>
                );
              })}
              <td>
                {total(
                  there.filter((row) => row.topic === topic),
                  DEMANDS,
                )}
                {wanted.length > 0 && (
                  <span className="soft">
                    {' '}
                    of{' '}
                    {total(
                      wanted.filter((row) => row.topic === topic),
                      DEMANDS,
                    )}
                  </span>
                )}
              </td>
            </tr>
          ))}
        </tbody>
        <tfoot>
          <tr>
            <th scope="row">
              <ActMenu
                words="one topic more…"
                choices={shelves.flatMap(({ name, topics }) =>
                  topicChoices(topics.filter(({ id }) => !rows.includes(id))).map((one) => ({ ...one, under: name })),
                )}
                onChoose={(value) => want(value, 'know', '0')}
              />
            </th>
            {DEMANDS.map((demand) => (
              <td key={demand}>
                {total(there, [demand])}
                {wanted.length > 0 && <span className="soft"> of {total(wanted, [demand])}</span>}
              </td>
            ))}
            <td>
              <strong>{total(there, DEMANDS)}</strong>
              {wanted.length > 0 && <span className="soft"> of {total(wanted, DEMANDS)}</span>}
            </td>
          </tr>
        </tfoot>
      </table>
      {cell && (
        <CellQuestions
          topic={cell.topic}
          demand={cell.demand}
          title={`${called(cell.topic)}, ${cell.demand}`}
          plan={plan}
          onPlace={onPlace}
          onClose={() => setCell(null)}
        />
      )}
    </section>
  );
}
