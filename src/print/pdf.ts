import { createRequire } from 'node:module';
import path from 'node:path';
import pdfmake from 'pdfmake';
import type { TDocumentDefinitions } from 'pdfmake/interfaces';

/** A wide-ranging sans serif that comes with the package that writes the documents. */
const FONT_FOLDER = path.join(path.dirname(createRequire(import.meta.url).resolve('pdfmake/fonts/Roboto.js')), 'Roboto');
const font = (style: string) => path.join(FONT_FOLDER, `Roboto-${style}.ttf`);

pdfmake.setFonts({
  Roboto: { normal: font('Regular'), bold: font('Medium'), italics: font('Italic'), bolditalics: font('MediumItalic') },
});
// Nothing is fetched for a document, and no file is read for it but these fonts.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((file) => path.dirname(path.resolve(file)) === FONT_FOLDER);

/** The document as a PDF with its fonts in it. */
export const toPdf = async (document: TDocumentDefinitions): Promise<Uint8Array<ArrayBuffer>> =>
  Uint8Array.from(await pdfmake.createPdf(document).getBuffer());
