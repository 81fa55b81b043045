import { type InputHTMLAttributes, useId } from 'react';
import { Trouble } from './Trouble';

interface Props extends Pick<InputHTMLAttributes<HTMLInputElement>, 'type' | 'autoComplete' | 'required'> {
  words: string;
  value: string;
  onChange: (value: string) => void;
  /** What is wrong with it. */
  trouble: string | null;
  /** What helps to type it, while nothing is wrong. */
  advice?: string;
  /** The cursor is here at first. */
  first?: boolean;
  /** An address or a name for machines: in even letters, and no phone begins it with a capital. */
  mono?: boolean;
}

/** A line to be typed, with its words above and what is wrong with it below. */
export function SaidLine(props: Props) {
  const {
    words,
    value,
    onChange,
    trouble,
    advice,
    first = false,
    mono = false,
    autoComplete = 'off',
    ...input
  } = props;
  const id = useId();
  return (
    <div className="mb-2">
      <label className="form-label" htmlFor={id}>
        {words}
      </label>
      <input
        {...input}
        id={id}
        className={`form-control ${mono ? 'mono' : ''}`.trim()}
        value={value}
        autoFocus={first}
        autoComplete={autoComplete}
        autoCapitalize={mono ? 'none' : undefined}
        aria-invalid={trouble === null ? undefined : true}
        aria-describedby={`${id}-below`}
        onChange={(e) => onChange(e.target.value)}
      />
      <div id={`${id}-below`}>
        {trouble === null ? advice && <p className="soft mb-0">{advice}</p> : <Trouble>{trouble}</Trouble>}
      </div>
    </div>
  );
}
