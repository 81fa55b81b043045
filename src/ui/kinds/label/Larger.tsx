interface Props {
  large: boolean;
  onChange: (large: boolean) => void;
}

/** Draws the board twice as large, and as it was. */
export function Larger({ large, onChange }: Props) {
  return (
    <p className="picture-tools">
      <button type="button" className="picture-act" aria-pressed={large} onClick={() => onChange(!large)}>
        {large ? 'Smaller' : 'Larger'}
      </button>
    </p>
  );
}
