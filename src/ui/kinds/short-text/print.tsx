import type { ShortTextSheet } from '@/core/kinds/short-text/short-text';
import { WritingLine, WritingLines } from '../../print/parts';
import type { PrintProps } from '../contract';

const SIGNS = { word: 16, line: 36 };

export function Print({ sheet: { room } }: PrintProps<ShortTextSheet>) {
  return room === 'lines' ? <WritingLines count={3} /> : <WritingLine signs={SIGNS[room]} />;
}
