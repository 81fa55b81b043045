import type { LongAnswerSheet } from '@/core/kinds/long-answer/long-answer';
import { WritingLines } from '../../print/parts';
import type { PrintProps } from '../contract';

export function Print({ sheet: { lines, least, most } }: PrintProps<LongAnswerSheet>) {
  const words =
    least !== null && most !== null
      ? `${least} to ${most}`
      : least !== null
        ? `at least ${least}`
        : most !== null
          ? `at most ${most}`
          : null;
  return (
    <>
      {words !== null && <span className="soft">{words} words</span>}
      {/* By hand a line takes more room than typed. */}
      <WritingLines count={Math.ceil(lines * 1.3)} />
    </>
  );
}
