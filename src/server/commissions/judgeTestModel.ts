import { object, type InferType } from 'yup';
import { oneOf } from '../../core/formats/fields';
import { TEST_MODEL_STATES } from '../../core/scheme/definitions';
import { NotFoundError } from '../errors';
import type { Stores } from '../stores';

export const testModelSchema = object({ testModel: oneOf(TEST_MODEL_STATES) });

/** Opens or closes the gate that keeps a unit's batch waiting for its test model. */
export async function judgeTestModel(
  stores: Pick<Stores, 'commissions'>,
  unitId: string | undefined,
  input: InferType<typeof testModelSchema>,
): Promise<void> {
  const unit = await stores.commissions.findUnit(unitId ?? '');
  if (!unit) throw new NotFoundError(`There is no unit ${unitId}: it may have been removed at Intake.`);
  await stores.commissions.setTestModel(unit.id, input.testModel);
}
