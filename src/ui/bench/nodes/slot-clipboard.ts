import { Extension } from '@tiptap/core';
import { DOMSerializer, type Fragment, type Schema } from '@tiptap/pm/model';
import { Plugin } from '@tiptap/pm/state';
import type { Slot } from '@/core/bank/question';

interface Carried {
  question: string;
  slots: Readonly<Record<string, Slot>>;
}

/** Writes what is copied as HTML; a slot takes along what it is, so that it can be put into another question. */
class CarryingSerializer extends DOMSerializer {
  constructor(
    schema: Schema,
    private readonly carried: () => Carried,
  ) {
    super(DOMSerializer.nodesFromSchema(schema), DOMSerializer.marksFromSchema(schema));
  }

  override serializeFragment(
    fragment: Fragment,
    options?: { document?: Document },
    target?: HTMLElement | DocumentFragment,
  ): HTMLElement | DocumentFragment {
    const made = super.serializeFragment(fragment, options, target);
    const { question, slots } = this.carried();
    for (const node of made.querySelectorAll<HTMLElement>('[data-inline-slot], [data-block-slot]')) {
      const slot = slots[node.dataset.inlineSlot ?? node.dataset.blockSlot ?? ''];
      node.dataset.of = question;
      if (slot) node.dataset.carried = JSON.stringify(slot);
    }
    return made;
  }
}

/** Lets slots travel by the clipboard. */
export const SlotClipboard = Extension.create<{ carried: () => Carried }>({
  name: 'slotClipboard',
  addOptions: () => ({ carried: () => ({ question: '', slots: {} }) }),
  addProseMirrorPlugins() {
    const serializer = new CarryingSerializer(this.editor.schema, this.options.carried);
    return [new Plugin({ props: { clipboardSerializer: serializer } })];
  },
});
