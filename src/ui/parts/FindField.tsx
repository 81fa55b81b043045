interface Props {
  /** What is looked for, as "Find a student". */
  words: string;
  value: string;
  className?: string;
  onChange: (value: string) => void;
}

/** A field that narrows the list below it while one types. */
export function FindField({ words, value, className = '', onChange }: Props) {
  return (
    <input
      type="search"
      className={`form-control ${className}`.trim()}
      aria-label={words}
      placeholder={words}
      value={value}
      onChange={(e) => onChange(e.target.value)}
    />
  );
}
