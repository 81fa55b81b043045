import { useCallback, useEffect, useRef, useState } from 'react';
import type { RoomStage } from '@/server/sittings/room';
import { useFreshPage } from '../parts/use-fresh-page';
import { askRoom } from './room-request';

const KEPT =
  'You cannot go on yet: not everything that you wrote has arrived. It is kept on this device; try again in a moment.';
/** When a part could not be left though its time is over, or the next has not come, it is tried again so often, in milliseconds. */
const AGAIN = 4_000;

interface Options {
  attempt: string;
  /** The stage that this page shows. */
  shown: RoomStage | null;
  /** The stage that the attempt is at by the server's latest word: another device may have gone on. */
  present: RoomStage | null;
  /** The time of the shown stage is over. */
  over: boolean;
  sendAll: () => Promise<boolean>;
}

/** Going on from a part of the paper to the next: by wish, or when its time is over. Everything that was written is sent before. */
export function useStage({ attempt, shown, present, over, sendAll }: Options) {
  const look = useFreshPage();
  const [trouble, setTrouble] = useState<string | null>(null);
  const busy = useRef(false);
  const from = shown?.id;
  const isLast = shown === null || shown.number === shown.of;
  const goOn = useCallback(async (): Promise<void> => {
    if (busy.current || from === undefined) return;
    busy.current = true;
    const sent = await sendAll();
    // What was not sent when the time ended comes late in any case.
    if (!sent && !over) setTrouble(KEPT);
    else {
      const headers = { 'Content-Type': 'application/json' };
      const reply = await askRoom(
        `${attempt}/stage`,
        { method: 'POST', headers, body: JSON.stringify({ from }) },
        10_000,
      );
      if (reply.state === 'answered' && reply.result.ok) look();
      else setTrouble('You cannot go on yet: there is no connection. Your answers are kept; try again in a moment.');
    }
    busy.current = false;
  }, [attempt, from, over, sendAll, look]);

  useEffect(() => {
    if (!over || isLast) return;
    const first = setTimeout(() => void goOn(), 0);
    const again = setInterval(() => void goOn(), AGAIN);
    return () => {
      clearTimeout(first);
      clearInterval(again);
    };
  }, [over, isLast, goOn]);
  const elsewhere = present !== null && present.id !== from;
  useEffect(() => {
    if (!elsewhere) return;
    look();
    const again = setInterval(look, AGAIN);
    return () => clearInterval(again);
  }, [elsewhere, look]);
  return { goOn, isLast, trouble };
}
