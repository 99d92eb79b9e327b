import { DomHandler, isTag, isText, type AnyNode, type Document, type Element } from 'domhandler';
import { Parser } from 'htmlparser2';
import { NotTaken } from './document.js';

/** Deeper nesting is no document; each level costs a call. */
const DEEPEST = 500;
const TOO_DEEP =
  'This document is made in a way that can’t be read. Copy the pattern itself into a new document, and take that in.';

/** Builds a tree, and gives up where elements lie too deep in elements. */
class TreeBuilder extends DomHandler {
  #depth = 0;

  override onopentag(name: string, attributes: Record<string, string>): void {
    this.#depth += 1;
    if (this.#depth > DEEPEST) throw new NotTaken(TOO_DEEP);
    super.onopentag(name, attributes);
  }

  override onclosetag(): void {
    this.#depth -= 1;
    super.onclosetag();
  }
}

function tree(text: string, xmlMode: boolean): Document {
  const builder = new TreeBuilder();
  new Parser(builder, { xmlMode }).end(text);
  return builder.root;
}

/** The tree of an XML text. @throws NotTaken where it is too deep. */
export function xmlTree(text: string): Document {
  return tree(text, true);
}

/** The tree of a page. @throws NotTaken where it is too deep. */
export function pageTree(text: string): Document {
  return tree(text, false);
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
export function allWithin(node: AnyNode | Document, name: string): Element[] {
  return elementsIn(node).flatMap((one) => (one.name === name ? [one] : allWithin(one, name)));
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
