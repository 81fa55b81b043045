import { smallLetterAt } from '@/core/base/letters';
import type { ChoiceSheet } from '@/core/kinds/choice/choice';
import type { PrintProps } from '../contract';

/** The words in their line, one of them to be ringed. */
export function Print({ sheet }: PrintProps<ChoiceSheet>) {
  return (
    <span className="ringed">
      {sheet.options.map(({ id, text }, i) => (
        <span key={id}>
          {i > 0 && ' / '}
          <b>{smallLetterAt(i)}</b>&nbsp;{text}
        </span>
      ))}
    </span>
  );
}
