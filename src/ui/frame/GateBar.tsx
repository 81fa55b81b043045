import { Sign } from './Sign';

/** Our sign over pages on which nobody is at home yet. */
export function GateBar() {
  return (
    <div className="bar" aria-hidden="true">
      <span className="brand">
        <Sign /> Zonda
      </span>
    </div>
  );
}
