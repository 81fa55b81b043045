'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { scheduleAction } from '@/actions/exams';
import type { Refusal } from '@/core/base/result';
import type { LateRule } from '@/core/sittings/late';
import type { Tries } from '@/core/sittings/tries';
import type { GuestField } from '@/core/people/guest-fields';
import type { ExamRow } from '@/server/exams/exams';
import type { CourseRow } from '@/server/people/courses';
import { useCoursePeople } from '../people/use-course-people';
import { forField, fromField } from '../words/time';
import { refusalText } from '../words/refusals';
import { CheckLine } from '../parts/CheckLine';
import { CountInput } from '../parts/CountInput';
import { Dialog } from '../parts/Dialog';
import { Trouble } from '../parts/Trouble';
import { type Due, LateWords } from '../sittings/LateWords';
import { TriesWords } from '../sittings/TriesWords';
import { GuestFieldsWords } from './GuestFieldsWords';
import { InRow } from './InRow';
import { NOBODY, OnlyFor } from './OnlyFor';
import { replyTo } from '../parts/reply-to';

interface Props {
  exam: string;
  course: string | null;
  minutes: number;
  courses: CourseRow[];
  stopping: number;
  /** Students see key or explanations before the release. */
  keyEarly: boolean;
  /** What the department has agreed that lateness costs. */
  late: LateRule | null;
  /** Exams that could be written after it in a row. */
  others: ExamRow[];
  /** The department's time zone, in which the times are meant. */
  zone: string;
  onClose: () => void;
}

type Who = 'all' | 'some' | 'groups' | 'link';

/** Schedules a sitting: for whom, from when to when, how long each. */
export function Schedule({ exam, course, minutes, courses, stopping, keyEarly, late, others, zone, onClose }: Props) {
  const router = useRouter();
  // Now, unless another time is said.
  const [start] = useState(() => Math.floor(Date.now() / 60_000) * 60_000);
  const [form, setForm] = useState({
    course: course ?? courses[0]?.id ?? '',
    opens: forField(start, zone),
    closes: forField(start + Math.max(120, minutes + 30) * 60_000, zone),
    minutes,
    who: 'all' as Who,
    only: NOBODY,
    code: '',
    byHand: false,
    due: { at: '', rule: null } as Due,
    tries: null as Tries | null,
    then: [] as string[],
    guestFields: [] as GuestField[],
  });
  const people = useCoursePeople(form.course, form.who === 'some');
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [busy, setBusy] = useState(false);
  const set = (part: Partial<typeof form>): void => setForm({ ...form, ...part });
  const submit = async (): Promise<void> => {
    setBusy(true);
    const result = await replyTo(
      scheduleAction({
        exam,
        course: form.course,
        opensAt: fromField(form.opens, zone),
        closesAt: fromField(form.closes, zone),
        minutes: form.minutes,
        who: form.who === 'link' || form.who === 'groups' ? form.who : 'students',
        only: form.who === 'some' ? form.only : null,
        code: form.code.trim() || null,
        byHand: form.byHand,
        dueAt: form.due.at === '' ? null : fromField(form.due.at, zone),
        late: form.due.rule,
        tries: form.tries,
        then: form.who === 'link' ? [] : form.then,
        guestFields: form.guestFields,
      }),
    );
    if (result.ok) return router.push(`/sittings/${result.value.id}`);
    setBusy(false);
    setRefusal(result.refusal);
  };
  const beside = (field: string) =>
    refusal && (refusal.at?.[0] ?? 'exam') === field ? <Trouble>{refusalText(refusal)}</Trouble> : null;
  return (
    <Dialog
      title="Schedule a sitting"
      onClose={onClose}
      onSubmit={() => void submit()}
      acts={
        <Button type="submit" disabled={busy}>
          Schedule it
        </Button>
      }
    >
      {stopping > 0 && (
        <p className="advice">Readiness says what stops this exam. It cannot be sat before that is mended.</p>
      )}
      {beside('exam')}
      <label className="form-label" htmlFor="who">
        Who
      </label>
      <div className="d-flex gap-2 mb-2">
        <select id="who" className="form-select" value={form.who} onChange={(e) => set({ who: e.target.value as Who })}>
          <option value="all">everybody in</option>
          <option value="some">some students of</option>
          <option value="groups">each group together in</option>
          <option value="link">whoever has the link, and</option>
        </select>
        <select
          className="form-select"
          aria-label="Course"
          value={form.course}
          onChange={(e) => set({ course: e.target.value, only: NOBODY })}
        >
          {courses.map((c) => (
            <option key={c.id} value={c.id}>
              {c.code} {c.title}
            </option>
          ))}
        </select>
      </div>
      {form.who === 'some' && (
        <OnlyFor only={form.only} name="this sitting" people={people} onChange={(only) => set({ only })} />
      )}
      {form.who === 'link' && (
        <GuestFieldsWords fields={form.guestFields} onChange={(guestFields) => set({ guestFields })} />
      )}
      {beside('guestFields')}
      {beside('only')}
      {beside('course')}
      <label className="form-label mt-2" htmlFor="code">
        Code to get in <span className="soft">none when left empty</span>
      </label>
      <input
        id="code"
        className="form-control mb-3"
        style={{ width: 200 }}
        value={form.code}
        maxLength={40}
        autoComplete="off"
        onChange={(e) => set({ code: e.target.value })}
      />
      {beside('code')}
      <div className="row g-3">
        <div className="col-6">
          <label className="form-label" htmlFor="opens">
            {form.byHand ? 'I open it about' : 'They may start from'}
          </label>
          <input
            id="opens"
            type="datetime-local"
            className="form-control"
            required
            value={form.opens}
            onChange={(e) => set({ opens: e.target.value })}
          />
        </div>
        <div className="col-6">
          <label className="form-label" htmlFor="closes">
            It ends for all at
          </label>
          <input
            id="closes"
            type="datetime-local"
            className="form-control"
            required
            value={form.closes}
            onChange={(e) => set({ closes: e.target.value })}
          />
        </div>
      </div>
      <CheckLine checked={form.byHand} onChange={(byHand) => set({ byHand })}>
        nobody gets in before I open it
      </CheckLine>
      <p className="soft mb-0 mt-1">
        {form.byHand
          ? `Its end, and when it is due, move with the opening. Times of the department, ${zone}.`
          : `Times of the department, ${zone}.`}
      </p>
      {beside('opensAt')}
      {beside('closesAt')}
      <p className="form-label mt-3">Minutes for each</p>
      <div className="fact-line">
        <CountInput
          label="Minutes for each"
          count={form.minutes}
          least={1}
          most={1440}
          onChange={(count) => count !== null && set({ minutes: count })}
        />
      </div>
      {beside('minutes')}
      {form.who !== 'link' && others.length > 0 && (
        <div className="mt-3">
          <InRow exams={others} then={form.then} onChange={(then) => set({ then })} />
          {beside('then')}
        </div>
      )}
      <div className="mt-3">
        <TriesWords tries={form.tries} onChange={(tries) => set({ tries })} />
        {form.tries && keyEarly && (
          <p className="hand">The exam shows the key or explanations early: before their next attempt.</p>
        )}
        {beside('tries')}
        <LateWords due={form.due} closes={form.closes} agreed={late} onChange={(due) => set({ due })} />
        {beside('dueAt')}
      </div>
      <p className="soft mt-3 mb-0">
        Extra time is given by itself to those who have it; you can change it on the next page.
      </p>
    </Dialog>
  );
}
