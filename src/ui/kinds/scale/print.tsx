import type { ScaleSheet } from '@/core/kinds/scale/scale';
import type { PrintProps } from '../contract';

const MOST_TICKS = 21;

/** A line with its values, to be marked on. */
export function Print({ sheet: { from, to, step, lowest, highest } }: PrintProps<ScaleSheet>) {
  const count = Math.floor((to - from) / step) + 1;
  const every = Math.ceil(count / MOST_TICKS);
  const ticks = Array.from({ length: Math.ceil(count / every) }, (_, i) => from + i * every * step);
  return (
    <span className="print-scale">
      <span>{lowest}</span>
      <span className="ticks">
        {ticks.map((tick) => (
          <span key={tick}>{Number(tick.toPrecision(10))}</span>
        ))}
      </span>
      <span>{highest}</span>
    </span>
  );
}
