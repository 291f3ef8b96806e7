import { legSheetDocument } from '../../../../print/legSheet';
import { toPdf } from '../../../../print/pdf';
import { download } from '../../../../server/http/download';
import { endpoint } from '../../../../server/http/endpoint';
import { legSheetSchema, loadLegSheet } from '../../../../server/line/loadLegSheet';

export const POST = endpoint(legSheetSchema, async (input, { stores, params, now }) => {
  const sheet = await loadLegSheet(stores, params['id'], input, now);
  return download(await toPdf(legSheetDocument(sheet)), `${sheet.commission.name}, leg sheet.pdf`, 'application/pdf');
});
