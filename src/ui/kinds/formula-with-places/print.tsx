import type { PlacesSheet } from '@/core/kinds/formula-with-places/formula-with-places';
import { WritingLine } from '../../print/parts';
import { TextWithFormulas } from '../../sheet/Formula';
import type { PrintProps } from '../contract';

/** The formula with numbered boxes, and a line for each number. */
export function Print({ sheet, drawn }: PrintProps<PlacesSheet>) {
  return (
    <span>
      <TextWithFormulas text={sheet.shown} drawn={drawn} />{' '}
      {sheet.places.map((place, i) => (
        <span key={place} className="text-nowrap">
          <b>{i + 1}</b> <WritingLine signs={12} />{' '}
        </span>
      ))}
    </span>
  );
}
