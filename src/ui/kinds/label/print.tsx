import type { LabelSheet } from '@/core/kinds/label/label';
import { LetteredThings } from '../../print/parts';
import type { PrintProps } from '../contract';
import { Board, lineAt } from './Board';

/** The picture with empty lines, and the names with their letters. */
export function Print({ sheet, drawn }: PrintProps<LabelSheet>) {
  const { picture, margin, places, names, length } = sheet;
  if (!picture) return null;
  return (
    <div className="print-whole">
      <Board picture={picture} margin={margin} places={places} length={length} whole>
        {places.map((place, i) => (
          <span key={place.id} className="name-line" style={lineAt(place, margin)}>
            <span className="number">{i + 1}</span>
          </span>
        ))}
      </Board>
      <LetteredThings things={names} drawn={drawn} />
    </div>
  );
}
