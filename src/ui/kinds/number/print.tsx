import type { NumberSheet } from '@/core/kinds/number/number';
import { WritingLine } from '../../print/parts';
import type { PrintProps } from '../contract';

export function Print({ sheet: { unitEntry, units, withUnit } }: PrintProps<NumberSheet>) {
  return (
    <span className="text-nowrap">
      <WritingLine signs={14} />
      {withUnit && <span className="soft"> with its unit</span>}
      {unitEntry === 'printed' && ` ${units[0] ?? ''}`}
      {unitEntry === 'listed' && <span className="ringed"> {units.join(' / ')}</span>}
    </span>
  );
}
