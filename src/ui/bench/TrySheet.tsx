'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { QuestionBody } from '@/core/bank/question';
import { totalMarks } from '@/core/bank/summary';
import { exact, max, stored, sum, ZERO } from '@/core/base/exact';
import { plainText } from '@/core/content/plain';
import { Dialog } from '../parts/Dialog';
import { FrameSize } from '../parts/FrameSize';
import { ContentView } from '../sheet/ContentView';
import { TextWithFormulas } from '../sheet/Formula';
import { drawContentFormulas, drawTextFormulas } from '../sheet/formulas';
import { QuestionView } from '../sheet/QuestionView';
import { TrialKeeper } from '../speech/TrialKeeper';
import { marksWords, plural } from '../words/marks';
import { outOf } from '../words/traces';
import { MarkedSlots } from './MarkedSlots';
import { useTrial } from './use-trial';

/** The sheet as a student has it: answer, hand in, see marks and why. Nothing of it is kept. */
export function TrySheet({ body, onClose }: { body: QuestionBody; onClose: () => void }) {
  const [phone, setPhone] = useState(false);
  const [hintsSeen, setHintsSeen] = useState(0);
  const { variant, view, handedIn, marked, handIn, ...trial } = useTrial(body);
  const cost = sum(body.hints.slice(0, hintsSeen).map((h) => exact(h.cost)));
  const given = [...marked.values()].flatMap(({ marks }) => (marks === null ? [] : [marks]));
  const earned = max(ZERO, sum(given).sub(cost));
  const waiting = marked.size - given.length;
  const nextHint = variant.hints[hintsSeen];
  const again = (): void => {
    setHintsSeen(0);
    trial.again();
  };
  return (
    <Dialog
      title={
        <>
          Try the sheet <span className="soft fw-normal ms-2">nothing of this is kept</span>
        </>
      }
      onClose={onClose}
      size="xl"
    >
      <FrameSize phone={phone} onPhone={setPhone}>
        <span className="ms-auto" />
        <Button variant="outline-primary" onClick={again}>
          {body.vary ? 'Other numbers' : 'Start again'}
        </Button>
        {!handedIn && <Button onClick={handIn}>Hand in</Button>}
      </FrameSize>
      <div className={`trial-paper ${phone ? 'phone' : ''}`}>
        <div className={`sheet ${phone ? 'plain' : ''}`}>
          <TrialKeeper slots={variant.slots} responses={view.responses}>
            <QuestionView number="1" marks={stored(totalMarks(body))} {...view} />
          </TrialKeeper>
          {variant.hints.slice(0, hintsSeen).map((hint, i) => (
            <p className="advice" key={i}>
              <TextWithFormulas text={hint.text} drawn={drawTextFormulas(hint.text)} />
            </p>
          ))}
          {!handedIn && nextHint && (
            <Button variant="outline-primary" onClick={() => setHintsSeen(hintsSeen + 1)}>
              A hint, costs {marksWords(nextHint.cost)}
            </Button>
          )}
        </div>
        {handedIn && (
          <p className="mt-3 mb-0">
            <strong>{outOf(stored(earned), stored(totalMarks(body)))}</strong>
            {hintsSeen > 0 && `, ${marksWords(stored(cost))} taken off for hints`}
            {waiting > 0 && <span className="hand">, {plural(waiting, 'answer waits', 'answers wait')}</span>}
          </p>
        )}
        {handedIn && (
          <>
            <MarkedSlots question={variant} marked={marked} />
            {plainText(variant.explanation) !== '' && (
              <div className="note">
                <h3>Explanation</h3>
                <div className="prose">
                  <ContentView
                    content={variant.explanation}
                    drawn={drawContentFormulas(variant.explanation)}
                    slot={() => null}
                  />
                </div>
              </div>
            )}
          </>
        )}
      </div>
    </Dialog>
  );
}
