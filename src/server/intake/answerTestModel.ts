import { ulid } from 'ulid';
import { object, type InferType } from 'yup';
import { id as idField, note, oneOf } from '../../core/formats/fields';
import { InputError } from '../../core/kernel/InputError';
import { ANSWERS, STATE_AFTER, type TestRound } from '../../core/commission/testModel';
import { NotFoundError } from '../stores/errors';
import type { Stores } from '../stores/stores';
import { keepRevision } from '../schemes/revisions';

export const answerSchema = object({
  /** The letter that is answered; null for a word without one. */
  roundId: idField().nullable().defined(),
  answer: oneOf(ANSWERS),
  note: note(),
});

/** Writes down what the client said, with its date. The gate before the batch follows, and the scheme is kept as it stands. */
export async function answerTestModel(
  stores: Stores,
  unitId: string | undefined,
  { roundId, answer, note: said }: InferType<typeof answerSchema>,
  now: Date,
): Promise<TestRound> {
  const unit = await stores.commissions.findUnit(unitId ?? '');
  if (!unit) throw new NotFoundError(`There is no unit ${unitId}: it may have been taken out. Reload the page.`);
  if (answer === 'on trust' && said.trim() === '')
    throw new InputError('note', said, 'write down why you go on without an answer: you will be asked');
  const sent = roundId === null ? null : await stores.testRounds.find(roundId);
  if (roundId !== null && sent?.unitId !== unit.id)
    throw new NotFoundError(`There is no letter ${roundId} about this unit: reload the page.`);
  const round: TestRound = {
    ...(sent ?? { id: ulid(now.getTime()), unitId: unit.id, mailId: null, sentAt: null, sentTo: '', note: '' }),
    answer,
    answeredAt: now.toISOString(),
    answerNote: said,
  };
  await stores.allOrNothing(async (within) => {
    await within.testRounds.put(round);
    await within.commissions.setTestModel(unit.id, STATE_AFTER[answer]);
    if (answer === 'approved' || answer === 'changes wanted') await keepRevision(within, unit, answer, said, now);
  });
  return round;
}
