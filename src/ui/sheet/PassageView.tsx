import type { Passage } from '@/core/bank/question';
import { linesApart } from '@/core/content/lines-apart';
import { ContentView } from './ContentView';
import type { DrawnFormulas } from './formulas';

/** A passage beside its questions. Its lines are those that were typed: line 4 is line 4 on every screen. */
export function PassageView({ passage, drawn }: { passage: Passage; drawn: DrawnFormulas }) {
  const { content, numbered } = passage;
  return (
    <section className={`passage prose numbered-${numbered}`} aria-label="Passage" tabIndex={0}>
      <ContentView content={numbered === 'lines' ? linesApart(content) : content} drawn={drawn} slot={() => null} />
    </section>
  );
}
