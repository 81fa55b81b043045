'use client';
import { useMemo, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Modal from 'react-bootstrap/Modal';
import { markQuestion } from '@/core/bank/mark';
import { placedSlots, type QuestionBody } from '@/core/bank/question';
import { questionSheet } from '@/core/bank/sheet';
import { variantOf } from '@/core/bank/variant';
import { totalMarks } from '@/core/bank/summary';
import { exact, max, stored, sum, ZERO } from '@/core/base/exact';
import { plainText } from '@/core/content/plain';
import { ContentView } from '../sheet/ContentView';
import { TextWithFormulas } from '../sheet/Formula';
import { drawContentFormulas, drawSheetFormulas, drawTextFormulas } from '../sheet/formulas';
import { drawResponseFormulas } from '../sheet/response-formulas';
import { QuestionView } from '../sheet/QuestionView';
import { marksWords, plural } from '../words/marks';
import { outOf, traceText } from '../words/traces';

/** The sheet as a student has it: answer, hand in, see marks and why. Nothing of it is kept. */
export function TrySheet({ body, onClose }: { body: QuestionBody; onClose: () => void }) {
  const [phone, setPhone] = useState(false);
  const [seed, setSeed] = useState(1);
  const [responses, setResponses] = useState<Record<string, unknown>>({});
  const [handedIn, setHandedIn] = useState(false);
  const [hintsSeen, setHintsSeen] = useState(0);
  const variant = useMemo(() => variantOf(body, seed), [body, seed]);
  const sheet = useMemo(() => questionSheet(variant, seed), [variant, seed]);
  const drawn = useMemo(() => drawSheetFormulas(sheet), [sheet]);
  const marked = useMemo(() => markQuestion(variant, handedIn ? responses : {}), [variant, handedIn, responses]);
  const cost = sum(body.hints.slice(0, hintsSeen).map((h) => exact(h.cost)));
  const given = [...marked.values()].flatMap(({ marks }) => (marks === null ? [] : [marks]));
  const earned = max(ZERO, sum(given).sub(cost));
  const waiting = marked.size - given.length;
  const nextHint = variant.hints[hintsSeen];
  const again = (): void => {
    setResponses({});
    setHandedIn(false);
    setHintsSeen(0);
    setSeed(seed + 1);
  };
  return (
    <Modal show onHide={onClose} size="xl" aria-labelledby="try-title" animation={false}>
      <Modal.Header closeButton>
        <Modal.Title as="h2" className="fs-6 fw-bold" id="try-title">
          Try the sheet <span className="soft fw-normal ms-2">nothing of this is kept</span>
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <div className="frame-size">
          <Button variant={phone ? 'outline-primary' : 'primary'} aria-pressed={!phone} onClick={() => setPhone(false)}>
            Laptop
          </Button>
          <Button variant={phone ? 'primary' : 'outline-primary'} aria-pressed={phone} onClick={() => setPhone(true)}>
            Phone
          </Button>
          <span className="ms-auto" />
          <Button variant="outline-primary" onClick={again}>
            {body.vary ? 'Other numbers' : 'Start again'}
          </Button>
          {!handedIn && <Button onClick={() => setHandedIn(true)}>Hand in</Button>}
        </div>
        <div className={`trial-paper ${phone ? 'phone' : ''}`}>
          <div className={`sheet ${phone ? 'plain' : ''}`}>
            <QuestionView
              number={1}
              marks={stored(totalMarks(body))}
              sheet={sheet}
              drawn={handedIn ? { ...drawn, ...drawResponseFormulas(sheet, responses) } : drawn}
              responses={responses}
              {...(handedIn
                ? {}
                : { onAnswer: (slot: string, value: unknown) => setResponses((r) => ({ ...r, [slot]: value })) })}
            />
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
            <div className="mt-3" role="status">
              {placedSlots(variant).map(({ id, letter, slot }) => {
                const found = marked.get(id);
                if (!found) return null;
                const { marking, marks } = found;
                return (
                  <div className={`note ${marks !== null && stored(marks) === slot.marks ? 'tick' : 'red'}`} key={id}>
                    <h3>
                      <span className="letter">{letter}</span>
                      <span className={marks === null ? 'hand' : stored(marks) === slot.marks ? 'good' : 'wrong'}>
                        {marks === null ? 'waits for a person' : outOf(stored(marks), slot.marks)}
                      </span>
                    </h3>
                    <p className="soft">
                      <TextWithFormulas
                        text={traceText(marking.trace)}
                        drawn={drawTextFormulas(traceText(marking.trace))}
                      />
                    </p>
                    {marking.state === 'marked' && marking.feedback && <p>{marking.feedback}</p>}
                  </div>
                );
              })}
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
            </div>
          )}
        </div>
      </Modal.Body>
    </Modal>
  );
}
