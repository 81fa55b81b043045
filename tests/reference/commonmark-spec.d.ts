declare module 'commonmark-spec' {
  export const tests: unknown;
}
