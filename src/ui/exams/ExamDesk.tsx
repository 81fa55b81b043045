'use client';
import { Link } from '../parts/Link';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { copyExamAction, examViewAction, placeAction, savePlanAction } from '@/actions/exams';
import { numbersOf, sectionLetter } from '@/core/exams/numbering';
import type { BlueprintRow, ExamPlan } from '@/core/exams/plan';
import type { ExamView } from '@/server/exams/exam-view';
import type { ExamRow, OpenExam } from '@/server/exams/exams';
import type { CourseRow } from '@/server/people/courses';
import { Strip } from '../frame/Strip';
import { DragArea } from '../parts/DragArea';
import { SavedState } from '../parts/SavedState';
import { useAutosave } from '../parts/use-autosave';
import { UndoRedo } from '../parts/UndoRedo';
import { useHistory } from '../parts/use-history';
import { marksText, marksWords } from '../words/marks';
import { refusalText } from '../words/refusals';
import { Blueprint } from './Blueprint';
import { ChosenRows } from './ChosenRows';
import { ExamMargin } from './ExamMargin';
import type { DrawnFrom } from './DrawRow';
import { movedItem, withItem, withSection } from './plan-moves';
import { PlanSection } from './PlanSection';
import type { CoursePeople } from './OnlyFor';
import { KeepExam } from './KeepExam';
import { Schedule } from './Schedule';
import { TryPaper } from './TryPaper';
import { Trouble } from '../parts/Trouble';
import { replyTo } from '../parts/reply-to';

interface Props {
  exam: OpenExam;
  view: ExamView;
  courses: CourseRow[];
  /** What draws can be narrowed by. */
  from: DrawnFrom;
  /** Who is in its course, for sections that are for some only. */
  people: CoursePeople;
  /** The department's blueprint, and whether the reader may change it. */
  agreed: BlueprintRow[];
  mayAgree: boolean;
  /** The other exams in use. */
  others: ExamRow[];
  /** The department's time zone. */
  zone: string;
}

/** The exam desk: sections and questions on the sheet, readiness and how it runs in the margin. */
export function ExamDesk({ exam, view: firstView, courses, from, people, agreed, mayAgree, others, zone }: Props) {
  const router = useRouter();
  const key = `zonda-exam-${exam.id}`;
  const { present: plan, change, ...history } = useHistory<ExamPlan>(exam.plan);
  const [view, setView] = useState(firstView);
  const [marked, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [dialog, setDialog] = useState<'try' | 'schedule' | 'keep' | null>(null);
  const course = exam.course?.id ?? null;
  const [trouble, setTrouble] = useState<string | null>(null);
  /** One click is one copy. */
  const [copying, setCopying] = useState(false);
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
      const result = await replyTo(examViewAction({ plan, course, exam: exam.id }));
      if (!stale && result.ok) setView(result.value);
    }, 150);
    return () => {
      stale = true;
      clearTimeout(timer);
    };
  }, [plan, exam.plan, exam.id, course]);

  const numbers = numbersOf(
    plan.sections.map(({ items }, s) => ({ letter: sectionLetter(s), items })),
    plan.numbering,
  );
  const called = new Map(
    plan.sections.flatMap(({ id, items }, s): [string, string][] => [
      ...items.map((item, i): [string, string] => [item.id, `Question ${numbers[s]?.[i] ?? ''}`]),
      [id, `the end of section ${sectionLetter(s)}`],
    ]),
  );
  const taken = plan.sections.flatMap((s) => s.items.map((i) => i.question));
  const rows = new Set(plan.sections.flatMap((s) => s.items.map(({ id }) => id)));
  const chosen = new Set([...marked].filter((id) => rows.has(id)));
  const choose = (item: string, on: boolean): void =>
    setChosen((all) => new Set(on ? [...all, item] : [...all].filter((id) => id !== item)));
  const place = async (section: string, question: string): Promise<void> => {
    const placed = await replyTo(placeAction(question));
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

  return (
    <>
      <Strip
        where={{ href: '/exams', name: exam.course ? `${exam.course.code} ${exam.course.title}` : 'Exams' }}
        title={plan.title}
        chip={`${view.least === view.marks ? '' : `${marksText(view.least)} to `}${marksWords(view.marks)}, ${plan.minutes} minutes`}
      >
        <SavedState state={state} />
        <UndoRedo {...history} />
        <Button
          variant="quiet"
          disabled={copying}
          onClick={async () => {
            setCopying(true);
            await flush();
            const copy = await replyTo(copyExamAction(exam.id));
            if (copy.ok) return router.push(`/exams/${copy.value.id}`);
            setCopying(false);
            setTrouble(refusalText(copy.refusal));
          }}
        >
          Take a copy
        </Button>
        {exam.keeps && (
          <Button variant="quiet" aria-haspopup="dialog" onClick={() => setDialog('keep')}>
            Keep…
          </Button>
        )}
        <Link
          className="btn btn-quiet"
          href={`/exams/${exam.id}/print`}
          onClick={async (event) => {
            event.preventDefault();
            await flush();
            router.push(`/exams/${exam.id}/print`);
          }}
        >
          Print…
        </Link>
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
      {exam.locked && (
        <div className="px-3">
          <p className="advice mb-2" role="status">
            Locked by {exam.owner.name}: nothing here can be changed.{' '}
            {exam.keeps ? '“Keep…” unlocks it.' : 'Take a copy to change it.'}
          </p>
        </div>
      )}
      <fieldset className="as-if-none" disabled={exam.locked}>
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
            <DragArea
              called={(id) => called.get(id) ?? ''}
              onDrop={(item, onto) => change((p) => movedItem(p, item, onto))}
            >
              {plan.sections.map((section, s) => (
                <PlanSection
                  key={section.id}
                  section={section}
                  letter={sectionLetter(s)}
                  numbers={numbers[s] ?? []}
                  alone={plan.sections.length === 1}
                  taken={taken}
                  view={view}
                  from={from}
                  people={people}
                  chosen={chosen}
                  onChoose={choose}
                  onPick={(question) => place(section.id, question)}
                  change={change}
                />
              ))}
            </DragArea>
            <Button variant="quiet" onClick={() => change((p) => withSection(p, crypto.randomUUID()))}>
              + Section
            </Button>
            <ChosenRows plan={plan} chosen={chosen} change={change} onClose={() => setChosen(new Set())} />
            <Blueprint
              plan={plan}
              there={view.there}
              shelves={from.shelves}
              agreed={agreed}
              mayAgree={mayAgree}
              change={change}
              onPlace={place}
            />
          </div>
          <ExamMargin exam={exam} zone={zone} plan={plan} view={view} change={change} />
        </div>
      </fieldset>
      {dialog === 'try' && (
        <TryPaper exam={exam.id} plan={plan} course={course} sets={view.sets} onClose={() => setDialog(null)} />
      )}
      {dialog === 'keep' && (
        <KeepExam exam={exam} colleagues={from.authors} zone={zone} onClose={() => setDialog(null)} />
      )}
      {dialog === 'schedule' && (
        <Schedule
          exam={exam.id}
          course={course}
          minutes={plan.minutes}
          zone={zone}
          courses={courses}
          late={exam.agreed.late}
          others={others}
          keyEarly={[plan.sees.key, plan.sees.explanation].some((when) => when === 'at once' || when === 'handed in')}
          stopping={view.findings.filter((f) => f.weight === 'stops').length}
          onClose={() => setDialog(null)}
        />
      )}
    </>
  );
}
