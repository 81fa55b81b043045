'use client';
import { useEffect, useMemo, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { trialPaperAction } from '@/actions/exams';
import type { Lot } from '@/core/exams/lot';
import { sectionLetter } from '@/core/exams/numbering';
import { isForSome } from '@/core/exams/only';
import type { ExamPlan } from '@/core/exams/plan';
import { type DrawnSection, drawSections } from '../sheet/draw-sections';
import { drawContentFormulas } from '../sheet/formulas';
import { QuestionView } from '../sheet/QuestionView';
import { RoomAids } from '../room/RoomAids';
import { Dialog } from '../parts/Dialog';
import { FrameSize } from '../parts/FrameSize';
import { CheckLine } from '../parts/CheckLine';
import { marksText } from '../words/marks';
import { SamplePapers } from './SamplePapers';
import { replyTo } from '../parts/reply-to';

interface Props {
  exam: string;
  plan: ExamPlan;
  course: string | null;
  /** Who of the course has which sections, the most common first. */
  sets: { without: string[] }[];
  onClose: () => void;
}

/** The whole paper as a student gets it, with every shuffle; nothing of it is kept. */
export function TryPaper({ exam, plan, course, sets, onClose }: Props) {
  const [phone, setPhone] = useState(false);
  const [seed, setSeed] = useState(1);
  const [without, setWithout] = useState<readonly string[]>(sets[0]?.without ?? []);
  const [shown, setShown] = useState<{ lot: Lot; sections: DrawnSection[] } | null>(null);
  const lot = useMemo(() => ({ seed, without }), [seed, without]);
  const [responses, setResponses] = useState<Record<string, Record<string, unknown>>>({});
  useEffect(() => {
    let stale = false;
    replyTo(trialPaperAction({ plan, course, exam }, lot)).then((result) => {
      if (!stale && result.ok) setShown({ lot, sections: drawSections(result.value.sections) });
    });
    return () => {
      stale = true;
    };
  }, [plan, course, exam, lot]);
  const show = (other: number): void => {
    setResponses({});
    setSeed(other);
  };
  return (
    <Dialog
      title={
        <>
          {plan.title} <span className="soft fw-normal ms-2">nothing of this is kept</span>
        </>
      }
      onClose={onClose}
      size="xl"
    >
      <FrameSize phone={phone} onPhone={setPhone}>
        <RoomAids
          calculator={plan.calculator ?? null}
          formulas={plan.formulas ? { content: plan.formulas, drawn: drawContentFormulas(plan.formulas) } : null}
        />
        <Button variant="outline-primary" className="ms-auto" onClick={() => show(seed + 1)}>
          Another student’s paper
        </Button>
      </FrameSize>
      {isForSome(plan) && (
        <div className="fact-line mb-2" role="group" aria-label="Sections that are for some students only">
          as whoever has
          {plan.sections.map(
            (section, i) =>
              section.only && (
                <CheckLine
                  key={section.id}
                  checked={!without.includes(section.id)}
                  onChange={(on) =>
                    setWithout((all) => (on ? all.filter((id) => id !== section.id) : [...all, section.id]))
                  }
                >
                  {sectionLetter(i)} {section.title}
                </CheckLine>
              ),
          )}
        </div>
      )}
      <SamplePapers exam={exam} plan={plan} course={course} lot={lot} onShow={show} />
      <div className={`trial-paper ${phone ? 'phone' : ''}`} aria-busy={shown?.lot !== lot}>
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
    </Dialog>
  );
}
