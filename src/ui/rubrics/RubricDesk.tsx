'use client';
import { useCallback, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { removeRubricAction, saveRubricAction } from '@/actions/rubrics';
import { type Rubric, rubricReadiness } from '@/core/rules/rubric/rubric';
import type { KeptRubric } from '@/server/bank/rubrics';
import { Strip } from '../frame/Strip';
import { plainCopy } from '../parts/plain-copy';
import { SavedState } from '../parts/SavedState';
import { useAutosave } from '../parts/use-autosave';
import { UndoRedo } from '../parts/UndoRedo';
import { Trouble } from '../parts/Trouble';
import { useAct } from '../parts/use-act';
import { useHistory } from '../parts/use-history';
import { findingText } from '../words/findings';
import { RubricEditor } from './RubricEditor';

/** A rubric of the bank on its own sheet: written in place, saved as typed, printed on one page. */
export function RubricDesk({ kept }: { kept: KeptRubric }) {
  const { present, change, ...history } = useHistory<Rubric>(kept.rubric);
  const { busy, act, troubleBeside } = useAct();
  const [removing, setRemoving] = useState(false);
  const save = useCallback(
    async (rubric: Rubric, base: number) => saveRubricAction(plainCopy({ id: kept.id, base, rubric })),
    [kept.id],
  );
  const { state } = useAutosave({
    key: `zonda-rubric-${kept.id}`,
    value: present,
    version: kept.version,
    savedAt: kept.savedAt,
    save,
    bringBack: change,
  });
  const findings = rubricReadiness(present);
  return (
    <>
      <Strip
        where={{ href: '/bank/rubrics', name: 'Rubrics' }}
        title={present.title || 'Without a title'}
        chip={kept.bankName}
      >
        <SavedState state={state} />
        <UndoRedo {...history} />
        {removing ? (
          <>
            <span className="hand">Questions that use it keep their copy.</span>
            <Button variant="quiet" onClick={() => setRemoving(false)}>
              Keep it
            </Button>
            <Button
              variant="outline-primary"
              disabled={busy}
              onClick={() => void act(() => removeRubricAction(kept.id))}
            >
              Take it out
            </Button>
          </>
        ) : (
          <Button variant="quiet" onClick={() => setRemoving(true)}>
            Take out…
          </Button>
        )}
        <Button onClick={() => window.print()}>Print</Button>
      </Strip>
      <div className="page rubric-page">
        <Trouble>{troubleBeside([])}</Trouble>
        <div className="sheet plain">
          <RubricEditor rubric={present} onChange={(next, tag) => change(next, tag)} />
          {findings.map((finding) => (
            <p key={JSON.stringify(finding)} className={`mb-0 mt-2 ${finding.weight === 'stops' ? 'wrong' : 'hand'}`}>
              {findingText(finding)}
            </p>
          ))}
        </div>
      </div>
    </>
  );
}
