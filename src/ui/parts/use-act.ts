import { useRef, useState } from 'react';
import type { Refusal, Result } from '@/core/base/result';
import { replyTo } from './reply-to';
import { refusalText } from '../words/refusals';

interface Act {
  /** While the server is asked. */
  busy: boolean;
  /** Asks the server for something, unless it is still at the last; what was refused stands until the next time. */
  act: <T>(work: () => Promise<Result<T>>, then?: (value: T) => void) => Promise<void>;
  /** What is wrong at a place of what was sent. */
  troubleAt: (place: string) => string | null;
  /** What is wrong, and at none of these places. */
  troubleBeside: (places: readonly string[]) => string | null;
}

/** Something that is asked of the server, one at a time: a hasty hand asks once, and a server that is away is told of. */
export function useAct(): Act {
  const [busy, setBusy] = useState(false);
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const asking = useRef(false);
  const at = refusal?.at?.[0];
  return {
    busy,
    async act(work, then) {
      if (asking.current) return;
      asking.current = true;
      setBusy(true);
      try {
        const result = await replyTo(work());
        setRefusal(result.ok ? null : result.refusal);
        if (result.ok) then?.(result.value);
      } finally {
        asking.current = false;
        setBusy(false);
      }
    },
    troubleAt: (place) => (refusal && at === place ? refusalText(refusal) : null),
    troubleBeside: (places) => (refusal && !places.some((place) => place === at) ? refusalText(refusal) : null),
  };
}
