'use client';

interface Props {
  letter: string;
  /** What a person does who marks it: looks, or listens. */
  does?: 'looks' | 'listens';
  words: string;
  rows?: number;
  onChange: (words: string) => void;
}

/** What whoever marks looks for, where no key says it; typed on the sheet, in the place of a key. */
export function LooksFor({ letter, does = 'looks', words, rows = 2, onChange }: Props) {
  const what = `what whoever marks ${does} for`;
  return (
    <textarea
      className="key-area"
      aria-label={`Slot ${letter}: ${what}`}
      placeholder={what}
      rows={rows}
      maxLength={10_000}
      value={words}
      onChange={(e) => onChange(e.target.value)}
    />
  );
}
