import { Extension, markInputRule, wrappingInputRule } from '@tiptap/core';

/**
 * Signs of Markdown as they are typed, only where they cannot be meant otherwise: whole words between the signs, so that
 * "2 * 3 * 4" and "v_1 * v_2" stay as they were typed.
 */
export const StrictMarks = Extension.create({
  name: 'strictMarks',
  addInputRules() {
    const rules = [
      { find: /(?:^|\s)(\*\*(\p{L}[^*]*\p{L})\*\*)$/u, mark: 'bold' },
      { find: /(?:^|\s)(\*(\p{L}[^*]*\p{L})\*)$/u, mark: 'italic' },
      { find: /(?:^|\s)(`([^`]+)`)$/, mark: 'code' },
    ];
    const { marks, nodes } = this.editor.schema;
    const list = nodes.orderedList ? [wrappingInputRule({ find: /^1[.)]\s$/, type: nodes.orderedList })] : [];
    const forms = rules.flatMap(({ find, mark }) => {
      const type = marks[mark];
      return type ? [markInputRule({ find, type })] : [];
    });
    return [...forms, ...list];
  },
});
