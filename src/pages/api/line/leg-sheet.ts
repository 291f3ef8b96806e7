import { legSheetDocument } from '../../../print/legSheet';
import { toPdf } from '../../../print/pdf';
import { download } from '../../../server/http/download';
import { question } from '../../../server/http/endpoint';
import { legSheetSchema, loadLegSheet } from '../../../server/line/loadLegSheet';

export const POST = question(legSheetSchema, async (input, { stores, now }) =>
  download(await toPdf(legSheetDocument(await loadLegSheet(stores, input, now))), 'leg sheet.pdf', 'application/pdf'),
);
