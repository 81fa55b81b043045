import type { SlotMarking } from '@/core/bank/mark';
import { placedSlots, type QuestionBody } from '@/core/bank/question';
import { stored } from '@/core/base/exact';
import { TextWithFormulas } from '../sheet/Formula';
import { drawTextFormulas } from '../sheet/formulas';
import { outOf, traceText } from '../words/traces';

interface Props {
  question: QuestionBody;
  marked: ReadonlyMap<string, SlotMarking>;
}

/** What each slot of a tried question earned, and why. */
export function MarkedSlots({ question, marked }: Props) {
  return (
    <div className="mt-3" role="status">
      {placedSlots(question).map(({ id, letter, slot }) => {
        const found = marked.get(id);
        if (!found) return null;
        const { marking, marks } = found;
        const full = marks !== null && stored(marks) === slot.marks;
        return (
          <div className={`note ${full ? 'tick' : 'red'}`} key={id}>
            <h3>
              <span className="letter">{letter}</span>
              <span className={marks === null ? 'hand' : full ? 'good' : 'wrong'}>
                {marks === null ? 'waits for a person' : outOf(stored(marks), slot.marks)}
              </span>
            </h3>
            <p className="soft">
              <TextWithFormulas text={traceText(marking.trace)} drawn={drawTextFormulas(traceText(marking.trace))} />
            </p>
            {marking.state === 'marked' && marking.feedback && <p>{marking.feedback}</p>}
          </div>
        );
      })}
    </div>
  );
}
