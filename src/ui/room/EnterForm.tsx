'use client';
import { useActionState, useEffect } from 'react';
import { enterAction } from '@/actions/own';
import { Trouble } from '../parts/Trouble';
import { refusalText } from '../words/refusals';

/** Begins an attempt. Its room is loaded whole: a copy that the browser keeps for Back and Forward would show old answers. */
export function EnterForm({ sitting }: { sitting: string }) {
  const [entered, enter, pending] = useActionState(enterAction, null);
  useEffect(() => {
    if (entered?.ok) window.location.assign(entered.value);
  }, [entered]);
  return (
    <form action={enter}>
      <input type="hidden" name="sitting" value={sitting} />
      <button type="submit" className="btn btn-primary py-2" disabled={pending || entered?.ok}>
        {pending || entered?.ok ? 'Opening…' : 'Begin'}
      </button>
      {entered && !entered.ok && <Trouble>{refusalText(entered.refusal)}</Trouble>}
    </form>
  );
}
