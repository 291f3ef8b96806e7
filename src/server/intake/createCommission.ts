import { object, type InferType } from 'yup';
import { ulid } from 'ulid';
import { commissionFields } from '../../core/formats/scheme/commissionSchemas';
import type { Stores } from '../stores/stores';

export const newCommissionSchema = object(commissionFields);

export async function createCommission(
  stores: Pick<Stores, 'commissions'>,
  input: InferType<typeof newCommissionSchema>,
  now: Date,
): Promise<{ id: string }> {
  const id = ulid(now.getTime());
  await stores.commissions.insert({ id, ...input }, now.toISOString());
  return { id };
}
