import type { SpotsSheet } from '@/core/kinds/spots/spots';
import type { PrintProps } from '../contract';
import { Picture } from './Picture';

/** The picture, to be marked on with a pen. */
export function Print({ sheet: { picture, most } }: PrintProps<SpotsSheet>) {
  if (!picture) return null;
  return (
    <div className="print-whole">
      <p className="soft mb-1">{most === 1 ? 'Mark one place.' : `Mark at most ${most} places.`}</p>
      <Picture picture={picture} review>
        {null}
      </Picture>
    </div>
  );
}
