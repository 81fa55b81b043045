import type { Anchor, Pinned } from '@/core/content/anchors';
import type { Desk, DeskAnswer } from '@/server/marking/desk';
import { ReviewSlot } from '../kinds/SlotView';
import { TextWithFormulas } from '../sheet/Formula';
import type { DrawnFormulas } from '../sheet/formulas';
import { QuestionView } from '../sheet/QuestionView';
import { evidenceIn, traceText } from '../words/traces';

/** Numbers as in the list of remarks, in which signs at words that were read have no place. */
function numbered(remarks: DeskAnswer['remarks']): Pinned[] {
  let number = 0;
  return remarks.map((remark) => ({ ...remark, number: remark.anchor.at === 'read' ? 0 : ++number }));
}

interface Props {
  desk: Desk;
  now: DeskAnswer;
  drawn: DrawnFormulas;
  onPin: (anchor: Anchor) => void;
}

/** The question, and below it the answer that is marked, where places in it can be pointed at. */
export function AnswerSheet({ desk, now, drawn, onPin }: Props) {
  const sheet = now.own?.sheet ?? desk.sheet;
  const slot = sheet.slots[now.slot];
  const response = now.responses[now.slot];
  return (
    <div>
      <div className="sheet">
        <QuestionView
          number={desk.number}
          marks={desk.marks}
          sheet={sheet}
          drawn={drawn}
          responses={now.responses}
          apart={now.slot}
        />
      </div>
      <div className="sheet plain">
        <p className="over-title">The answer{now.letter !== 'A' && ` in slot ${now.letter}`}</p>
        <div className="answer-box now" dir="auto">
          {slot && response !== undefined ? (
            <ReviewSlot
              kind={slot.kind}
              sheet={slot.sheet}
              response={response}
              drawn={drawn}
              evidence={evidenceIn(now.trace)}
              remarks={numbered(now.remarks)}
              onPin={onPin}
            />
          ) : now.answer === '' ? (
            <span className="soft">no answer</span>
          ) : (
            now.answer
          )}
        </div>
        <p className="soft mb-0 mt-2">
          {now.byPerson ? (
            'Marked by a person.'
          ) : (
            <>
              Why it waits:{' '}
              {now.reason?.code === 'by-a-person' ? (
                'only people mark this.'
              ) : (
                <TextWithFormulas text={traceText(now.trace)} drawn={drawn} />
              )}
            </>
          )}
        </p>
      </div>
    </div>
  );
}
