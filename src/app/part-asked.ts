/**
 * What part of so many bytes a request asks for (RFC 9110, section 14): from
 * one place up to, but without, another. `all` where it asks for no part, or
 * for several; `none` where there is nothing at the place.
 */
export function partAsked(request: Request, size: number): { from: number; to: number } | 'all' | 'none' {
  const [, first = '', last = ''] = /^bytes=(\d*)-(\d*)$/.exec(request.headers.get('range') ?? '') ?? [];
  if (first === '' && last === '') return 'all';
  // Without a first place so many of the last bytes are meant.
  const from = first === '' ? Math.max(0, size - Number(last)) : Number(first);
  const to = first === '' || last === '' ? size : Math.min(size, Number(last) + 1);
  return from >= size || to <= from ? 'none' : { from, to };
}
