'use client';
import { type ReactNode, useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import {
  bringBackAction,
  goOnAction,
  letBackInAction,
  pauseAction,
  setAsideAction,
  storyAction,
} from '@/actions/sittings';
import type { Refusal, Result } from '@/core/base/result';
import type { StoryStep } from '@/core/sittings/story';
import type { WatchedPerson } from '@/server/sittings/watch';
import { CountInput } from '../parts/CountInput';
import { Dialog } from '../parts/Dialog';
import { Trouble } from '../parts/Trouble';
import { refusalText } from '../words/refusals';
import { storyText } from '../words/story';
import { timeOnly } from '../words/time';
import { replyTo } from '../parts/reply-to';

interface Props {
  sitting: string;
  student: WatchedPerson & { attempt: NonNullable<WatchedPerson['attempt']> };
  zone: string;
  onClose: () => void;
}

/** One student in a sitting: what happened so far, and what a teacher can do about it. */
export function OneStudent({ sitting, student, zone, onClose }: Props) {
  const { attempt } = student;
  const [story, setStory] = useState<StoryStep[] | null>(null);
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [busy, setBusy] = useState(false);
  const [minutes, setMinutes] = useState(10);
  const [reason, setReason] = useState('');
  // Whatever is seen of the attempt has changed when something happened to it.
  const facts = JSON.stringify(attempt);
  useEffect(() => {
    let stale = false;
    void replyTo(storyAction(attempt.id)).then((told) => {
      if (stale) return;
      if (told.ok) setStory(told.value);
      else setRefusal(told.refusal);
    });
    return () => {
      stale = true;
    };
  }, [attempt.id, facts]);
  const act = async (work: () => Promise<Result<unknown>>): Promise<void> => {
    if (busy) return;
    setBusy(true);
    const result = await replyTo(work());
    setBusy(false);
    setRefusal(result.ok ? null : result.refusal);
    if (result.ok) setReason('');
  };
  const button = (name: string, work: () => Promise<Result<unknown>>): ReactNode => (
    <Button variant="outline-primary" size="sm" disabled={busy} onClick={() => void act(work)}>
      {name}
    </Button>
  );
  const people = [student.id];
  const writing = attempt.handedInAt === null;
  return (
    <Dialog title={student.name} onClose={onClose}>
      <div className="one-student">
        {writing &&
          (attempt.pausedAt === null
            ? button('Stop the clock', () => pauseAction({ sitting, people }))
            : button('Go on', () => goOnAction({ sitting, people })))}
        {attempt.aside !== null ? (
          button('Bring it back', () => bringBackAction(attempt.id))
        ) : (
          <>
            <label className="w-100">
              <span className="soft">Reason</span>
              <input
                className="form-control form-control-sm"
                value={reason}
                maxLength={500}
                onChange={(e) => setReason(e.target.value)}
              />
            </label>
            {!writing && (
              <span className="act">
                {button('Let back in', () => letBackInAction({ attempt: attempt.id, minutes, reason }))} with at least
                <CountInput
                  label="Minutes that they then have"
                  count={minutes}
                  least={1}
                  most={1440}
                  onChange={(count) => count !== null && setMinutes(count)}
                />
                minutes
              </span>
            )}
            {button('Set it aside', () => setAsideAction({ attempt: attempt.id, reason }))}
            <span className="soft w-100">
              What is set aside counts nowhere. Its student reads the reason, and may begin anew while it is open; you
              can bring it back.
            </span>
          </>
        )}
      </div>
      {refusal && <Trouble>{refusalText(refusal)}</Trouble>}
      <h3 className="fs-6 fw-bold mt-3">What happened</h3>
      <ol className="story" aria-busy={story === null}>
        {story?.map((step, i) => (
          <li key={i}>
            <span className="soft mono">{timeOnly(step.at, zone)}</span> <span>{storyText(step, zone)}</span>
          </li>
        ))}
      </ol>
    </Dialog>
  );
}
