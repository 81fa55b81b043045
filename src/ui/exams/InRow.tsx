import Button from 'react-bootstrap/Button';
import type { ExamRow } from '@/server/exams/exams';

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
        <select
          className="form-select w-auto"
          aria-label="An exam that is written after it"
          value=""
          onChange={(e) => onChange([...then, e.target.value])}
        >
          <option value="">{then.length === 0 ? 'nothing is written after it' : 'and nothing more'}</option>
          {left.map(({ id, title }) => (
            <option key={id} value={id}>
              then {title}
            </option>
          ))}
        </select>
      )}
    </div>
  );
}
