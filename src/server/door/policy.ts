/**
 * What a page of ours may load (Content Security Policy Level 3): scripts that
 * carry this answer's number and what those load, pictures and sounds of ours
 * or just made in the page. Styles may stand in elements, because formulas and
 * React write them there.
 */
export function contentPolicy(nonce: string): string {
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "media-src 'self' blob:",
    "font-src 'self' data:",
    // Pictures that are pasted come as addresses that hold them.
    "connect-src 'self' data: blob:",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'self'",
  ].join('; ');
}
