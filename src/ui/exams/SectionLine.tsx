import type { ExamPlan, Only, Section } from '@/core/exams/plan';
import { CheckLine } from '../parts/CheckLine';
import { MarksInput } from '../parts/MarksInput';
import { changedSection } from './plan-moves';

/** Who of a course a section can be for. */
export interface CoursePeople {
  subjects: string[];
  groups: { id: string; name: string }[];
  students: { id: string; name: string }[];
}

interface Props {
  section: Section;
  /** "section B", for those who hear it. */
  name: string;
  people: CoursePeople;
  change: (next: (plan: ExamPlan) => ExamPlan, tag?: string) => void;
}

const NOBODY: Only = { subjects: [], groups: [], members: [] };

/** How a section differs from the others, as a sentence: for whom, what each question is worth, in which order. */
export function SectionLine({ section, name, people, change }: Props) {
  const { id, only, marks, shuffleQuestions } = section;
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
      </div>
      {only && <OnlyFor only={only} name={name} people={people} onChange={(next) => edit({ only: next })} />}
    </div>
  );
}

function OnlyFor({
  only,
  name,
  people,
  onChange,
}: Pick<Props, 'name' | 'people'> & { only: Only; onChange: (only: Only) => void }) {
  const subjects = [...new Set([...people.subjects, ...only.subjects])];
  const students = new Map(people.students.map((one) => [one.id, one.name]));
  const toggled = (list: string[], one: string, on: boolean): string[] =>
    on ? [...list, one] : list.filter((other) => other !== one);
  return (
    <div className="fact-line only-for" role="group" aria-label={`Who has ${name}`}>
      {subjects.map((subject) => (
        <CheckLine
          key={subject}
          checked={only.subjects.includes(subject)}
          onChange={(on) => onChange({ ...only, subjects: toggled(only.subjects, subject, on) })}
        >
          {subject}
        </CheckLine>
      ))}
      {people.groups.map(({ id, name: group }) => (
        <CheckLine
          key={id}
          checked={only.groups.includes(id)}
          onChange={(on) => onChange({ ...only, groups: toggled(only.groups, id, on) })}
        >
          {group}
        </CheckLine>
      ))}
      {only.members.map((id) => (
        <CheckLine key={id} checked onChange={() => onChange({ ...only, members: toggled(only.members, id, false) })}>
          {students.get(id) ?? 'somebody of another course'}
        </CheckLine>
      ))}
      {people.students.length > 0 && (
        <select
          className="form-select"
          aria-label={`One more student who has ${name}`}
          value=""
          onChange={(e) => onChange({ ...only, members: [...only.members, e.target.value] })}
        >
          <option value="">one student more…</option>
          {people.students
            .filter(({ id }) => !only.members.includes(id))
            .map(({ id, name: called }) => (
              <option key={id} value={id}>
                {called}
              </option>
            ))}
        </select>
      )}
      {subjects.length + people.students.length === 0 && (
        <span className="soft">Subjects, groups and names stand in the course’s list of students.</span>
      )}
    </div>
  );
}
