import type { SelectSheet } from '@/core/kinds/select/select';
import type { PrintProps } from '../contract';

/** The text with what can be selected set apart, to be underlined. */
export function Print({ sheet: { pieces, most } }: PrintProps<SelectSheet>) {
  return (
    <>
      <p className="soft mb-1">Underline{most === null ? '' : ` at most ${most}`}.</p>
      <p className="print-units">
        {pieces.map(({ id, text }, i) => (id === null ? text : <span key={i}>{text}</span>))}
      </p>
    </>
  );
}
