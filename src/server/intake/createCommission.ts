import { object, type InferType } from 'yup';
import { ulid } from 'ulid';
import { amountMinor } from '../../core/formats/commission/moneyFields';
import { commissionFields } from '../../core/formats/scheme/commissionSchemas';
import type { Stores } from '../stores/stores';

export const newCommissionSchema = object({
  ...commissionFields,
  /** What was agreed before anything was worked out; null for nothing yet. */
  agreedPriceMinor: amountMinor().nullable().optional().default(null),
});

type Commission = Omit<InferType<typeof newCommissionSchema>, 'agreedPriceMinor'> & { agreedPriceMinor?: number | null };

export async function createCommission(
  stores: Pick<Stores, 'allOrNothing'>,
  { agreedPriceMinor = null, ...commission }: Commission,
  now: Date,
): Promise<{ id: string }> {
  const id = ulid(now.getTime());
  await stores.allOrNothing(async ({ commissions, quotes }) => {
    await commissions.insert({ id, ...commission }, now.toISOString());
    if (agreedPriceMinor === null) return;
    const { terms, revision } = await quotes.terms(id);
    await quotes.saveTerms(id, { ...terms, ownPriceMinor: agreedPriceMinor }, revision);
  });
  return { id };
}
