'use client';
import { type ReactNode, useCallback, useMemo } from 'react';
import type { Slot } from '@/core/bank/question';
import { ok, type Result } from '@/core/base/result';
import type { HandedFile } from '@/core/content/handed-file';
import { kindOf } from '@/core/kinds/registry';
import { readResponse } from '@/core/kinds/response';
import type { Understood } from '@/core/speech/understood';
import { recordedHere } from '../recording/use-recording';
import { FileKeeper, nowhere } from '../sheet/FileKeeper';
import { hearInBrowser } from './hear-in-browser';

interface Props {
  slots: Readonly<Record<string, Slot>>;
  /** By slot. */
  responses: Readonly<Record<string, unknown>>;
  children: ReactNode;
}

/** Around answers that are only tried: nothing of them is kept, and what is said is listened to on this page, as the server would. */
export function TrialKeeper({ slots, responses, children }: Props) {
  const hear = useCallback(
    async ({ hash }: HandedFile): Promise<Result<Understood> | null> => {
      const recording = recordedHere(hash);
      for (const [id, { kind: name, setup }] of Object.entries(slots)) {
        const kind = kindOf(name);
        const given = kind.spoken && readResponse(kind, responses[id]);
        if (recording && kind.spoken && given && kind.spoken.recording(given.response)?.hash === hash)
          return ok(await hearInBrowser(recording, kind.spoken.samples(setup)));
      }
      return null;
    },
    [slots, responses],
  );
  const keeper = useMemo(() => ({ ...nowhere, hear }), [hear]);
  return <FileKeeper value={keeper}>{children}</FileKeeper>;
}
