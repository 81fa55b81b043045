'use client';
import { useCallback, useState } from 'react';
import { judgeOwnWorkAction } from '@/actions/own';
import type { Result } from '@/core/base/result';
import type { WorkToJudge } from '@/server/sittings/judge-afterwards';
import { StudentSlot } from '../kinds/SlotView';
import { SavedState } from '../parts/SavedState';
import { useAutosave } from '../parts/use-autosave';
import type { DrawnFormulas } from '../sheet/formulas';
import { QuestionView } from '../sheet/QuestionView';
import { replyTo } from '../parts/reply-to';

interface Props {
  attempt: string;
  items: readonly (WorkToJudge & { drawn: DrawnFormulas })[];
}

/** One's own work as it was handed in, with the rubrics by which one judges it; saved as it is judged. */
export function JudgeOwnWork({ attempt, items }: Props) {
  return (
    <div className="page" style={{ maxWidth: 860, margin: '0 auto' }}>
      {items.length === 0 && <p className="soft">There is nothing to judge: it has been marked, or released.</p>}
      {items.map((item) => (
        <div key={item.id} className="sheet mb-3">
          <QuestionView
            number={item.number}
            marks={item.of}
            sheet={item.sheet}
            drawn={item.drawn}
            responses={item.responses}
            {...(item.open[0] ? { apart: item.open[0] } : {})}
          />
          {item.open.map((slot) => (
            <JudgedSlot key={slot} attempt={attempt} item={item} slot={slot} drawn={item.drawn} />
          ))}
        </div>
      ))}
    </div>
  );
}

interface SlotProps {
  attempt: string;
  item: WorkToJudge;
  slot: string;
  drawn: DrawnFormulas;
}

function JudgedSlot({ attempt, item, slot, drawn }: SlotProps) {
  const placed = item.sheet.slots[slot];
  const [response, setResponse] = useState<unknown>(item.responses[slot]);
  const save = useCallback(
    async (value: unknown): Promise<Result<{ version: number; savedAt: number }>> => {
      const kept = await replyTo(judgeOwnWorkAction({ attempt, item: item.id, slot, value }));
      return kept.ok ? { ok: true, value: { version: 0, ...kept.value } } : kept;
    },
    [attempt, item.id, slot],
  );
  const { state } = useAutosave({
    key: `zonda-judge-${attempt}-${item.id}-${slot}`,
    value: response,
    version: 0,
    savedAt: 0,
    save,
    bringBack: setResponse,
  });
  if (!placed) return null;
  return (
    <>
      <StudentSlot
        kind={placed.kind}
        id={`judge-${item.id}-${slot}`}
        label={`Question ${item.number}: your judgement`}
        sheet={{ ...Object(placed.sheet), afterwards: false }}
        response={response}
        onChange={setResponse}
        drawn={drawn}
      />
      {response !== item.responses[slot] && <SavedState state={state} />}
    </>
  );
}
