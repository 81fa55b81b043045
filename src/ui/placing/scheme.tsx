'use client';
import { PLACING_SCHEMES, type PlacingScheme } from '@/core/rules/placing/rules';
import { marksWords } from '../words/marks';
import { SCHEME_WORDS } from '../words/schemes';

interface Props {
  scheme: PlacingScheme;
  /** How many earn a part. */
  of: number;
  /** Marks of the slot. */
  marks: string;
  onChange: (scheme: PlacingScheme) => void;
}

/** How the marks come from what was placed. */
export function SchemeLine({ scheme, of, marks, onChange }: Props) {
  return (
    <label className="line">
      marks:
      <select className="form-select" value={scheme} onChange={(e) => onChange(e.target.value as PlacingScheme)}>
        {PLACING_SCHEMES.map((one) => (
          <option key={one} value={one}>
            {SCHEME_WORDS[one]}
          </option>
        ))}
      </select>
      <span className="soft">
        {of} right, {marksWords(marks)} in all
      </span>
    </label>
  );
}

/** What earns marks, in one sentence. `what`: one right thing, for example "name on its place". */
export function schemeSentence({ scheme, of, what }: { scheme: PlacingScheme; of: number; what: string }): string {
  if (scheme === 'whole')
    return `${of === 1 ? 'The one' : `All ${of}`} right and nothing wrong: the marks; anything else earns nothing.`;
  if (of === 1) {
    const wrong = scheme === 'by-part' ? 'a wrong one costs nothing' : 'a wrong one takes them back; never below 0';
    return `A ${what} earns the marks; ${wrong}.`;
  }
  const part = `Each ${what} earns 1/${of} of the marks`;
  return scheme === 'by-part'
    ? `${part}; a wrong one costs nothing.`
    : `${part}, each wrong one takes as much back; never below 0.`;
}
