'use client';
import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Modal from 'react-bootstrap/Modal';
import { trialPaperAction } from '@/actions/exams';
import type { ExamPlan } from '@/core/exams/plan';
import { type DrawnSection, drawSections } from '../sheet/draw-sections';
import { QuestionView } from '../sheet/QuestionView';
import { marksText } from '../words/marks';
import { SamplePapers } from './SamplePapers';

interface Props {
  plan: ExamPlan;
  course: string | null;
  onClose: () => void;
}

/** The whole paper as a student gets it, with every shuffle; nothing of it is kept. */
export function TryPaper({ plan, course, onClose }: Props) {
  const [phone, setPhone] = useState(false);
  const [seed, setSeed] = useState(1);
  const [shown, setShown] = useState<{ seed: number; sections: DrawnSection[] } | null>(null);
  const [responses, setResponses] = useState<Record<string, Record<string, unknown>>>({});
  useEffect(() => {
    let stale = false;
    trialPaperAction({ plan, course }, seed).then((result) => {
      if (!stale && result.ok) setShown({ seed, sections: drawSections(result.value.sections) });
    });
    return () => {
      stale = true;
    };
  }, [plan, course, seed]);
  const show = (other: number): void => {
    setResponses({});
    setSeed(other);
  };
  return (
    <Modal show onHide={onClose} size="xl" aria-labelledby="try-paper" animation={false} scrollable>
      <Modal.Header closeButton>
        <Modal.Title as="h2" className="fs-6 fw-bold" id="try-paper">
          {plan.title} <span className="soft fw-normal ms-2">nothing of this is kept</span>
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
          <Button variant="outline-primary" className="ms-auto" onClick={() => show(seed + 1)}>
            Another student’s paper
          </Button>
        </div>
        <SamplePapers plan={plan} course={course} seed={seed} onShow={show} />
        <div className={`trial-paper ${phone ? 'phone' : ''}`} aria-busy={shown?.seed !== seed}>
          {plan.instructions && <p>{plan.instructions}</p>}
          {shown?.sections.map((section) => (
            <section key={section.letter} className="mb-4">
              <h3 className="fs-6 fw-bold">
                {section.letter} {section.title} [{marksText(section.marks)}]
              </h3>
              {section.instructions && <p>{section.instructions}</p>}
              {section.items.map((item) => (
                <div key={item.id} className={`sheet ${phone ? 'plain' : ''}`}>
                  <QuestionView
                    number={item.number}
                    marks={item.marks}
                    bonus={item.bonus}
                    sheet={item.sheet}
                    drawn={item.drawn}
                    responses={responses[item.id] ?? {}}
                    onAnswer={(slot, value) =>
                      setResponses((r) => ({ ...r, [item.id]: { ...r[item.id], [slot]: value } }))
                    }
                  />
                </div>
              ))}
            </section>
          ))}
        </div>
      </Modal.Body>
    </Modal>
  );
}
