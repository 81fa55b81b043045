import type { PrintedHead } from '@/server/exams/printed';
import { PrintedSlot } from '../kinds/PrintedSlot';
import { drawContentFormulas } from '../sheet/formulas';
import { ContentView } from '../sheet/ContentView';
import { PassageView } from '../sheet/PassageView';
import { marksText, marksWords } from '../words/marks';
import type { DrawnPrint, DrawnVersion } from './draw-version';
import { PaperHead } from './PaperHead';

/** A paper with room to write, as it lies before a student. */
export function PrintedPaper({ exam, version }: { exam: PrintedHead; version: DrawnVersion }) {
  const questions = version.sections.flatMap(({ items }) => items);
  const passageBefore = (item: DrawnPrint): string | undefined =>
    questions[questions.indexOf(item) - 1]?.sheet.passage?.id;
  return (
    <article className="printed-paper">
      <PaperHead exam={exam} version={version} forStudents />
      {exam.instructions && <p className="instructions">{exam.instructions}</p>}
      {version.sections.map((section) => (
        <section key={section.letter}>
          <h2>
            {section.letter} {section.title} <span>[{marksText(section.marks)}]</span>
          </h2>
          {section.instructions && <p className="instructions">{section.instructions}</p>}
          {section.items.map((item) => (
            <PrintedQuestionView
              key={item.id}
              item={item}
              withPassage={item.sheet.passage !== null && item.sheet.passage.id !== passageBefore(item)}
            />
          ))}
        </section>
      ))}
      {exam.formulas && (
        <section className="printed-formulas prose">
          <h2>Formulas</h2>
          <ContentView content={exam.formulas} drawn={drawContentFormulas(exam.formulas)} slot={() => null} />
        </section>
      )}
      <p className="soft text-center mt-4">End of the paper · {marksWords(version.marks)}</p>
    </article>
  );
}

function PrintedQuestionView({ item, withPassage }: { item: DrawnPrint; withPassage: boolean }) {
  const { sheet, drawn, number, marks, bonus } = item;
  return (
    <>
      {withPassage && sheet.passage && <PassageView passage={sheet.passage} drawn={drawn} />}
      <section className="qhead prose printed-question" aria-label={`Question ${number}`}>
        <span className="qno">{number}</span>
        <span className="qmarks">{bonus ? `(+${marksText(marks)})` : `[${marksText(marks)}]`}</span>
        <ContentView
          content={sheet.content}
          drawn={drawn}
          slot={(id) => {
            const slot = sheet.slots[id];
            return slot ? <PrintedSlot kind={slot.kind} sheet={slot.sheet} drawn={drawn} /> : null;
          }}
        />
      </section>
    </>
  );
}
