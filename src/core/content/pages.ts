import { type Content, nodesOf } from './document';

/** Simulations that ship with the application may always stand in a sheet. */
export const OWN_PAGES = [{ address: '/simulations/blade-pitch', name: 'Blade pitch and power' }];

/**
 * Whether a page may stand in a sheet: one of our own, or by https on a host
 * that the department allows (a host allows what stands below it).
 */
export function pageAllowed(address: string, hosts: readonly string[]): boolean {
  if (OWN_PAGES.some((page) => page.address === address)) return true;
  const host = /^https:\/\/([a-z0-9.-]+)(?:\/|$|\?|#)/i.exec(address)?.[1]?.toLowerCase();
  return host !== undefined && hosts.some((allowed) => host === allowed || host.endsWith(`.${allowed}`));
}

/** The addresses of the pages that stand in a document. */
export function pagesIn(content: Content): string[] {
  return [...nodesOf(content)].flatMap((node) => (node.type === 'page' ? [node.attrs.address] : []));
}
