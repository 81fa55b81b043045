import { WritingLine } from '../../print/parts';

export function Print() {
  return <WritingLine signs={40} />;
}
