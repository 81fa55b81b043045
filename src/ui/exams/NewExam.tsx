'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { createExamAction } from '@/actions/exams';
import type { CourseRow } from '@/server/people/courses';
import { Dialog } from '../parts/Dialog';
import { KeyCap } from '../frame/KeyCap';
import { useKeys } from '../frame/keys';

export function NewExam({ courses, open }: { courses: CourseRow[]; open: boolean }) {
  const [shown, setShown] = useState(open);
  useKeys([{ keys: 'n', what: 'New exam', run: () => setShown(true) }]);
  return (
    <>
      <Button aria-haspopup="dialog" onClick={() => setShown(true)}>
        New exam <KeyCap of="n" />
      </Button>
      {shown && (
        <Dialog
          title="New exam"
          onClose={() => setShown(false)}
          action={createExamAction}
          acts={<Button type="submit">Build it</Button>}
        >
          <label className="form-label" htmlFor="exam-title">
            Title
          </label>
          <input id="exam-title" name="title" className="form-control mb-3" maxLength={200} required autoFocus />
          <label className="form-label" htmlFor="exam-course">
            Course
          </label>
          <select id="exam-course" name="course" className="form-select">
            {courses.map((c) => (
              <option key={c.id} value={c.id}>
                {c.code} {c.title}
              </option>
            ))}
          </select>
        </Dialog>
      )}
    </>
  );
}
