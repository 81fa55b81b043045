/** The time zone in which the department reads and says its times: that of the server (setting TZ). */
export const departmentZone = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;
