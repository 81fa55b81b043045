import { paperElements, shapeElement, type SvgElement } from './elements';
import type { Paper } from './paper';
import { PAPER_WIDTH, type Shape } from './shapes';

/** Text as it may stand in XML: its own signs by number, and none that XML forbids. */
const escaped = (text: string): string =>
  text.replace(/[^\P{Cc}\t\n]/gu, '').replace(/[<>&"]/g, (sign) => `&#${sign.charCodeAt(0)};`);

const kebab = (name: string): string => name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);

function written({ tag, attributes, text }: SvgElement): string {
  const all = Object.entries(attributes).map(([name, value]) => ` ${kebab(name)}="${escaped(String(value))}"`);
  return text === undefined ? `<${tag}${all.join('')}/>` : `<${tag}${all.join('')}>${escaped(text)}</${tag}>`;
}

/** A drawing over its paper as a whole SVG file. A picture below it stays where it is: only what is drawn and ruled is in the file. */
export function drawingSvg(shapes: readonly Shape[], paper: Paper, high: number): string {
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${PAPER_WIDTH} ${high}">`,
    ...[...paperElements(paper, high), ...shapes.map(shapeElement)].map(written),
    '</svg>',
  ].join('\n');
}
