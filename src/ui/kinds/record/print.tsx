import type { RecordSheet } from '@/core/kinds/record/record';
import type { PrintProps } from '../contract';

/** On paper nothing can be recorded; what is read aloud can be. */
export function Print({ sheet: { reads } }: PrintProps<RecordSheet>) {
  return (
    <>
      {reads && (
        <p className="reads" dir="auto">
          {reads}
        </p>
      )}
      <span className="soft">Spoken, not written: whoever is in the room listens.</span>
    </>
  );
}
