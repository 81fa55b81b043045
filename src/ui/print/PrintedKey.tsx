import { smallLetterAt } from '@/core/base/letters';
import { kindOf } from '@/core/kinds/registry';
import type { PrintedHead, PrintedSlot } from '@/server/exams/printed';
import { TextWithFormulas } from '../sheet/Formula';
import type { DrawnFormulas } from '../sheet/formulas';
import { marksText } from '../words/marks';
import type { DrawnVersion } from './draw-version';
import { PaperHead } from './PaperHead';
import { WritingLine } from './parts';

interface Answer {
  id: string;
  /** The number of its question, with its letter when there are several. */
  called: string;
  slot: PrintedSlot;
  drawn: DrawnFormulas;
}

/** Every answer of a paper, in its order. */
function answersOf({ sections }: DrawnVersion): Answer[] {
  return sections
    .flatMap(({ items }) => items)
    .flatMap(({ id, number, slots, drawn }) =>
      slots.map((slot) => ({
        id: `${id} ${slot.id}`,
        called: slots.length > 1 ? `${number} ${slot.letter}` : number,
        slot,
        drawn,
      })),
    );
}

/** The key of a version: one line an answer. */
export function PrintedKey({ exam, version }: { exam: PrintedHead; version: DrawnVersion }) {
  return (
    <article className="printed-paper">
      <PaperHead exam={exam} version={version} what="Key" />
      <table className="printed-table printed-key">
        <tbody>
          {answersOf(version).map(({ id, called, slot, drawn }) => (
            <tr key={id}>
              <th scope="row">{called}</th>
              <td>{slot.written && <b>{slot.written}</b>}</td>
              <td>
                {slot.key ? (
                  <TextWithFormulas text={slot.key} drawn={drawn} />
                ) : (
                  <span className="soft">by the marking scheme</span>
                )}
              </td>
              <td className="num">[{marksText(slot.marks)}]</td>
            </tr>
          ))}
        </tbody>
      </table>
    </article>
  );
}

/** A sheet for the answers alone: letters to cross, lines for what is short; what needs room is written on the paper. */
export function AnswerSheet({ exam, version }: { exam: PrintedHead; version: DrawnVersion }) {
  return (
    <article className="printed-paper">
      <PaperHead exam={exam} version={version} what="Answer sheet" forStudents />
      <table className="printed-table answer-sheet">
        <tbody>
          {answersOf(version).map(({ id, called, slot }) => (
            <tr key={id}>
              <th scope="row">{called}</th>
              <td>
                <AnswerRoom slot={slot} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </article>
  );
}

function AnswerRoom({ slot }: { slot: PrintedSlot }) {
  if (slot.crossed > 0)
    return Array.from({ length: slot.crossed }, (_, i) => (
      <span key={i} className="crossed">
        {smallLetterAt(i)} <span className="box" />
      </span>
    ));
  if (slot.written !== null || kindOf(slot.kind).placement === 'inline') return <WritingLine signs={40} />;
  return <span className="soft">on the paper</span>;
}
