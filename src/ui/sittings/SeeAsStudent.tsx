import { useState } from 'react';
import { wouldFindAction } from '@/actions/sittings';
import type { Result } from '@/core/base/result';
import type { WouldFind } from '@/server/sittings/enter';
import type { WatchedPerson } from '@/server/sittings/watch';
import { plural } from '../words/marks';
import { refusalText } from '../words/refusals';
import { dayAndTime } from '../words/time';
import { replyTo } from '../parts/reply-to';

interface Props {
  sitting: string;
  people: readonly WatchedPerson[];
  zone: string;
}

/** Whether one student can get in now, and why or why not. */
export function SeeAsStudent({ sitting, people, zone }: Props) {
  const [found, setFound] = useState<string>('');
  const look = async (student: string): Promise<void> => {
    setFound('');
    if (student === '') return;
    setFound(foundText(await replyTo(wouldFindAction(sitting, student)), zone));
  };
  return (
    <p>
      <label>
        What would{' '}
        <select
          className="form-select form-select-sm d-inline-block w-auto"
          aria-label="See it as"
          defaultValue=""
          onChange={(e) => void look(e.target.value)}
        >
          <option value="">one of them</option>
          {people.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>{' '}
        find now?
      </label>{' '}
      <span role="status" className="text-body">
        {found}
      </span>
    </p>
  );
}

function foundText(found: Result<WouldFind>, zone: string): string {
  if (!found.ok) return `They cannot get in: ${refusalText(found.refusal)}`;
  const { value } = found;
  switch (value.is) {
    case 'go on':
      return 'They can go on writing.';
    case 'used up':
      return 'They have handed in, and there is no further attempt.';
    case 'later':
      return `Their next attempt can begin ${dayAndTime(value.from, zone)}.`;
    case 'begin':
      return `They can begin${value.number > 1 ? ` attempt ${value.number}` : ''}, with ${plural(value.minutes, 'minute')}${value.coded ? ', once they type the code' : ''}.`;
  }
}
