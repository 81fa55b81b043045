import { readFileSync } from 'node:fs';

/** The value below which a share of the values lie; values in any order. */
export function percentile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0;
}

export function say(facts: Record<string, string | number>): void {
  console.log(
    Object.entries(facts)
      .map(([name, value]) => `${name}: ${typeof value === 'number' ? Math.round(value * 100) / 100 : value}`)
      .join('   '),
  );
}

/** Seconds of processor time that the host gave to other machines since this one started; explains stalls that are not ours. */
export function takenByOthers(): number {
  const [all = ''] = readFileSync('/proc/stat', 'utf8').split('\n');
  return Number(all.split(/\s+/)[8] ?? 0) / 100;
}
