import { type ReactNode, useId } from 'react';
import type { QuestionSheet } from '@/core/bank/sheet';
import type { Pinned } from '@/core/content/anchors';
import { ReviewSlot, StudentSlot } from '../kinds/SlotView';
import { marksText } from '../words/marks';
import { ContentView } from './ContentView';
import type { DrawnFormulas } from './formulas';
import { PassageView } from './PassageView';

interface Props {
  /** As it is written on the paper. */
  number: string;
  marks: string;
  bonus?: boolean;
  sheet: QuestionSheet;
  drawn: DrawnFormulas;
  responses: Record<string, unknown>;
  /** Leaves the passage out: it stands with the question before. */
  withoutPassage?: boolean;
  /** Words of the answers that rules found, by slot. */
  evidence?: Readonly<Record<string, readonly string[]>>;
  /** Remarks on the answers, by slot. */
  remarks?: Readonly<Record<string, readonly Pinned[]>>;
  /** The slot whose answer stands elsewhere on the page. */
  apart?: string;
  /** Who else writes in a slot at present; it cannot be changed meanwhile. */
  heldBy?: (slot: string) => string | undefined;
  /** Given when it can be answered; without it the answers are shown as they were given. */
  onAnswer?: (slot: string, response: unknown) => void;
  children?: ReactNode;
}

/** A question as printed on the paper: number in the gutter, marks at the right edge, slots in place. */
export function QuestionView(props: Props) {
  const {
    number,
    marks,
    bonus = false,
    sheet,
    drawn,
    responses,
    withoutPassage = false,
    evidence = {},
    remarks = {},
    apart,
    heldBy,
    onAnswer,
    children,
  } = props;
  const own = useId();
  const letters = Object.keys(sheet.slots);
  const slot = (id: string): ReactNode => {
    const found = sheet.slots[id];
    if (!found) return null;
    if (apart === id) return <span className="slot-box soft text-nowrap">answered below</span>;
    const response = responses[id];
    if (!onAnswer)
      return (
        <ReviewSlot
          kind={found.kind}
          sheet={found.sheet}
          response={response}
          drawn={drawn}
          evidence={evidence[id] ?? []}
          remarks={remarks[id]}
        />
      );
    const letter = letters.length > 1 ? `, answer ${String.fromCharCode(65 + letters.indexOf(id))}` : '';
    const student = (
      <StudentSlot
        kind={found.kind}
        id={`${own}-${id}`}
        label={`Question ${number}${letter}`}
        sheet={found.sheet}
        response={response}
        onChange={(value) => onAnswer(id, { version: found.responseVersion, ...Object(value) })}
        drawn={drawn}
      />
    );
    if (!heldBy) return student;
    const writer = heldBy(id);
    return (
      <fieldset className="shared" disabled={writer !== undefined}>
        {student}
        <span role="status">{writer !== undefined && `${writer} writes here`}</span>
      </fieldset>
    );
  };
  const question = (
    <section className="qhead prose" aria-label={`Question ${number}`}>
      <span className="qno">{number}</span>
      <span className="qmarks">{bonus ? `(+${marksText(marks)})` : `[${marksText(marks)}]`}</span>
      <ContentView content={sheet.content} drawn={drawn} slot={slot} />
      {children}
    </section>
  );
  if (!sheet.passage || withoutPassage) return question;
  return (
    <div className="with-passage">
      <PassageView passage={sheet.passage} drawn={drawn} />
      {question}
    </div>
  );
}
