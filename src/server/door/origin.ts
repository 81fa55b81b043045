/** Whether a writing request comes from our own pages. What says neither from where it comes nor that it is ours does not. */
export function fromOurPages({ headers }: { headers: { get: (name: string) => string | null } }): boolean {
  const origin = headers.get('origin');
  if (origin === null) return headers.get('sec-fetch-site') === 'same-origin';
  // Only a proxy before us can have said the first one; the door takes it away from others.
  const host = headers.get('x-forwarded-host') ?? headers.get('host');
  return URL.canParse(origin) && new URL(origin).host === host;
}
