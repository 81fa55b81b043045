'use client';
import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { useRouter } from 'next/navigation';
import { type ReactNode, useCallback, useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { copyExamAction, examViewAction, placeAction, savePlanAction } from '@/actions/exams';
import type { ExamPlan, Section } from '@/core/exams/plan';
import type { ExamView } from '@/server/exams/exam-view';
import type { OpenExam } from '@/server/exams/exams';
import type { CourseRow } from '@/server/people/courses';
import { Strip } from '../frame/Strip';
import { SavedState } from '../parts/SavedState';
import { useAutosave } from '../parts/use-autosave';
import { UndoRedo } from '../parts/UndoRedo';
import { useHistory } from '../parts/use-history';
import { marksText, marksWords } from '../words/marks';
import { AddQuestion } from './AddQuestion';
import { ExamMargin } from './ExamMargin';
import { PlanRow } from './PlanRow';
import { type DrawnFrom, DrawRow } from './DrawRow';
import { movedItem, withDraw, withItem, withoutSection, withSection } from './plan-moves';
import { Schedule } from './Schedule';
import { TryPaper } from './TryPaper';
import { Trouble } from '../parts/Trouble';

interface Props {
  exam: OpenExam;
  view: ExamView;
  courses: CourseRow[];
  /** What draws can be narrowed by. */
  from: DrawnFrom;
  /** The department's time zone. */
  zone: string;
}

/** The exam desk: sections and questions on the sheet, readiness and how it runs in the margin. */
export function ExamDesk({ exam, view: firstView, courses, from, zone }: Props) {
  const router = useRouter();
  const key = `zonda-exam-${exam.id}`;
  const { present: plan, change, ...history } = useHistory<ExamPlan>(exam.plan);
  const [view, setView] = useState(firstView);
  const [dialog, setDialog] = useState<'try' | 'schedule' | null>(null);
  const course = exam.course?.id ?? null;
  const [trouble, setTrouble] = useState<string | null>(null);
  const save = useCallback(
    (value: ExamPlan, base: number) => savePlanAction({ exam: exam.id, base, plan: value }),
    [exam.id],
  );
  const { state, flush } = useAutosave({
    key,
    value: plan,
    version: exam.version,
    savedAt: exam.savedAt,
    save,
    bringBack: change,
  });

  useEffect(() => {
    if (plan === exam.plan) return;
    let stale = false;
    const timer = setTimeout(async () => {
      const result = await examViewAction({ plan, course });
      if (!stale && result.ok) setView(result.value);
    }, 150);
    return () => {
      stale = true;
      clearTimeout(timer);
    };
  }, [plan, exam.plan, course]);

  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const dropped = ({ active, over }: DragEndEvent): void => {
    if (over) change((p) => movedItem(p, String(active.id), String(over.id)));
  };
  /** How many questions stand before a section. */
  const before = (index: number): number => plan.sections.slice(0, index).reduce((n, s) => n + s.items.length, 0);
  const place = async (section: string, question: string): Promise<void> => {
    const placed = await placeAction(question);
    if (!placed.ok) return setTrouble('This question could not be placed.');
    setTrouble(null);
    change((p) =>
      withItem(p, section, {
        id: crypto.randomUUID(),
        question,
        revision: placed.value.revision,
        marks: null,
        bonus: false,
      }),
    );
  };
  const editSection = (id: string, part: Partial<Section>, tag: string): void =>
    change((p) => ({ ...p, sections: p.sections.map((s) => (s.id === id ? { ...s, ...part } : s)) }), `${tag} ${id}`);

  return (
    <>
      <Strip
        where={{ href: '/exams', name: exam.course ? `${exam.course.code} ${exam.course.title}` : 'Exams' }}
        title={plan.title}
        chip={`${marksWords(view.marks)}, ${plan.minutes} minutes`}
      >
        <SavedState state={state} />
        <UndoRedo {...history} />
        <Button
          variant="quiet"
          onClick={async () => {
            await flush();
            const copy = await copyExamAction(exam.id);
            if (copy.ok) router.push(`/exams/${copy.value.id}`);
          }}
        >
          Take a copy
        </Button>
        <Button variant="outline-primary" aria-haspopup="dialog" onClick={() => setDialog('try')}>
          Try the paper
        </Button>
        <Button
          aria-haspopup="dialog"
          onClick={async () => {
            await flush();
            setDialog('schedule');
          }}
        >
          Schedule…
        </Button>
      </Strip>
      {state.name === 'refused' && state.refusal.code === 'changed-elsewhere' && (
        <div className="px-3">
          <div className="trouble d-flex gap-3 align-items-center" role="alert">
            Somebody has changed this exam meanwhile. What you see here is not saved.
            <Button
              variant="outline-primary"
              onClick={() => {
                localStorage.removeItem(key);
                location.reload();
              }}
            >
              Show theirs
            </Button>
          </div>
        </div>
      )}
      <div className="split with-margin">
        <div className="sheet plain">
          <div className="d-flex gap-3 mb-2">
            <input
              className="bare strong fs-6"
              aria-label="Title of the exam"
              value={plan.title}
              maxLength={200}
              onChange={(e) => e.target.value.trim() && change({ ...plan, title: e.target.value }, 'title')}
            />
          </div>
          <textarea
            className="bare"
            rows={2}
            aria-label="Instructions"
            placeholder="Instructions that students read before they begin"
            value={plan.instructions}
            maxLength={5000}
            onChange={(e) => change({ ...plan, instructions: e.target.value }, 'instructions')}
          />
          <Trouble>{trouble}</Trouble>
          <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={dropped} id="plan">
            {plan.sections.map((section, s) => (
              <section key={section.id} className="plan-section" aria-label={`Section ${String.fromCharCode(65 + s)}`}>
                <div className="plan-head">
                  <span>{String.fromCharCode(65 + s)}</span>
                  <input
                    className="bare strong"
                    aria-label={`Title of section ${s + 1}`}
                    value={section.title}
                    maxLength={200}
                    onChange={(e) => editSection(section.id, { title: e.target.value }, 'title')}
                  />
                  <span>[{marksText(view.sections[section.id]?.marks ?? '0')}]</span>
                  <span className="soft fw-normal">{view.sections[section.id]?.minutes ?? 0} min</span>
                  {plan.sections.length > 1 ? (
                    <Button
                      variant="quiet"
                      aria-label={`Take section ${s + 1} out`}
                      onClick={() => change((p) => withoutSection(p, section.id))}
                    >
                      ×
                    </Button>
                  ) : (
                    <span />
                  )}
                </div>
                <textarea
                  className="bare section-instructions"
                  rows={1}
                  aria-label={`Instructions of section ${s + 1}`}
                  placeholder="Instructions of this section, if it has its own"
                  value={section.instructions}
                  maxLength={3000}
                  onChange={(e) => editSection(section.id, { instructions: e.target.value }, 'instructions')}
                />
                <SortableContext items={section.items.map((i) => i.id)} strategy={verticalListSortingStrategy}>
                  {section.items.map((item, i) => {
                    const number = before(s) + i + 1;
                    return (
                      <PlanRow
                        key={item.id}
                        item={item}
                        number={number}
                        question={view.items[item.id]}
                        change={change}
                      />
                    );
                  })}
                </SortableContext>
                {section.draws.map(
                  (draw, i) =>
                    draw.seeks && (
                      <DrawRow
                        key={draw.id}
                        draw={{ ...draw, seeks: draw.seeks }}
                        name={`draw ${i + 1} of section ${String.fromCharCode(65 + s)}`}
                        found={view.found[draw.id]}
                        from={from}
                        change={change}
                      />
                    ),
                )}
                <SectionEnd id={section.id}>
                  <AddQuestion
                    section={section.title}
                    taken={plan.sections.flatMap((x) => x.items.map((i) => i.question))}
                    onPick={(question) => place(section.id, question)}
                    onDraw={() => change((p) => withDraw(p, section.id, crypto.randomUUID()))}
                  />
                </SectionEnd>
              </section>
            ))}
          </DndContext>
          <Button variant="quiet" onClick={() => change((p) => withSection(p, crypto.randomUUID()))}>
            + Section
          </Button>
        </div>
        <ExamMargin exam={exam} zone={zone} plan={plan} view={view} change={change} />
      </div>
      {dialog === 'try' && <TryPaper plan={plan} course={course} onClose={() => setDialog(null)} />}
      {dialog === 'schedule' && (
        <Schedule
          exam={exam.id}
          course={course}
          minutes={plan.minutes}
          zone={zone}
          courses={courses}
          stopping={view.findings.filter((f) => f.weight === 'stops').length}
          onClose={() => setDialog(null)}
        />
      )}
    </>
  );
}

/** The end of a section, where a dragged question can be dropped too. */
function SectionEnd({ id, children }: { id: string; children: ReactNode }) {
  const { setNodeRef } = useDroppable({ id });
  return <div ref={setNodeRef}>{children}</div>;
}
