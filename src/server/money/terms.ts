import { object, type InferType } from 'yup';
import { count } from '../../core/formats/fields';
import { termsOf, termsSchema } from '../../core/formats/commission/moneyFields';
import { UNSAVED } from '../../data/file/revisions';
import { ConflictError } from '../stores/errors';
import type { Stores } from '../stores/stores';
import { findCommission } from '../workshop/loadWorkshop';

export const saveTermsSchema = object({ revision: count(UNSAVED), terms: termsSchema });

/** Saves how a commission is priced, as a window has it that was opened at a revision. Answers with the new one. */
export async function saveTerms(
  stores: Pick<Stores, 'commissions' | 'quotes'>,
  id: string | undefined,
  { revision, terms }: InferType<typeof saveTermsSchema>,
): Promise<{ revision: number }> {
  const commission = await findCommission(stores, id);
  if (!(await stores.quotes.saveTerms(commission.id, termsOf(terms), revision)))
    throw new ConflictError(
      'The terms were changed in another window after this one was opened: reload the page, then make your change again.',
    );
  return { revision: revision + 1 };
}
