'use client';
import { useState } from 'react';
import type { Notice } from '@/server/sittings/notices';
import { Trouble } from '../parts/Trouble';
import { askRoom } from './room-request';

/** What the teacher says, over the sheet until it is read. */
export function NoticeBox({ attempt, notice }: { attempt: string; notice: Notice | null }) {
  /** What was confirmed here: a reply that was on its way before knows nothing of it. */
  const [read, setRead] = useState<number | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  if (!notice || notice.at === read) return null;
  const confirm = async (): Promise<void> => {
    const body = JSON.stringify({ at: notice.at });
    const headers = { 'Content-Type': 'application/json' };
    const reply = await askRoom(`${attempt}/notice`, { method: 'POST', headers, body }, 10_000);
    if (reply.state === 'answered' && reply.result.ok) {
      setTrouble(null);
      setRead(notice.at);
    } else setTrouble('It could not be told yet that you have read it. Try again in a moment.');
  };
  return (
    <div className="notice-box" role="alert">
      <p dir="auto">
        <strong>From your teacher:</strong> {notice.text}
      </p>
      <button type="button" className="btn btn-primary" onClick={() => void confirm()}>
        I have read it
      </button>
      <Trouble>{trouble}</Trouble>
    </div>
  );
}
