import type { Content } from '@/core/content/document';
import { ContentView } from './ContentView';

/** Text with headings, lists and weights, which has neither formulas nor slots. */
export function WrittenView({ text }: { text: Content }) {
  return <ContentView content={text} drawn={{}} slot={() => null} />;
}
