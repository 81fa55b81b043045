import { refusalText } from '../words/refusals';
import type { FileProgress } from './FileKeeper';

/** How far a file is on its way to the server; nothing once it has arrived. */
export function OnItsWay({ progress }: { progress: FileProgress | undefined }) {
  if (!progress) return null;
  if ('refusal' in progress) return <span className="trouble">not taken: {refusalText(progress.refusal)}</span>;
  return <span className="soft">kept on this device, {Math.round(progress.share * 100)} % sent</span>;
}
