import { stored } from '@/core/base/exact';
import { cellMarks, type Rubric } from '@/core/rules/rubric/rubric';
import type { PrintedHead, PrintedSlot } from '@/server/exams/printed';
import { editorSide } from '../kinds/editors';
import { ContentView } from '../sheet/ContentView';
import { TextWithFormulas } from '../sheet/Formula';
import { drawTextFormulas } from '../sheet/formulas';
import { marksText } from '../words/marks';
import type { DrawnVersion } from './draw-version';
import { PaperHead } from './PaperHead';

/** The marking scheme: each question with its key, its rules as sentences, its rubric and its explanation. */
export function PrintedScheme({ exam, version }: { exam: PrintedHead; version: DrawnVersion }) {
  return (
    <article className="printed-paper">
      <PaperHead exam={exam} version={version} what="Marking scheme" />
      {version.sections.map((section) => (
        <section key={section.letter}>
          <h2>
            {section.letter} {section.title} <span>[{marksText(section.marks)}]</span>
          </h2>
          {section.items.map(({ id, number, label, marks, slots, explanation, drawn }) => (
            <section key={id} className="scheme-question" aria-label={`Question ${number}`}>
              <b>{number}</b>
              <div>
                <p className="soft mb-1">{label}</p>
                {slots.map((slot) => (
                  <div key={slot.id} className="scheme-slot">
                    <p>
                      {slots.length > 1 && <b>{slot.letter} </b>}
                      {slot.written && <b>{slot.written} · </b>}
                      {slot.key && <TextWithFormulas text={slot.key} drawn={drawn} />}
                      {slots.length > 1 && <span className="soft"> [{marksText(slot.marks)}]</span>}
                    </p>
                    {slot.rubric ? <RubricTable rubric={slot.rubric} /> : <Rules slot={slot} />}
                  </div>
                ))}
                {explanation && (
                  <div className="prose soft">
                    <ContentView content={explanation} drawn={drawn} slot={() => null} />
                  </div>
                )}
              </div>
              <b>[{marksText(marks)}]</b>
            </section>
          ))}
        </section>
      ))}
    </article>
  );
}

/** The rules of an answer as a sentence. */
function Rules({ slot }: { slot: PrintedSlot }) {
  const sentence = editorSide(slot.kind).sentence(slot.setup);
  return (
    <p className="one-a-line">
      <TextWithFormulas text={sentence} drawn={drawTextFormulas(sentence)} />
    </p>
  );
}

function RubricTable({ rubric }: { rubric: Rubric }) {
  return (
    <table className="printed-table rubric-table">
      <thead>
        <tr>
          <th scope="col">{rubric.title}</th>
          {rubric.levels.map(({ name }, i) => (
            <th key={i} scope="col">
              {name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rubric.criteria.map((criterion) => (
          <tr key={criterion.id}>
            <th scope="row">{criterion.title}</th>
            {criterion.cells.map(({ words }, at) => (
              <td key={at}>
                {words} <span className="soft">[{marksText(stored(cellMarks(rubric, criterion, at)))}]</span>
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
