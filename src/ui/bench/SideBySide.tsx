import type { Side } from '@/core/bank/merge';
import type { ComparedPart } from './versions';

interface Props {
  left: string;
  right: string;
  parts: ComparedPart[];
  /** When given, the parts of which a side has to be chosen, and what is chosen. */
  choice?: {
    disputed: string[];
    chosen: Readonly<Record<string, Side>>;
    onChoose: (part: string, side: Side) => void;
  };
}

/**
 * Two versions side by side. Of an earlier and a later one, what went is struck out at the left and what came is
 * underlined at the right; of two that stand beside each other, what only one has is underlined in both.
 */
export function SideBySide({ left, right, parts, choice }: Props) {
  const beside = choice !== undefined;
  return (
    <table className="versions">
      <thead>
        <tr>
          <th scope="col">{left}</th>
          <th scope="col">{right}</th>
        </tr>
      </thead>
      <tbody>
        {parts.map(({ part, name, stretches, same }) => {
          const disputed = choice?.disputed.includes(part);
          const side = choice?.chosen[part] ?? 'mine';
          const cell = (only: 'before' | 'after', of: Side) => (
            <td className={disputed && side !== of ? 'not-taken' : ''}>
              <div className="d-flex gap-2 align-items-baseline">
                <strong>{name}</strong>
                {same && <span className="soft">the same</span>}
                {disputed && choice && (
                  <label className="ms-auto">
                    <input type="radio" name={part} checked={side === of} onChange={() => choice.onChoose(part, of)} />{' '}
                    take this
                  </label>
                )}
              </div>
              <p>
                {stretches.map((s, i) =>
                  s.only === null ? (
                    s.text
                  ) : s.only !== only ? null : only === 'before' && !beside ? (
                    <del key={i}>{s.text}</del>
                  ) : (
                    <ins key={i}>{s.text}</ins>
                  ),
                )}
              </p>
            </td>
          );
          return (
            <tr key={part}>
              {cell('before', 'mine')}
              {cell('after', 'theirs')}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
