import { type Finding, stops, warns } from '../../base/finding';
import { leftOver } from '../../rules/placing/placed';
import { eachDifferent } from '../each-different';
import { pictureFindings } from '../slot-picture';
import type { LabelSetup } from './label';

/** Places nearer than this to one another stand on top of each other, in percent of the picture. */
const TOO_NEAR = 3;

/** What is missing before a picture can be labelled, and what would help. */
export function readiness({ picture, places, names, again, typed = false }: LabelSetup): Finding[] {
  if (!picture) return [stops('label-no-picture', ['picture'])];
  const findings = pictureFindings(picture);
  if (places.length === 0) findings.push(stops('label-no-place', ['places']));
  findings.push(...eachDifferent(names, 'names'));
  const used = new Set<string>();
  places.forEach((place, i) => {
    const number = i + 1;
    if (place.accepts.length === 0) findings.push(stops('label-place-empty', ['places', place.id], { number }));
    const free = place.accepts.find((name) => !used.has(name));
    if (place.accepts.length > 0 && free === undefined && !again && !typed)
      findings.push(stops('label-name-used', ['places', place.id], { number }));
    if (free !== undefined) used.add(free);
    const other = places
      .slice(0, i)
      .findIndex(({ at }) => Math.abs(at.x - place.at.x) < TOO_NEAR && Math.abs(at.y - place.at.y) < TOO_NEAR);
    if (other >= 0) findings.push(warns('label-places-near', ['places', place.id], { number, other: other + 1 }));
  });
  if (places.length > 1 && leftOver(names, places).length === 0 && !again && !typed)
    findings.push(warns('label-no-distractor', ['names']));
  return findings;
}
