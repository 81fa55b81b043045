/** A text as a string of a style sheet. */
const quoted = (text: string): string => `"${text.replace(/[^\p{L}\p{N} .,;:!?()·–-]/gu, ' ')}"`;

/** What stands at the foot of every printed page: its text, and page n of m. */
export function PageFoot({ text }: { text: string }) {
  return (
    <style>{`@page paper {
  size: A4; margin: 16mm 16mm 18mm;
  @bottom-left { content: ${quoted(text)}; font: 9pt sans-serif; color: #444; }
  @bottom-right { content: counter(page) " of " counter(pages); font: 9pt sans-serif; color: #444; }
}`}</style>
  );
}
