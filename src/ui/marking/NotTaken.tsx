import type { DeskLine } from '@/server/marking/desk-lines';
import { refusalText } from '../words/refusals';
import type { RefusedMark } from './use-marking';

interface Props {
  line: DeskLine;
  refused: RefusedMark;
  onGo: () => void;
}

/** A mark that was not taken after one had gone on to the next answer; it is still there as it was typed. */
export function NotTaken({ line: { name, script, letter }, refused: { marks, refusal }, onGo }: Props) {
  return (
    <p className="trouble px-3 py-2 mb-0" role="alert">
      The mark {marks && `“${marks}” `}of {name ?? `script ${script}`}, {letter}, was not taken: {refusalText(refusal)}{' '}
      <button type="button" className="btn-link-plain" onClick={onGo}>
        Go back to it
      </button>
    </p>
  );
}
