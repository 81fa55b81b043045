/** The values that a certificate may carry, each written as [name]. */
export const CERTIFICATE_VALUES = ['name', 'exam', 'course', 'date', 'percent', 'grade'] as const;
export type CertificateValue = (typeof CERTIFICATE_VALUES)[number];

/** The text with its values filled in; other words in brackets stay as they are. */
export function certificateText(text: string, values: Readonly<Record<CertificateValue, string>>): string {
  return text.replace(/\[([a-z]+)\]/g, (whole, name: string) =>
    (CERTIFICATE_VALUES as readonly string[]).includes(name) ? values[name as CertificateValue] : whole,
  );
}

/** Signs of a certificate's number: none that are taken for one another. */
const SIGNS = '23456789ABCDEFGHJKLMNPQRSTUVWXYZ';
const LENGTH = 12;

/** A certificate's number from as many chances from 0 to 1 as it has signs, in groups of four; 60 bits. */
export function certificateNumber(chance: () => number): string {
  const signs = Array.from({ length: LENGTH }, () => SIGNS[Math.floor(chance() * SIGNS.length)] ?? '2').join('');
  return signs.replace(/(.{4})(?=.)/g, '$1-');
}

/** A number as it is kept, however it was typed; null when it is none. */
export function readCertificateNumber(typed: string): string | null {
  const signs = typed.toUpperCase().replace(/[\s-]/g, '');
  const known = [...signs].every((sign) => SIGNS.includes(sign));
  return known && signs.length === LENGTH ? signs.replace(/(.{4})(?=.)/g, '$1-') : null;
}
