import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

/** The text of each page of a PDF, words parted by single spaces, and the pages' sizes in points. */
export async function readPdf(file: Uint8Array): Promise<{ pages: string[]; sizes: [number, number][] }> {
  const document = await getDocument({ data: Uint8Array.from(file) }).promise;
  const pages: string[] = [];
  const sizes: [number, number][] = [];
  for (let number = 1; number <= document.numPages; number++) {
    const page = await document.getPage(number);
    const [left, bottom, right, top] = page.view as [number, number, number, number];
    sizes.push([right - left, top - bottom]);
    const { items } = await page.getTextContent();
    pages.push(
      items
        .map((item) => ('str' in item ? item.str + (item.hasEOL ? ' ' : '') : ''))
        .join(' ')
        .replaceAll(/\s+/g, ' '),
    );
  }
  return { pages, sizes };
}
