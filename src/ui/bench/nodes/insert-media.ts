import type { Editor } from '@tiptap/react';
import { FRESH_PICTURE } from '@/core/content/document';
import { widthOnSheet } from '../paste-pictures';
import { insertNodes } from './keep-selected';

/** What can be put on a sheet from the tray or from outside. */
export type Insertable =
  | { medium: 'picture'; media: string; ratio: number; width: number }
  | { medium: 'sound' | 'film'; media: string }
  | { medium: 'file'; media: string; name: string; size: number };

/** Puts a picture, a recording or a file on the sheet, where the cursor is. */
export function insertMedia(editor: Editor, it: Insertable, description: string): void {
  const { media } = it;
  switch (it.medium) {
    case 'picture':
      return insertNodes(editor, {
        type: 'picture',
        attrs: { media, ratio: it.ratio, description, width: widthOnSheet(it.width), ...FRESH_PICTURE },
      });
    case 'file':
      return insertNodes(editor, { type: 'file', attrs: { media, name: it.name, size: it.size } });
    default:
      return insertNodes(editor, {
        type: 'recording',
        attrs: { media, medium: it.medium, description, captions: null },
      });
  }
}
