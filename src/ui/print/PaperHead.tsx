import type { PrintedHead } from '@/server/exams/printed';
import { marksWords } from '../words/marks';
import { WritingLine } from './parts';

interface Props {
  exam: PrintedHead;
  version: { name: string; marks: string };
  /** What it is, where it is not the paper itself. */
  what?: string;
  forStudents?: boolean;
}

/** The head of a printed paper: whose it is, what it is, and room for a name. */
export function PaperHead({ exam, version, what, forStudents = false }: Props) {
  return (
    <header className="paper-head">
      <p>
        {exam.institute} · {exam.department}
      </p>
      <h1>{exam.title}</h1>
      <p>
        {[
          what,
          exam.course,
          exam.versions > 1 && `version ${version.name}`,
          `${exam.minutes} minutes`,
          marksWords(version.marks),
        ]
          .filter(Boolean)
          .join(' · ')}
      </p>
      {forStudents && (
        <p className="who">
          Name <WritingLine signs={34} /> Date <WritingLine signs={12} />
        </p>
      )}
    </header>
  );
}
