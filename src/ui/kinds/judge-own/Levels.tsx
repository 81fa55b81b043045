import type { JudgeOwnResponse, JudgeOwnSheet } from '@/core/kinds/judge-own/judge-own';
import { marksText } from '../../words/marks';
import './judge-own.scss';

interface Props {
  /** Names the choices of a criterion. */
  id: string;
  sheet: JudgeOwnSheet;
  response: JudgeOwnResponse | undefined;
  /** Without it the levels are shown as they were chosen. */
  onChoose?: (criterion: string, level: number) => void;
}

/** The criteria with their levels, one of which is chosen for each. */
export function Levels({ id, sheet, response, onChoose }: Props) {
  return (
    <div className="own-levels">
      {sheet.criteria.map((one) => {
        const at = response?.judgement[one.id]?.level ?? null;
        return (
          <fieldset key={one.id} disabled={!onChoose}>
            <legend>{one.title}</legend>
            {one.cells.map((cell, level) => (
              <label key={level} className={at === level ? 'chosen' : ''}>
                <input
                  type="radio"
                  name={`${id}-${one.id}`}
                  checked={at === level}
                  onChange={() => onChoose?.(one.id, level)}
                />
                <span>
                  <strong>{sheet.levels[level]}</strong> {cell.words}
                </span>
                {cell.marks !== null && <span className="num">{marksText(cell.marks)}</span>}
              </label>
            ))}
          </fieldset>
        );
      })}
    </div>
  );
}
