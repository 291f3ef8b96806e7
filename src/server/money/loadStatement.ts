import { localDay } from '../../core/kernel/localDay';
import { agreedQuote } from '../../core/money/definitions';
import { statementOf, type Statement } from '../../core/money/statement';
import { undoneWordsOf } from '../plan/undoneNow';
import { NotFoundError } from '../stores/errors';
import type { Stores } from '../stores/stores';
import { findCommission } from '../workshop/loadWorkshop';

/** What the client owes as things stand; dated by the hand-over, or today while it is open. */
export async function loadStatement(stores: Stores, id: string | undefined, now: Date): Promise<Statement> {
  const commission = await findCommission(stores, id);
  const agreed = agreedQuote(await stores.quotes.ofCommission(commission.id));
  if (!agreed) throw new NotFoundError(`No quote of ${commission.name} is accepted yet: mark one as accepted first.`);
  const { terms } = await stores.quotes.terms(commission.id);
  const on = localDay(commission.closedAt === null ? now : new Date(commission.closedAt));
  return statementOf(agreed, await stores.scope.ofCommission(commission.id), terms, {
    on,
    undone: await undoneWordsOf(stores, commission, now),
  });
}
