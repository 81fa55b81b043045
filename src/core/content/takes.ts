/** What can be handed in, by the endings of names; null for anything. */
export const TAKES = {
  pages: ['jpg', 'jpeg', 'png', 'webp', 'heic', 'heif', 'pdf'],
  documents: ['pdf', 'docx', 'odt', 'txt', 'rtf', 'xlsx', 'ods', 'csv', 'pptx', 'odp'],
  any: null,
} as const;
export type Takes = keyof typeof TAKES;

/** Whether a file of this name is one of those. */
export function takesName(takes: Takes, name: string): boolean {
  const endings: readonly string[] | null = TAKES[takes];
  return endings === null || endings.includes(/\.([^.]+)$/.exec(name.toLowerCase())?.[1] ?? '');
}
