import { smallLetterAt } from '@/core/base/letters';
import type { ChoiceSheet } from '@/core/kinds/choice/choice';
import { ShownThing } from '../../sheet/ShownThing';
import type { PrintProps } from '../contract';

/** Options with a box each, to be crossed. */
export function Print({ sheet, drawn }: PrintProps<ChoiceSheet>) {
  const { options, several, most, look } = sheet;
  return (
    <>
      {several && <p className="soft mb-1">{most === null ? 'Cross all that are right.' : `Cross at most ${most}.`}</p>}
      <ul className={`print-options ${look === 'columns' ? 'columns' : ''}`}>
        {options.map((option, i) => (
          <li key={option.id}>
            <span className={`box ${several ? '' : 'round'}`} /> <b>{smallLetterAt(i)}</b>{' '}
            <ShownThing thing={option} at={i} drawn={drawn} />
          </li>
        ))}
      </ul>
    </>
  );
}
