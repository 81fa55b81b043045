import { type Finding, warns } from '../base/finding';
import type { SlotPicture } from '../content/document';

/** A picture of fewer pixels across is drawn larger than it is, and blurred: common practice, no source. */
const FEW_PIXELS = 480;

/** What would help with the picture that a slot is about. */
export function pictureFindings({ description, pixels }: SlotPicture): Finding[] {
  const findings: Finding[] = [];
  if (description.trim() === '') findings.push(warns('slot-picture-undescribed', ['picture']));
  if (pixels !== undefined && pixels < FEW_PIXELS) findings.push(warns('slot-picture-small', ['picture'], { pixels }));
  return findings;
}
