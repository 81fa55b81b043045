import type { MatchSheet } from '@/core/kinds/match/match';
import { LetteredThings, WritingLine } from '../../print/parts';
import { ShownThing } from '../../sheet/ShownThing';
import type { PrintProps } from '../contract';

/** What is asked, with a line for a letter each, and the answers with their letters. */
export function Print({ sheet, drawn }: PrintProps<MatchSheet>) {
  return (
    <div className="print-match">
      <ol>
        {sheet.prompts.map((prompt, i) => (
          <li key={prompt.id}>
            <span>
              <b>{i + 1}</b> <ShownThing thing={prompt} at={i} drawn={drawn} />
            </span>
            <WritingLine signs={4} />
          </li>
        ))}
      </ol>
      <LetteredThings things={sheet.partners} drawn={drawn} />
    </div>
  );
}
