import type { Only } from '@/core/exams/plan';
import { ActMenu } from '../parts/ActMenu';
import { CheckLine } from '../parts/CheckLine';

/** Who is in a course, to choose from. */
export interface CoursePeople {
  subjects: string[];
  groups: { id: string; name: string }[];
  students: { id: string; name: string }[];
}

export const NOBODY: Only = { subjects: [], groups: [], members: [] };

interface Props {
  only: Only;
  /** What it is that only they have, for those who hear it. */
  name: string;
  people: CoursePeople;
  onChange: (only: Only) => void;
}

/** Some students of a course, by subjects, groups and names. */
export function OnlyFor({ only, name, people, onChange }: Props) {
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
        <ActMenu
          words="one student more…"
          label={`one student more… who has ${name}`}
          choices={people.students
            .filter(({ id }) => !only.members.includes(id))
            .map(({ id, name: called }) => ({ value: id, words: called }))}
          onChoose={(value) => onChange({ ...only, members: [...only.members, value] })}
        />
      )}
      {subjects.length + people.students.length === 0 && (
        <span className="soft">Subjects, groups and names stand in the course’s list of students.</span>
      )}
    </div>
  );
}
