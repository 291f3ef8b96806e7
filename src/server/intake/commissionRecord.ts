import { monotonicFactory } from 'ulid';
import type { CommissionRecord } from '../../core/formats/commission/commissionRecord';
import type { Unit } from '../../core/scheme/model/definitions';
import type { StoredCommission, StoredUnit } from '../../core/commission/definitions';
import { UNSAVED } from '../../data/file/revisions';
import { encodePicture, type EncodedPicture } from './encodePicture';
import type { Stores } from '../stores/stores';

/** What was agreed, sent, answered and shown for a commission, as its file has it. */
export async function readRecord(stores: Stores, commission: StoredCommission, unitIds: string[]): Promise<CommissionRecord> {
  const shown = (await stores.pictures.ofCommission(commission.id)).filter((picture) => picture.removedAt === null);
  const pictures: CommissionRecord['pictures'] = [];
  for (const { id, unitId, partId, kind, closeness, caption, light, forClient, spots, addedAt } of shown) {
    const jpeg = Buffer.from((await stores.pictures.bytes(id))!).toString('base64');
    pictures.push({ unitId, partId, kind, closeness, caption, light, forClient, spots, addedAt, jpeg });
  }
  const { terms, revision } = await stores.quotes.terms(commission.id);
  const finish = await stores.finishing.load(commission.id);
  return {
    agreedAt: commission.agreedAt,
    scope: (await stores.scope.allOfCommission(commission.id)).map(({ id: _id, commissionId: _commission, ...change }) => change),
    testRounds: (await stores.testRounds.ofUnits(unitIds)).map(({ id: _id, mailId: _mail, ...round }) => round),
    revisions: (await stores.revisions.ofUnits(unitIds)).reverse().map(({ id: _id, ...revision }) => revision),
    otherWork: (await stores.otherWork.ofCommissions([commission.id])).map(({ id: _id, commissionId: _commission, ...work }) => work),
    terms: revision === UNSAVED ? null : terms,
    quotes: (await stores.quotes.ofCommission(commission.id)).map(
      ({ id: _id, commissionId: _commission, mailId: _mail, ...quote }) => quote,
    ),
    finishing: finish.revision === UNSAVED ? null : finish.finishing,
    undone: await stores.commissions.undone(commission.id),
    removedUnits: (await stores.commissions.removedUnits(commission.id)).map(unitOf),
    removedPieces: (await stores.commissions.removedPieces(unitIds)).reverse().map(({ id: _id, ...removed }) => removed),
    pictures,
  };
}

/** A unit as a file has it. */
export const unitOf = ({ commissionId: _commission, schemeRevision: _scheme, ...unit }: StoredUnit): Unit => unit;

/** The pictures of a file re-encoded, before anything is written. Throws an `InputError` for one that is broken. */
export const encodeRecord = async ({ pictures }: CommissionRecord): Promise<EncodedPicture[]> => {
  const encoded: EncodedPicture[] = [];
  for (const { jpeg } of pictures) encoded.push(await encodePicture(Buffer.from(jpeg, 'base64')));
  return encoded;
};

/** Writes it down for a commission that was just taken in, under ids of its own. */
export async function writeRecord(
  stores: Stores,
  commissionId: string,
  { agreedAt, scope, testRounds, revisions, otherWork, terms, quotes, finishing, removedPieces, pictures }: CommissionRecord,
  encoded: readonly EncodedPicture[],
): Promise<void> {
  if (agreedAt !== null) await stores.commissions.setAgreed(commissionId, agreedAt);
  const scopeId = idsInOrder();
  for (const change of scope) await stores.scope.put({ ...change, id: scopeId(change.at), commissionId });
  const workId = idsInOrder();
  // A clock that ran when the file was written runs there.
  for (const work of otherWork)
    await stores.otherWork.put({ ...work, endedAt: work.endedAt ?? work.startedAt, id: workId(work.startedAt), commissionId });
  if (terms) await stores.quotes.saveTerms(commissionId, terms, UNSAVED);
  if (finishing) await stores.finishing.save(commissionId, finishing, UNSAVED);
  const quoteId = idsInOrder();
  for (const quote of quotes) await stores.quotes.put({ ...quote, id: quoteId(quote.writtenAt), commissionId, mailId: null });
  const roundId = idsInOrder();
  for (const round of testRounds)
    await stores.testRounds.put({ ...round, id: roundId(round.sentAt ?? round.answeredAt ?? '1970'), mailId: null });
  const revisionId = idsInOrder();
  for (const revision of revisions) await stores.revisions.insert({ ...revision, id: revisionId(revision.at) });
  await stores.commissions.putPiecesAside(removedPieces);
  const pictureId = idsInOrder();
  for (const [index, { jpeg: _jpeg, ...picture }] of pictures.entries()) {
    const { bytes, width, height } = encoded[index]!;
    await stores.pictures.insert({ ...picture, id: pictureId(picture.addedAt), commissionId, width, height, removedAt: null }, bytes);
  }
}

/** Ids of what one list of a file holds: by the time of each, and in the order of the file where that is the same. */
function idsInOrder(): (at: string) => string {
  const next = monotonicFactory();
  return (at) => next(Date.parse(at));
}
