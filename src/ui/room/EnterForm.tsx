'use client';
import { useActionState } from 'react';
import { enterAction } from '@/actions/own';
import { refusalText } from '../words/refusals';
import { Trouble } from '../parts/Trouble';

export function EnterForm({ sitting }: { sitting: string }) {
  const [refusal, enter, pending] = useActionState(enterAction, null);
  return (
    <form action={enter}>
      <input type="hidden" name="sitting" value={sitting} />
      <button type="submit" className="btn btn-primary py-2" disabled={pending}>
        {pending ? 'Opening…' : 'Begin'}
      </button>
      {refusal && <Trouble>{refusalText(refusal)}</Trouble>}
    </form>
  );
}
