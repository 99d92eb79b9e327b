import { NotTaken, type Contents, type Format } from './document.js';
import { blocksOf } from './pdfLayout.js';
import type { Item, Page } from './pdfRows.js';

/** Longer documents are books. */
const MOST_PAGES = 300;

/** Portable documents (.pdf): ISO 32000. */
export const PDF: Format = {
  kind: 'PDF',
  is: ({ head }) => head.slice(0, 1024).includes('%PDF-'),
  read: async ({ bytes }, progress) => {
    const { getDocument, VerbosityLevel } = await import('pdfjs-dist/legacy/build/pdf.mjs');
    const loading = getDocument({
      data: new Uint8Array(bytes),
      isEvalSupported: false,
      disableFontFace: true,
      useSystemFonts: true,
      verbosity: VerbosityLevel.ERRORS,
    });
    try {
      const document = await loading.promise;
      if (document.numPages > MOST_PAGES)
        throw new NotTaken(
          `This PDF has ${document.numPages} pages: it is a book. Save the pages of one pattern, and take those in.`,
        );
      const pages: Page[] = [];
      for (let number = 1; number <= document.numPages; number += 1) {
        pages.push(await pageOf(await document.getPage(number)));
        progress(number / document.numPages);
      }
      return contentsOf(pages);
    } catch (error) {
      throw error instanceof NotTaken ? error : new NotTaken(whyNot(error));
    } finally {
      await loading.destroy();
    }
  },
};

type Proxy = Awaited<ReturnType<Awaited<ReturnType<typeof import('pdfjs-dist').getDocument>['promise']>['getPage']>>;

async function pageOf(page: Proxy): Promise<Page> {
  const { width, height } = page.getViewport({ scale: 1 });
  const { items } = await page.getTextContent();
  page.cleanup();
  return {
    width,
    height,
    items: items.flatMap((item): Item[] => {
      if (!('str' in item) || item.str.trim() === '') return [];
      const [, slope = 0, , , x = 0, y = 0] = item.transform as number[];
      // Letters that stand on their side are ornaments of the margin.
      return Math.abs(slope) > 0.01 ? [] : [{ text: item.str, x, y, width: item.width, size: item.height || 10 }];
    }),
  };
}

function contentsOf(pages: readonly Page[]): Contents {
  const bare = pages.flatMap(({ items }, i) => (items.length === 0 ? [i + 1] : []));
  if (bare.length === pages.length)
    throw new NotTaken(
      'This PDF is a scan: its pages are pictures, with no text in them. Ask for the document that it was made from, or have its text recognised first.',
    );
  const { blocks, runs } = blocksOf(pages);
  return {
    blocks,
    left: [
      ...(runs ? ['Heads, feet and numbers of the pages are left out.'] : []),
      ...(bare.length > 0 ? [`No text on page ${bare.join(', ')}: it is empty, or a picture.`] : []),
    ],
  };
}

function whyNot(error: unknown): string {
  const name = error instanceof Error ? error.name : '';
  if (name === 'PasswordException') return 'This PDF is locked with a password. Save it without one, and take that in.';
  return 'This PDF is damaged and can’t be read. Save it anew where it was made, and take that in.';
}
