import { Document, HeadingLevel, Packer, Paragraph, TextRun, type IRunOptions } from 'docx';
import { quoted, type Block } from '../../letter.js';

/** A letter as a .docx. */
export async function letterDocument(blocks: readonly Block[], title: string): Promise<Uint8Array> {
  const document = new Document({
    title,
    styles: { default: { document: { run: { font: 'Georgia', size: 22 }, paragraph: { spacing: { after: 120 } } } } },
    sections: [{ children: blocks.flatMap(paragraphsOf) }],
  });
  return new Uint8Array(await Packer.toBuffer(document));
}

function paragraphsOf(block: Block): Paragraph[] {
  if (block.kind === 'paragraph') return [new Paragraph({ children: runs(block.text) })];
  if (block.kind === 'part') return [new Paragraph({ text: block.text, heading: HeadingLevel.HEADING_2 })];
  const { number, where, words, text, proposal } = block;
  const indent = { left: 360 };
  return [
    new Paragraph({ children: [run({ text: `${number}. ${where}`, bold: true })], keepNext: true }),
    ...(words === '' ? [] : [new Paragraph({ children: runs(quoted(words), true), indent, keepNext: true })]),
    new Paragraph({ children: runs(text), indent }),
    ...(proposal === '' ? [] : [new Paragraph({ children: runs(`Proposed: ${quoted(proposal)}`), indent })]),
  ];
}

/** Words with their line breaks. */
function runs(text: string, italics = false): TextRun[] {
  return text.split('\n').map((line, i) => run({ text: line, italics, ...(i === 0 ? {} : { break: 1 }) }));
}

function run(options: IRunOptions): TextRun {
  return new TextRun(options);
}
