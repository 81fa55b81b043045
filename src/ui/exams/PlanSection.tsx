import { useDroppable } from '@dnd-kit/core';
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import type { ReactNode } from 'react';
import Button from 'react-bootstrap/Button';
import type { ExamPlan, Section } from '@/core/exams/plan';
import type { ExamView } from '@/server/exams/exam-view';
import { marksText } from '../words/marks';
import { AddQuestion } from './AddQuestion';
import { type DrawnFrom, DrawRow } from './DrawRow';
import { PlanRow } from './PlanRow';
import { changedSection, withDraw, withoutSection } from './plan-moves';
import type { CoursePeople } from './OnlyFor';
import { SectionLine } from './SectionLine';

interface Props {
  section: Section;
  letter: string;
  /** Of its questions, in their order. */
  numbers: readonly string[];
  /** The only section of the plan. */
  alone: boolean;
  /** Questions that the plan has already. */
  taken: string[];
  view: ExamView;
  from: DrawnFrom;
  people: CoursePeople;
  chosen: ReadonlySet<string>;
  onChoose: (item: string, on: boolean) => void;
  onPick: (question: string) => void;
  change: (next: (plan: ExamPlan) => ExamPlan, tag?: string) => void;
}

/** A section of the plan: its head, how it differs from the others, its questions and draws. */
export function PlanSection(props: Props) {
  const { section, letter, numbers, alone, taken, view, from, people, chosen, onChoose, onPick, change } = props;
  const edit = (part: Partial<Section>, tag: string): void =>
    change((p) => changedSection(p, section.id, () => part), `${tag} ${section.id}`);
  const figures = view.sections[section.id];
  return (
    <section className="plan-section" aria-label={`Section ${letter}`}>
      <div className="plan-head">
        <span>{letter}</span>
        <input
          className="bare strong"
          aria-label={`Title of section ${letter}`}
          value={section.title}
          maxLength={200}
          onChange={(e) => edit({ title: e.target.value }, 'title')}
        />
        <span>[{marksText(figures?.marks ?? '0')}]</span>
        <span className="soft fw-normal">{figures?.minutes ?? 0} min</span>
        {alone ? (
          <span />
        ) : (
          <Button
            variant="quiet"
            aria-label={`Take section ${letter} out`}
            onClick={() => change((p) => withoutSection(p, section.id))}
          >
            ×
          </Button>
        )}
      </div>
      <textarea
        className="bare section-instructions"
        rows={1}
        aria-label={`Instructions of section ${letter}`}
        placeholder="Instructions of this section, if it has its own"
        value={section.instructions}
        maxLength={3000}
        onChange={(e) => edit({ instructions: e.target.value }, 'instructions')}
      />
      <SectionLine section={section} name={`section ${letter}`} people={people} change={change} />
      <SortableContext items={section.items.map((i) => i.id)} strategy={verticalListSortingStrategy}>
        {section.items.map((item, i) => (
          <PlanRow
            key={item.id}
            item={item}
            number={numbers[i] ?? ''}
            question={view.items[item.id]}
            chosen={chosen.has(item.id)}
            choosing={chosen.size > 0}
            onChoose={(on) => onChoose(item.id, on)}
            change={change}
          />
        ))}
      </SortableContext>
      {section.draws.map(
        (draw, i) =>
          draw.seeks && (
            <DrawRow
              key={draw.id}
              draw={{ ...draw, seeks: draw.seeks }}
              name={`draw ${i + 1} of section ${letter}`}
              found={view.found[draw.id]}
              from={from}
              change={change}
            />
          ),
      )}
      <SectionEnd id={section.id}>
        <AddQuestion
          section={section.title}
          taken={taken}
          onPick={onPick}
          onDraw={() => change((p) => withDraw(p, section.id, crypto.randomUUID()))}
        />
      </SectionEnd>
    </section>
  );
}

/** The end of a section, where a dragged question can be dropped too. */
function SectionEnd({ id, children }: { id: string; children: ReactNode }) {
  const { setNodeRef } = useDroppable({ id });
  return <div ref={setNodeRef}>{children}</div>;
}
