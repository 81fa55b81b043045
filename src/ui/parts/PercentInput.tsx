import { parseExact } from '@/core/base/exact';
import { TypedNumber } from './TypedNumber';

interface Props {
  value: string;
  label: string;
  /** Says whether a percent may stand here, beyond being from 0 to 100. */
  fits?: (percent: string) => boolean;
  why?: string;
  onChange: (percent: string) => void;
}

/** A percent typed in place; comma or point. */
export function PercentInput({ fits = () => true, why = '0 to 100', ...rest }: Props) {
  const read = (text: string): string | null => {
    const plain = text.trim().replace(',', '.').replace(/\s*%$/, '');
    const number = /\//.test(plain) ? null : parseExact(plain);
    return number && number.compare(0) >= 0 && number.compare(100) <= 0 && fits(plain) ? plain : null;
  };
  return (
    <span className="percent-input">
      <TypedNumber className="form-control-sm" read={read} why={why} {...rest} />
      <span>%</span>
    </span>
  );
}
