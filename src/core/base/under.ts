/** Whether an address is the given one or lies under it: the same scheme, host and port, and whole steps of its path. */
export function liesUnder(address: string, under: string): boolean {
  if (!URL.canParse(address) || !URL.canParse(under)) return false;
  const [one, all] = [new URL(address), new URL(under)];
  if (one.origin !== all.origin || one.username !== '' || one.password !== '') return false;
  const path = all.pathname.endsWith('/') ? all.pathname : `${all.pathname}/`;
  return one.pathname === all.pathname || one.pathname.startsWith(path);
}
