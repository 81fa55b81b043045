import type { Filters } from './sentence';

/** How the bank's list stood when it was left, kept for this tab. */
export interface BankPlace {
  /** The address of the bank, with its topic. */
  href: string;
  filters: Filters;
  /** The row that the keys were on. */
  at: number;
}

const KEY = 'zonda-bank-place';

export function keepBankPlace(place: BankPlace): void {
  try {
    sessionStorage.setItem(KEY, JSON.stringify(place));
  } catch {
    // Without room the list only begins anew.
  }
}

/** How the list was left last, whatever bank it was; null when none was. */
export function lastBankPlace(): BankPlace | null {
  try {
    const kept = sessionStorage.getItem(KEY);
    return kept ? (JSON.parse(kept) as BankPlace) : null;
  } catch {
    return null;
  }
}
