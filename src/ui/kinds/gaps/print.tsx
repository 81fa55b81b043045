import type { GapsSheet } from '@/core/kinds/gaps/gaps';
import { LetteredThings, WritingLine } from '../../print/parts';
import { TextWithFormulas } from '../../sheet/Formula';
import type { PrintProps } from '../contract';

/** The text with numbered lines, and the tiles with their letters. */
export function Print({ sheet: { pieces, tiles }, drawn }: PrintProps<GapsSheet>) {
  const gaps = pieces.flatMap(({ id }) => (id === null ? [] : [id]));
  return (
    <>
      <p className="gap-text mb-2">
        {pieces.map(({ id, text }, i) =>
          id === null ? (
            <TextWithFormulas key={i} text={text} drawn={drawn} />
          ) : (
            <WritingLine key={id} signs={14}>
              <b>{gaps.indexOf(id) + 1}</b>
            </WritingLine>
          ),
        )}
      </p>
      <LetteredThings things={tiles} drawn={drawn} />
    </>
  );
}
