/** A password of the department has at least so many signs. */
export const LEAST_PASSWORD = 10;
