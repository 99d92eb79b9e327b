import { isTag, isText, type AnyNode, type Document, type Element } from 'domhandler';
import { parseDocument } from 'htmlparser2';

/** Deeper nesting is no document; each level costs a call. */
const DEEPEST = 200;

/** The tree of an XML text. */
export function xmlTree(text: string): Document {
  return parseDocument(text, { xmlMode: true });
}

/** The tree of a page. */
export function pageTree(text: string): Document {
  return parseDocument(text, { decodeEntities: true });
}

export function elementsIn(node: AnyNode | Document): Element[] {
  return 'children' in node ? node.children.filter(isTag) : [];
}

/** The first element of a name within a node, at any depth. */
export function within(node: AnyNode | Document, name: string): Element | undefined {
  for (const element of elementsIn(node)) {
    const found = element.name === name ? element : within(element, name);
    if (found) return found;
  }
  return undefined;
}

/** All elements of a name within a node, at any depth, none within another. */
export function allWithin(node: AnyNode | Document, name: string, depth = 0): Element[] {
  if (depth > DEEPEST) return [];
  return elementsIn(node).flatMap((one) => (one.name === name ? [one] : allWithin(one, name, depth + 1)));
}

/** The first child of a name. */
export function child(node: Element | undefined, name: string): Element | undefined {
  return node && elementsIn(node).find((one) => one.name === name);
}

/** All words within a node. */
export function wordsIn(node: AnyNode | Document): string {
  if (isText(node)) return node.data;
  return 'children' in node ? node.children.map(wordsIn).join('') : '';
}
