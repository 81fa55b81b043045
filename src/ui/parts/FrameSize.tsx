import type { ReactNode } from 'react';
import Button from 'react-bootstrap/Button';

interface Props {
  phone: boolean;
  onPhone: (phone: boolean) => void;
  /** What else can be done, behind. */
  children: ReactNode;
}

/** On which device a sheet is looked at. */
export function FrameSize({ phone, onPhone, children }: Props) {
  return (
    <div className="frame-size">
      <Button variant={phone ? 'outline-primary' : 'primary'} aria-pressed={!phone} onClick={() => onPhone(false)}>
        Laptop
      </Button>
      <Button variant={phone ? 'primary' : 'outline-primary'} aria-pressed={phone} onClick={() => onPhone(true)}>
        Phone
      </Button>
      {children}
    </div>
  );
}
