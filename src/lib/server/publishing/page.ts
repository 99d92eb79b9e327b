import { roundWords, type Block } from '../../../core/index.js';
import type { Picture, Publication } from './form.js';

/** A paper as one page that needs nothing else: pictures and looks are in it. */
export function asPage({ paper, pictures, print }: Publication): string {
  const { title, language, foot, blocks } = paper;
  const body = inRuns(blocks).map((run) => runHtml(run, pictures));
  return [
    `<!doctype html>`,
    `<html lang="${language}">`,
    `<head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>${escaped(title)}</title>`,
    `<style>${STYLE}${print === 'large' ? LARGE : ''}</style></head>`,
    `<body><main>`,
    ...body,
    `</main>${foot === '' ? '' : `<footer>${escaped(foot)}</footer>`}</body></html>`,
    '',
  ].join('\n');
}

const STYLE = `
:root{color-scheme:light dark}
body{max-width:44rem;margin:0 auto;padding:1.5rem 1rem 4rem;font:1.0625rem/1.5 Georgia,"Times New Roman",serif}
h1{font-size:1.9rem;line-height:1.15;margin:0 0 1rem}
h2{font-size:1.25rem;margin:2rem 0 .4rem;border-bottom:1px solid;break-after:avoid}
h3{font-size:1.05rem;margin:1.2rem 0 .3rem;break-after:avoid}
p{margin:.5rem 0}
ul{margin:.3rem 0;padding-left:1.2rem}
label{display:grid;grid-template-columns:1.6rem minmax(0,1fr) minmax(4rem,auto);align-items:baseline;padding:.3rem 0;border-bottom:1px solid #8884;break-inside:avoid}
.round{margin:0}
input{width:1.05rem;height:1.05rem;margin:0;align-self:start;margin-top:.25rem}
label:has(input:checked){opacity:.55}
p,li,td,span{overflow-wrap:anywhere}
.count{text-align:right;font-weight:bold;font-variant-numeric:tabular-nums;padding-left:1rem;overflow-wrap:normal}
.caution{border-left:4px solid;padding-left:.8rem}
pre{margin:.5rem 0;white-space:pre-wrap;font:inherit}
img{display:block;max-width:100%;height:auto;margin:1rem 0}
table{border-collapse:collapse;width:100%;font-size:.95rem}
th,td{text-align:left;vertical-align:top;padding:.3rem .8rem .3rem 0;border-bottom:1px solid #8884}
tr{break-inside:avoid}
footer{max-width:44rem;margin:2rem auto 0;font-size:.875rem}
`;
const LARGE = 'body{font-size:1.4rem}';

/** Lines, and words that stand in columns. */
const AS_WRITTEN = /\n| {2}/;

/** Blocks, with the things of a list together in one. */
function inRuns(blocks: readonly Block[]): Block[][] {
  const runs: Block[][] = [];
  for (const block of blocks) {
    const last = runs.at(-1);
    if (block.kind === 'item' && last?.[0]?.kind === 'item') last.push(block);
    else runs.push([block]);
  }
  return runs;
}

function runHtml(run: readonly Block[], pictures: readonly Picture[]): string {
  const inside = run.map((block) => blockHtml(block, pictures)).join('\n');
  return run[0]?.kind === 'item' ? `<ul>\n${inside}\n</ul>` : inside;
}

function blockHtml(block: Block, pictures: readonly Picture[]): string {
  switch (block.kind) {
    case 'heading':
      return `<h${block.level} dir="auto">${escaped(block.text)}</h${block.level}>`;
    case 'paragraph':
      return AS_WRITTEN.test(block.text)
        ? `<pre dir="auto">${escaped(block.text)}</pre>`
        : `<p dir="auto">${escaped(block.text)}</p>`;
    case 'caution':
      return `<p class="caution" dir="auto">${escaped(block.text)}</p>`;
    case 'item':
      return `<li dir="auto">${escaped(block.text)}</li>`;
    case 'round': {
      const label = block.label === '' ? '' : `<b>${escaped(roundWords({ label: block.label, words: '' }))}</b> `;
      const count = block.count === '' ? '' : ` <span class="count">${escaped(block.count)}</span>`;
      const written = AS_WRITTEN.test(block.words) ? ' style="white-space:pre-wrap"' : '';
      return `<p class="round"${written}><label><input type="checkbox"> <span dir="auto">${label}${escaped(block.words)}</span>${count}</label></p>`;
    }
    case 'table':
      return tableHtml(block);
    case 'picture':
      return pictureHtml(pictures[block.picture]);
  }
}

function tableHtml({ head, rows }: Extract<Block, { kind: 'table' }>): string {
  const heads = head.map((cell) => `<th scope="col">${escaped(cell)}</th>`).join('');
  const lines = rows.map((row) => `<tr>${row.map((cell) => `<td dir="auto">${escaped(cell)}</td>`).join('')}</tr>`);
  return `<table><thead><tr>${heads}</tr></thead><tbody>\n${lines.join('\n')}\n</tbody></table>`;
}

function pictureHtml(picture: Picture | undefined): string {
  if (!picture) return '';
  const data = Buffer.from(picture.bytes).toString('base64');
  const { type, width, height, alt } = picture;
  return `<img src="data:image/${type};base64,${data}" width="${width}" height="${height}" alt="${escaped(alt)}">`;
}

function escaped(text: string): string {
  return text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');
}
