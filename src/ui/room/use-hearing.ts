import { useCallback } from 'react';
import type { Result } from '@/core/base/result';
import type { HandedFile } from '@/core/content/handed-file';
import type { Understood } from '@/core/speech/understood';
import { askRoom } from './room-request';

/** Listening may have to wait for others. */
const PATIENCE = 30_000;

/** Asks the server what was understood of a recording that an answer of this attempt has; null without a connection. */
export function useHearing(attempt: string, sendAll: () => Promise<boolean>) {
  return useCallback(
    async ({ hash }: HandedFile): Promise<Result<Understood> | null> => {
      // What is listened to is what the server has.
      if (!(await sendAll())) return null;
      const headers = { 'Content-Type': 'application/json' };
      const init = { method: 'POST', headers, body: JSON.stringify({ hash }) };
      const reply = await askRoom<Understood>(`${attempt}/hear`, init, PATIENCE);
      return reply.state === 'answered' ? reply.result : null;
    },
    [attempt, sendAll],
  );
}
