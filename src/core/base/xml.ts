import { XMLParser } from 'fast-xml-parser';

/** An element of an XML document. Text stands in nodes named "#text". */
export interface XmlNode {
  name: string;
  attributes: Readonly<Record<string, string>>;
  children: XmlNode[];
  /** Only of "#text". */
  text: string;
}

const parser = new XMLParser({
  preserveOrder: true,
  ignoreAttributes: false,
  attributeNamePrefix: '',
  trimValues: false,
  parseTagValue: false,
  parseAttributeValue: false,
  processEntities: true,
});

type Raw = Record<string, unknown>;

/**
 * Reads XML as a tree. Document types are refused, and with them every entity
 * that could grow or reach out; throws an Error that says so.
 */
export function parseXml(xml: string): XmlNode[] {
  if (/<!DOCTYPE|<!ENTITY/i.test(xml)) throw new Error('XML with a document type is not read');
  return (parser.parse(xml) as Raw[]).map(fromRaw);
}

function fromRaw(raw: Raw): XmlNode {
  const name = Object.keys(raw).find((key) => key !== ':@') ?? '';
  const value = raw[name];
  if (name === '#text') return { name, attributes: {}, children: [], text: String(value) };
  return {
    name,
    attributes: (raw[':@'] ?? {}) as Record<string, string>,
    children: Array.isArray(value) ? (value as Raw[]).map(fromRaw) : [],
    text: '',
  };
}

export function child(node: XmlNode | undefined, name: string): XmlNode | undefined {
  return node?.children.find((c) => c.name === name);
}

/** Every node of that name, however deep. */
export function descendants(node: XmlNode, name: string): XmlNode[] {
  return node.children.flatMap((c) => [...(c.name === name ? [c] : []), ...descendants(c, name)]);
}

export function textOf(node: XmlNode | undefined): string {
  return node === undefined ? '' : node.name === '#text' ? node.text : node.children.map(textOf).join('');
}
