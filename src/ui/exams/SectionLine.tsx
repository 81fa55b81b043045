import type { ExamPlan, Section } from '@/core/exams/plan';
import { CountInput } from '../parts/CountInput';
import { MarksInput } from '../parts/MarksInput';
import { type CoursePeople, NOBODY, OnlyFor } from './OnlyFor';
import { plural } from '../words/marks';
import { secondsText } from '../words/time';
import { changedSection } from './plan-moves';

interface Props {
  section: Section;
  /** "section B", for those who hear it. */
  name: string;
  people: CoursePeople;
  change: (next: (plan: ExamPlan) => ExamPlan, tag?: string) => void;
}

/** How a section differs from the others, as a sentence: for whom, what each question is worth, in which order. */
export function SectionLine({ section, name, people, change }: Props) {
  const { id, only, marks, minutes, secondsEach, shuffleQuestions } = section;
  const edit = (part: Partial<Section>, tag = ''): void =>
    change((p) => changedSection(p, id, () => part), tag && `${tag} ${id}`);
  return (
    <div className="section-line">
      <div className="fact-line">
        for
        <select
          className="form-select"
          aria-label={`Whom ${name} is for`}
          value={only ? 'some' : 'all'}
          onChange={(e) => edit({ only: e.target.value === 'some' ? NOBODY : undefined })}
        >
          <option value="all">everybody</option>
          <option value="some">some students only</option>
        </select>
        <span className="ms-2">each worth</span>
        <MarksInput
          label={`Marks of each question of ${name}; empty for its own`}
          marks={marks ?? ''}
          onChange={(each) => edit({ marks: each }, 'marks')}
          onEmpty={() => edit({ marks: undefined })}
        />
        {marks === undefined ? 'its own marks' : 'marks'}
        <span className="ms-2">in</span>
        <select
          className="form-select"
          aria-label={`Order of the questions of ${name}`}
          value={shuffleQuestions ? 'shuffled' : 'fixed'}
          onChange={(e) => edit({ shuffleQuestions: e.target.value === 'shuffled' })}
        >
          <option value="fixed">this order</option>
          <option value="shuffled">an order of each student’s own</option>
        </select>
        <span className="ms-2">own time</span>
        <CountInput
          label={`Minutes of ${name} alone; empty for none`}
          count={minutes ?? null}
          least={1}
          most={1440}
          optional
          empty=""
          onChange={(count) => edit({ minutes: count ?? undefined }, 'minutes')}
        />
        min, each question
        <CountInput
          label={`Seconds of each question of ${name}; empty for no time of its own`}
          count={secondsEach ?? null}
          least={5}
          most={7200}
          optional
          empty=""
          onChange={(count) => edit({ secondsEach: count ?? undefined }, 'seconds')}
        />
        s
        {(minutes !== undefined || secondsEach !== undefined) && (
          <span className="w-100">
            {[
              ...(secondsEach === undefined
                ? []
                : [`each question is left for good after ${secondsText(secondsEach)}`]),
              ...(minutes === undefined ? [] : [`the section after ${plural(minutes, 'minute')}`]),
            ].join(', ')}
            {secondsEach === undefined ? ', for good.' : '.'}
          </span>
        )}
      </div>
      {only && <OnlyFor only={only} name={name} people={people} onChange={(next) => edit({ only: next })} />}
    </div>
  );
}
