import type { PrintedHead, PrintedSlot } from '@/server/exams/printed';
import { kindOf } from '@/core/kinds/registry';
import { TextWithFormulas } from '../sheet/Formula';
import { marksText } from '../words/marks';
import type { DrawnVersion } from './draw-version';
import { PaperHead } from './PaperHead';
import { smallLetterAt } from '@/core/base/letters';
import { WritingLine } from './parts';

/** How an answer is called beside its question: by its letter, when there are several. */
const letterOf = ({ letter }: PrintedSlot, all: readonly PrintedSlot[]): string => (all.length > 1 ? ` ${letter}` : '');

/** The key of a version: one line an answer. */
export function PrintedKey({ exam, version }: { exam: PrintedHead; version: DrawnVersion }) {
  return (
    <article className="printed-paper">
      <PaperHead exam={exam} version={version} what="Key" />
      <table className="printed-table printed-key">
        <tbody>
          {version.sections.flatMap(({ items }) =>
            items.flatMap(({ id, number, slots, drawn }) =>
              slots.map((slot) => (
                <tr key={`${id} ${slot.id}`}>
                  <th scope="row">
                    {number}
                    {letterOf(slot, slots)}
                  </th>
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
              )),
            ),
          )}
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
          {version.sections.flatMap(({ items }) =>
            items.flatMap(({ id, number, slots }) =>
              slots.map((slot) => (
                <tr key={`${id} ${slot.id}`}>
                  <th scope="row">
                    {number}
                    {letterOf(slot, slots)}
                  </th>
                  <td>
                    <AnswerRoom slot={slot} />
                  </td>
                </tr>
              )),
            ),
          )}
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
