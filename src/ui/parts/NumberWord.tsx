import { parseExact } from '@/core/base/exact';
import { TypedNumber } from './TypedNumber';

interface Props {
  label: string;
  value: string;
  least: number;
  most: number;
  decimals?: boolean;
  optional?: boolean;
  onChange: (value: string) => void;
}

/** A number inside a sentence. */
export function NumberWord({ least, most, decimals = false, optional = false, ...rest }: Props) {
  const read = (typed: string): string | null => {
    const text = typed.trim().replace(',', '.');
    if (text === '') return optional ? text : null;
    const number = parseExact(text);
    const fits = number && (decimals || number.d === 1n) && number.compare(least) >= 0 && number.compare(most) <= 0;
    return fits ? text : null;
  };
  return <TypedNumber className="tiny" read={read} why={`${least} to ${most}`} {...rest} />;
}
