import type { HandInSheet } from '@/core/kinds/hand-in/hand-in';
import { WritingLines } from '../../print/parts';
import type { PrintProps } from '../contract';
import { askedFor } from './asked';

/** On paper the pages are put behind the sheet. */
export function Print({ sheet }: PrintProps<HandInSheet>) {
  return (
    <>
      <span className="soft">{askedFor(sheet)} Put them behind this sheet, with your name on each.</span>
      <WritingLines count={2} />
    </>
  );
}
