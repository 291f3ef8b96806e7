import { parentPort } from 'node:worker_threads';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

/** Answers what `readPdf` asks, on the port that comes with the file. */
parentPort.on('message', ({ file, port }) =>
  read(file).then(
    (answer) => port.postMessage(answer),
    (error) => port.postMessage({ error: String(error) }),
  ),
);

async function read(data) {
  const document = await getDocument({ data }).promise;
  const pages = [];
  const sizes = [];
  for (let number = 1; number <= document.numPages; number++) {
    const page = await document.getPage(number);
    const [left, bottom, right, top] = page.view;
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
