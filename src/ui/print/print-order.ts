import { z } from 'zod';
import { VERSIONS_APART } from '@/core/exams/versions';

/** What can be printed of an exam. */
export const PRINTS = ['paper', 'key', 'scheme', 'answers'] as const;
export type Print = (typeof PRINTS)[number];

const search = z.object({
  what: z.enum(PRINTS).catch('paper'),
  versions: z.coerce.number().int().min(1).max(6).catch(1),
  apart: z.enum(VERSIONS_APART).catch('order'),
  version: z.coerce.number().int().min(0).max(5).catch(0),
  size: z.enum(['normal', 'large']).catch('normal'),
  /** Ids of sections that are left out, with commas between. */
  without: z.string().max(2000).catch(''),
});

/** How something is to be printed, as the address says it. What cannot be read is as it is at first. */
export type PrintOrder = z.infer<typeof search>;

export function printOrder(sent: Record<string, string | string[] | undefined>): PrintOrder {
  const order = search.parse(sent);
  return { ...order, version: Math.min(order.version, order.versions - 1) };
}

/** What of it decides the papers. */
export const papersOrder = ({ versions, apart, version, without }: PrintOrder) => ({
  count: versions,
  apart,
  version,
  without: without.split(',').filter(Boolean),
});

/** The address with some of the order changed. */
export function printAddress(order: PrintOrder, part: Partial<PrintOrder> = {}): string {
  const all = Object.entries({ ...order, ...part }).map(([name, value]): [string, string] => [name, String(value)]);
  return `?${new URLSearchParams(all)}`;
}
