'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import {
  applyMendingAction,
  cancelMendingAction,
  mendingProgressAction,
  previewMendingAction,
} from '@/actions/mending';
import { exact, shown } from '@/core/base/exact';
import type { Refusal } from '@/core/base/result';
import type { Change } from '@/core/exams/amendments';
import type { MendingPreview, Mover } from '@/server/marking/mend';
import { Dialog } from '../parts/Dialog';
import { plainCopy } from '../parts/plain-copy';
import { marksText, plural } from '../words/marks';
import { refusalText } from '../words/refusals';
import { Trouble } from '../parts/Trouble';
import { notReached, replyTo } from '../parts/reply-to';

interface Props {
  order: { sitting: string; item: string; changes: Change[]; reason: string; overPersons: boolean };
  released: boolean;
  onClose: () => void;
  onApplied: () => void;
}

type Running = { id: string; done: number; total: number };

/** How often the progress is asked for, in milliseconds. */
const ASK = 400;

/** Who moves from what to what, before anything changes; then the work itself, with its progress and a way to stop it. */
export function MendingPreviewDialog({ order, released, onClose, onApplied }: Props) {
  const router = useRouter();
  const [preview, setPreview] = useState<MendingPreview | null>(null);
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [running, setRunning] = useState<Running | null>(null);
  const first = useRef(order);
  useEffect(() => {
    let gone = false;
    void replyTo(previewMendingAction(plainCopy(first.current))).then((result) => {
      if (gone) return;
      if (result.ok) setPreview(result.value);
      else setRefusal(result.refusal);
    });
    return () => {
      gone = true;
    };
  }, []);
  useEffect(() => {
    if (!running) return;
    const timer = setTimeout(async () => {
      const result = await replyTo(mendingProgressAction(running.id));
      // A server that is away for a moment mends on.
      if (notReached(result)) return setRunning({ ...running });
      if (result.ok && result.value) return setRunning({ id: running.id, ...result.value });
      router.refresh();
      onApplied();
    }, ASK);
    return () => clearTimeout(timer);
  }, [running, router, onApplied]);
  const apply = async (): Promise<void> => {
    const result = await replyTo(applyMendingAction(plainCopy(order)));
    if (result.ok) setRunning({ id: result.value.mending, done: 0, total: 0 });
    else setRefusal(result.refusal);
  };
  const stop = async (): Promise<void> => {
    if (!running) return;
    const result = await replyTo(cancelMendingAction(running.id));
    if (!result.ok && notReached(result)) return setRefusal(result.refusal);
    setRunning(null);
    router.refresh();
    onClose();
  };
  return (
    <Dialog
      title="Who moves"
      size="xl"
      onClose={() => (running ? void stop() : onClose())}
      acts={
        running ? (
          <Button variant="outline-primary" onClick={stop}>
            Stop; change nothing
          </Button>
        ) : (
          <Button disabled={!preview} onClick={apply}>
            {preview ? applyText(preview) : 'Working out…'}
          </Button>
        )
      }
    >
      {refusal && <Trouble>{refusalText(refusal)}</Trouble>}
      {running && (
        <p role="status">
          Marking anew: {running.done} of {running.total || '…'}
          <progress className="d-block w-100" value={running.done} max={running.total || 1} />
        </p>
      )}
      {!preview && !refusal && <p role="status">Marking every script anew to see who moves…</p>}
      {preview && <Movers preview={preview} released={released} />}
    </Dialog>
  );
}

/** What the button does, in figures. */
function applyText({ marksChanged, movers }: MendingPreview): string {
  if (marksChanged > 0) return `Change ${plural(marksChanged, 'mark')}`;
  return movers.length > 0 ? `Move ${plural(movers.length, 'score')}` : 'Keep the rules; no mark changes';
}

function Movers({ preview, released }: { preview: MendingPreview; released: boolean }) {
  const { movers } = preview;
  const crossing = movers.filter((m) => m.before.passed !== m.after.passed);
  const up = crossing.filter((m) => m.after.passed).length;
  return (
    <>
      <p className="figures">
        <span>
          <strong>{preview.marksChanged}</strong> {preview.marksChanged === 1 ? 'mark changes' : 'marks change'} in{' '}
          {plural(preview.scripts, 'script')}
        </span>
        <span>
          <strong>{movers.length}</strong> {movers.length === 1 ? 'score moves' : 'scores move'}
        </span>
        <span className={up > 0 ? 'good' : ''}>
          <strong>{up}</strong> pass now
        </span>
        <span className={crossing.length > up ? 'wrong' : ''}>
          <strong>{crossing.length - up}</strong> pass no longer
        </span>
      </p>
      {preview.keptByPersons > 0 && (
        <p className="hand">
          {plural(preview.keptByPersons, 'mark')} given by a person would be another and stay as they are.
        </p>
      )}
      {released && movers.length > 0 && (
        <p className="hand">The results are released: students will read that they were revised.</p>
      )}
      {movers.length > 0 && (
        <div
          className="scroll-x"
          style={{ maxHeight: '50vh', overflow: 'auto' }}
          role="region"
          aria-label="Whose score moves"
          tabIndex={0}
        >
          <table className="rows">
            <thead>
              <tr>
                <th scope="col">Who</th>
                <th scope="col" className="num">
                  Marks
                </th>
                <th scope="col" className="num">
                  Percent
                </th>
                <th scope="col">Pass</th>
                <th scope="col">Grade</th>
                <th scope="col">Range</th>
              </tr>
            </thead>
            <tbody>
              {movers.map((mover) => (
                <MoverRow key={mover.attempt} mover={mover} />
              ))}
            </tbody>
          </table>
        </div>
      )}
    </>
  );
}

const percent = (text: string): string => `${shown(exact(text), 1)} %`;

function MoverRow({ mover: { who, before, after } }: { mover: Mover }) {
  const step = (from: string, to: string): string => (from === to ? to : `${from} → ${to}`);
  const passed = (yes: boolean): string => (yes ? 'passed' : 'not passed');
  return (
    <tr>
      <td>{who}</td>
      <td className="num">
        {step(marksText(before.marks), marksText(after.marks))}
        {after.waiting > 0 && <small className="d-block soft">{after.waiting} still wait</small>}
      </td>
      <td className="num">{step(percent(before.percent), percent(after.percent))}</td>
      <td className={before.passed === after.passed ? 'soft' : after.passed ? 'good' : 'wrong'}>
        {step(passed(before.passed), passed(after.passed))}
      </td>
      <td className={before.grade === after.grade ? 'soft' : 'hand'}>
        {step(before.grade ?? '–', after.grade ?? '–')}
      </td>
      <td className={before.range === after.range ? 'soft' : 'hand'}>
        {step(String(before.range + 1), String(after.range + 1))}
      </td>
    </tr>
  );
}
