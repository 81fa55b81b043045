/** The time zone in which the department reads and says its times: that of the server (setting TZ). */
export const departmentZone = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;

/** A day in words, where the department is. */
export const dayInWords = (at: number): string =>
  new Intl.DateTimeFormat('en-GB', { dateStyle: 'long', timeZone: departmentZone() }).format(at);
