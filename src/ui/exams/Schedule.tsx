'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Modal from 'react-bootstrap/Modal';
import { scheduleAction } from '@/app/(staff)/exams/actions';
import type { Refusal } from '@/core/base/result';
import type { CourseRow } from '@/server/gradebook/gradebook';
import { refusalText } from '../words/refusals';

interface Props {
  exam: string;
  course: string | null;
  minutes: number;
  courses: CourseRow[];
  stopping: number;
  onClose: () => void;
}

/** An instant as the date-and-time field of the browser writes it, in the person's own zone. */
function forField(at: number): string {
  const date = new Date(at - new Date(at).getTimezoneOffset() * 60_000);
  return date.toISOString().slice(0, 16);
}

/** Schedules a sitting: for whom, from when to when, how long each. */
export function Schedule({ exam, course, minutes, courses, stopping, onClose }: Props) {
  const router = useRouter();
  const [start] = useState(() => Math.ceil(Date.now() / 300_000) * 300_000);
  const [form, setForm] = useState({
    course: course ?? courses[0]?.id ?? '',
    opens: forField(start),
    closes: forField(start + Math.max(120, minutes + 30) * 60_000),
    minutes: String(minutes),
  });
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [busy, setBusy] = useState(false);
  const set = (part: Partial<typeof form>): void => setForm({ ...form, ...part });
  const submit = async (): Promise<void> => {
    setBusy(true);
    const result = await scheduleAction({
      exam,
      course: form.course,
      opensAt: Date.parse(form.opens),
      closesAt: Date.parse(form.closes),
      minutes: Number(form.minutes),
    });
    if (result.ok) return router.push(`/sittings/${result.value.id}`);
    setBusy(false);
    setRefusal(result.refusal);
  };
  const beside = (field: string) =>
    refusal && (refusal.at?.[0] ?? 'exam') === field ? (
      <p role="alert" className="trouble">
        {refusalText(refusal)}
      </p>
    ) : null;
  return (
    <Modal show onHide={onClose} centered aria-labelledby="schedule" animation={false}>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          void submit();
        }}
      >
        <Modal.Body>
          <h2 className="fs-6 fw-bold mb-3" id="schedule">
            Schedule a sitting
          </h2>
          {stopping > 0 && (
            <p className="advice">Readiness says what stops this exam. It cannot be sat before that is mended.</p>
          )}
          {beside('exam')}
          <label className="form-label" htmlFor="who">
            Who
          </label>
          <select
            id="who"
            className="form-select mb-3"
            value={form.course}
            onChange={(e) => set({ course: e.target.value })}
          >
            {courses.map((c) => (
              <option key={c.id} value={c.id}>
                everybody in {c.code} {c.title}
              </option>
            ))}
          </select>
          {beside('course')}
          <div className="row g-3">
            <div className="col-6">
              <label className="form-label" htmlFor="opens">
                They may start from
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
          {beside('opensAt')}
          {beside('closesAt')}
          <label className="form-label mt-3" htmlFor="minutes">
            Minutes for each
          </label>
          <input
            id="minutes"
            type="number"
            min={1}
            max={1440}
            className="form-control"
            style={{ width: 120 }}
            required
            value={form.minutes}
            onChange={(e) => set({ minutes: e.target.value })}
          />
          {beside('minutes')}
          <p className="soft mt-3 mb-0">
            Extra time is given by itself to those who have it; you can change it on the next page.
          </p>
        </Modal.Body>
        <Modal.Footer>
          <Button variant="quiet" onClick={onClose}>
            Leave
          </Button>
          <Button type="submit" disabled={busy}>
            Schedule it
          </Button>
        </Modal.Footer>
      </form>
    </Modal>
  );
}
