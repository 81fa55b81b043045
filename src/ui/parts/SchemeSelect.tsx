'use client';

/** How marks come from several right ones, in the words of a teacher. */
const WORDS = {
  'by-part': 'each right one earns its part',
  'by-part-deductions': 'a wrong one takes a part back, never below 0',
  whole: 'all right ones and no wrong one, or nothing',
};
type Scheme = keyof typeof WORDS;

interface Props {
  scheme: Scheme;
  onChange: (scheme: Scheme) => void;
}

export function SchemeSelect({ scheme, onChange }: Props) {
  return (
    <label className="line">
      marks:
      <select className="form-select" value={scheme} onChange={(e) => onChange(e.target.value as Scheme)}>
        {(Object.keys(WORDS) as Scheme[]).map((one) => (
          <option key={one} value={one}>
            {WORDS[one]}
          </option>
        ))}
      </select>
    </label>
  );
}
