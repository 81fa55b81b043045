import { type Finding, stops, warns } from '../../base/finding';
import { plainReading } from '../../rules/text/normalise';
import type { LabelSetup } from './label';

/** Places nearer than this to one another stand on top of each other, in percent of the picture. */
const TOO_NEAR = 3;

/** What is missing before a picture can be labelled, and what would help. */
export function readiness({ picture, places, names, again }: LabelSetup): Finding[] {
  if (!picture) return [stops('label-no-picture', ['picture'])];
  const findings: Finding[] = [];
  if (picture.description.trim() === '') findings.push(warns('label-undescribed', ['picture']));
  if (places.length === 0) findings.push(stops('label-no-place', ['places']));
  const seen = new Set<string>();
  for (const { id, text } of names) {
    const plain = plainReading(text);
    if (plain === '') findings.push(stops('label-name-empty', ['names', id]));
    else if (seen.has(plain)) findings.push(stops('label-name-twice', ['names', id], { text: plain }));
    seen.add(plain);
  }
  const used = new Set<string>();
  places.forEach((place, i) => {
    const number = i + 1;
    if (place.accepts.length === 0) findings.push(stops('label-place-empty', ['places', place.id], { number }));
    const free = place.accepts.find((name) => !used.has(name));
    if (place.accepts.length > 0 && free === undefined && !again)
      findings.push(stops('label-name-used', ['places', place.id], { number }));
    if (free !== undefined) used.add(free);
    const other = places
      .slice(0, i)
      .findIndex(({ at }) => Math.abs(at.x - place.at.x) < TOO_NEAR && Math.abs(at.y - place.at.y) < TOO_NEAR);
    if (other >= 0) findings.push(warns('label-places-near', ['places', place.id], { number, other: other + 1 }));
  });
  const accepted = new Set(places.flatMap(({ accepts }) => accepts));
  if (places.length > 1 && names.every(({ id }) => accepted.has(id)) && !again)
    findings.push(warns('label-no-distractor', ['names']));
  return findings;
}
