import type { JudgeOwnSheet } from '@/core/kinds/judge-own/judge-own';
import { WritingLines } from '../../print/parts';
import type { PrintProps } from '../contract';

/** The criteria with their levels, to be crossed. */
export function Print({ sheet }: PrintProps<JudgeOwnSheet>) {
  return (
    <>
      {sheet.criteria.map((one) => (
        <p key={one.id}>
          <strong>{one.title}</strong>
          {one.cells.map((cell, level) => (
            <span key={level} className="d-block">
              ☐ {sheet.levels[level]} <span className="soft">{cell.words}</span>
            </span>
          ))}
        </p>
      ))}
      {sheet.words && <WritingLines count={2} />}
    </>
  );
}
