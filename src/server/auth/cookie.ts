/** The cookie of a session. By HTTPS its name binds it to this host, path and channel (RFC 6265bis, 4.1.3.2). */
export const sessionCookie = (secure: boolean): string => (secure ? '__Host-zonda-session' : 'zonda-session');

/** The token of the session among the cookies of a request; undefined without one. */
export function sessionIn(
  cookies: { get: (name: string) => { value: string } | undefined },
  secure: boolean,
): string | undefined {
  return cookies.get(sessionCookie(secure))?.value;
}
