import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { searchAction } from '@/actions/bank';
import type { Demand } from '@/core/bank/facts';
import { sectionLetter } from '@/core/exams/numbering';
import type { ExamPlan } from '@/core/exams/plan';
import type { FoundQuestion } from '@/server/bank/search';
import { kindsText } from '../kinds/registry';
import { Dialog } from '../parts/Dialog';
import { marksText } from '../words/marks';
import { replyTo } from '../parts/reply-to';

interface Props {
  topic: string;
  demand: Demand;
  title: string;
  plan: ExamPlan;
  onPlace: (section: string, question: string) => Promise<void>;
  onClose: () => void;
}

/** The ready questions of one cell of the blueprint that the exam does not have yet, each to be placed by a click. */
export function CellQuestions({ topic, demand, title, plan, onPlace, onClose }: Props) {
  const [found, setFound] = useState<FoundQuestion[] | null>(null);
  // What everybody has, unless something else is said.
  const [section, setSection] = useState((plan.sections.findLast(({ only }) => !only) ?? plan.sections[0])?.id ?? '');
  useEffect(() => {
    let stale = false;
    const query = { bank: null, topic, demand, words: '', kind: null, difficulty: null, ready: true, sort: 'title' };
    void replyTo(searchAction({ ...query, from: 0 })).then((result) => {
      if (!stale) setFound(result.ok ? result.value.found : []);
    });
    return () => {
      stale = true;
    };
  }, [topic, demand]);
  const taken = new Set(plan.sections.flatMap((s) => s.items.map(({ question }) => question)));
  const free = found?.filter(({ id }) => !taken.has(id)) ?? [];
  return (
    <Dialog title={title} onClose={onClose}>
      {plan.sections.length > 1 && (
        <label className="d-flex gap-2 align-items-center mb-2">
          into
          <select className="form-select w-auto" value={section} onChange={(e) => setSection(e.target.value)}>
            {plan.sections.map(({ id, title: called }, i) => (
              <option key={id} value={id}>
                {sectionLetter(i)} {called}
              </option>
            ))}
          </select>
        </label>
      )}
      {found && free.length === 0 && (
        <p className="soft">
          {found.length === 0 ? 'No ready question of the banks asks this.' : 'The exam has all that there are.'}
        </p>
      )}
      <ul className="cell-questions">
        {free.map((question) => (
          <li key={question.id}>
            <span>
              {question.title} <small className="soft">{kindsText(question.kinds)}</small>
            </span>
            <span className="text-nowrap">[{marksText(question.marks)}]</span>
            <Button
              size="sm"
              variant="outline-primary"
              aria-label={`Place ${question.title}`}
              onClick={() => onPlace(section, question.id)}
            >
              Place
            </Button>
          </li>
        ))}
      </ul>
    </Dialog>
  );
}
