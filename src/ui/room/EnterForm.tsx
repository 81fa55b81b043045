'use client';
import { useActionState, useEffect } from 'react';
import { enterAction } from '@/actions/own';
import { Trouble } from '../parts/Trouble';
import { PLAIN_WORDS } from '../words/student-words';
import { refusalText } from '../words/refusals';

interface Props {
  sitting: string;
  coded?: boolean;
  /** Which attempt it is that begins. */
  number?: number;
  /** The word on the button. */
  begin?: string;
}

/** Begins an attempt. Its room is loaded whole: a copy that the browser keeps for Back and Forward would show old answers. */
export function EnterForm({ sitting, coded = false, number = 1, begin = PLAIN_WORDS.begin }: Props) {
  const [entered, enter, pending] = useActionState(enterAction, null);
  useEffect(() => {
    if (entered?.ok) window.location.assign(entered.value);
  }, [entered]);
  useEffect(() => {
    // Whoever goes back from the room finds this page as it was left, with a button that waits for ever: it is asked for anew.
    const restored = (event: PageTransitionEvent): void => {
      if (event.persisted) window.location.reload();
    };
    window.addEventListener('pageshow', restored);
    return () => window.removeEventListener('pageshow', restored);
  }, []);
  return (
    <form action={enter} className="enter-form">
      <input type="hidden" name="sitting" value={sitting} />
      <input type="hidden" name="number" value={number} />
      {coded && (
        <input
          name="code"
          className="form-control"
          aria-label="Code"
          placeholder="Code"
          autoComplete="off"
          autoCapitalize="characters"
          maxLength={60}
        />
      )}
      <button type="submit" className="btn btn-primary py-2" disabled={pending || entered?.ok}>
        {pending || entered?.ok ? 'Opening…' : number > 1 ? `${begin} anew` : begin}
      </button>
      {entered && !entered.ok && <Trouble>{refusalText(entered.refusal)}</Trouble>}
    </form>
  );
}
