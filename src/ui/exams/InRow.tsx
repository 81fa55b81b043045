import Button from 'react-bootstrap/Button';
import type { ExamRow } from '@/server/exams/exams';
import { ActMenu } from '../parts/ActMenu';

const MOST = 8;

interface Props {
  /** Exams that could be written after it. */
  exams: ExamRow[];
  /** Their ids, in order. */
  then: string[];
  onChange: (then: string[]) => void;
}

/** The exams that are written in a row after the one that is scheduled. */
export function InRow({ exams, then, onChange }: Props) {
  const left = exams.filter(({ id }) => !then.includes(id));
  return (
    <div className="mb-2">
      {then.map((id) => {
        const exam = exams.find((one) => one.id === id);
        return (
          <div key={id} className="fact-line">
            then {exam?.title}, {exam?.minutes} min, once it is handed in
            <Button
              variant="quiet"
              aria-label={`Without ${exam?.title}`}
              onClick={() => onChange(then.filter((one) => one !== id))}
            >
              ×
            </Button>
          </div>
        );
      })}
      {left.length > 0 && then.length < MOST && (
        <ActMenu
          words={then.length === 0 ? 'then another exam…' : 'and then…'}
          choices={left.map(({ id, title }) => ({ value: id, words: title }))}
          onChoose={(value) => onChange([...then, value])}
        />
      )}
    </div>
  );
}
