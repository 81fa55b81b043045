import type { ReactNode } from 'react';

interface Props {
  checked: boolean;
  onChange: (on: boolean) => void;
  children: ReactNode;
  className?: string;
  disabled?: boolean;
}

/** A check box with its words behind it; both take the click. */
export function CheckLine({ checked, onChange, children, className = '', disabled = false }: Props) {
  return (
    <label className={`d-flex gap-2 ${className}`.trim()}>
      <input
        type="checkbox"
        className="form-check-input"
        checked={checked}
        disabled={disabled}
        onChange={(e) => onChange(e.target.checked)}
      />
      <span>{children}</span>
    </label>
  );
}
