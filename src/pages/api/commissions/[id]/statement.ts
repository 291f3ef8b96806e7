import { writeStatement } from '../../../../core/formats/timeLog/writeStatement';
import { decimalsOf } from '../../../../core/money/currency';
import { download } from '../../../../server/http/download';
import { query } from '../../../../server/http/endpoint';
import { loadStatement } from '../../../../server/money/loadStatement';
import { dataFolder } from '../../../../server/running/dataFolder';
import { taskInThread } from '../../../../server/work/threads';

/** The statement to look at; as a file with `?as=csv` or `?as=pdf`. */
export const GET = query(async ({ stores, params, url, now }) => {
  const statement = await loadStatement(stores, params['id'], now);
  const as = url.searchParams.get('as');
  const name = `Statement, ${statement.name}`;
  if (as === 'csv') return download(writeStatement(statement, decimalsOf(statement.currency)), `${name}.csv`, 'text/csv');
  if (as !== 'pdf') return statement;
  const pdf = await taskInThread({ task: 'statementPdf', input: params['id']!, folder: dataFolder(), now });
  return download(pdf, `${name}.pdf`, 'application/pdf');
});
