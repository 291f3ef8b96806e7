import { number, object, string, type InferType } from 'yup';
import { SCOPE_SUBJECTS, type ScopeChange } from '../../commission/scope';
import { CLOSENESSES, PICTURE_KINDS, type Picture } from '../../commission/pictures';
import { REVISION_REASONS, type SchemeRevision } from '../../commission/revisions';
import type { Unit } from '../../scheme/model/definitions';
import type { RemovedPiece } from '../../scheme/model/removedPiece';
import { ANSWERS, type TestRound } from '../../commission/testModel';
import { OTHER_WORK, type OtherWork } from '../../bench/otherWork';
import type { Finishing } from '../../finish/definitions';
import type { Quote, QuoteTerms } from '../../money/definitions';
import { unitFields } from '../scheme/commissionSchemas';
import { count, id, instant, list, note, oneOf, optionalList, share, text, yesOrNo } from '../fields';
import { finishingOf, finishingSchema } from './finishingFields';
import { priceMinor, quoteSchema, termsSchema } from './moneyFields';
import { filedPiece, removedPieceOf, removedPieceSchema, schemeOf, schemeSchema, type FiledPiece } from '../scheme/schemeSchemas';

/** What was agreed, sent, answered and shown for a commission, beside its units and its bench. */
export interface CommissionRecord {
  /** When the scope was agreed; null while it is open. */
  agreedAt: string | null;
  scope: Omit<ScopeChange, 'id' | 'commissionId'>[];
  /** Letters themselves stay in the outbox. */
  testRounds: Omit<TestRound, 'id' | 'mailId'>[];
  revisions: Omit<SchemeRevision, 'id'>[];
  otherWork: Omit<OtherWork, 'id' | 'commissionId'>[];
  /** How it is priced; null where nobody has said. */
  terms: QuoteTerms | null;
  quotes: Omit<Quote, 'id' | 'commissionId' | 'mailId'>[];
  /** How it is packed, sent and answered for; null where nobody has said. */
  finishing: Finishing | null;
  /** What was not done when it was handed over, in words. */
  undone: string[];
  /** Units taken out at Intake, with what was painted of them in the events. */
  removedUnits: Unit[];
  /** Parts and steps taken out of the schemes. */
  removedPieces: Omit<RemovedPiece, 'id'>[];
  /** Each with its JPEG, base64. */
  pictures: (Pick<Picture, 'unitId' | 'partId' | 'kind' | 'closeness' | 'caption' | 'light' | 'forClient' | 'spots' | 'addedAt'> & {
    jpeg: string;
  })[];
}

export const NO_RECORD: CommissionRecord = {
  agreedAt: null,
  scope: [],
  testRounds: [],
  revisions: [],
  otherWork: [],
  terms: null,
  quotes: [],
  finishing: null,
  undone: [],
  removedUnits: [],
  removedPieces: [],
  pictures: [],
};

const MOST = 1000;
const MOST_PICTURES = 100;
const MOST_PIECES = 10_000;
const MOST_BASE64 = 4_000_000;

const orNull = () => id().nullable().notRequired().defined();
const when = () => instant().nullable().notRequired().defined();
const minutes = () => number().strict().required().min(0).max(10_000_000);
const short = (what: string) => text(what).defined();

/** A spot that was found on a picture. */
export const photoSpotSchema = object({
  id: id(),
  x: share(),
  y: share(),
  model: count(1, 1000).nullable().defined(),
  passKey: text('a coat of a step').nullable().defined(),
  note: note(),
});

export const recordSchema = object({
  agreedAt: when(),
  scope: list(
    object({
      at: instant(),
      unitId: orNull(),
      unit: short('the name of the unit'),
      subject: oneOf(SCOPE_SUBJECTS),
      before: short('what it was'),
      after: short('what it is'),
      minutesBefore: minutes(),
      minutesAfter: minutes(),
      note: note(),
      priceMinor: priceMinor().optional(),
      takenBackAt: when(),
    }),
    MOST,
  ),
  testRounds: list(
    object({
      unitId: id(),
      sentAt: when(),
      sentTo: short('an address'),
      note: note(),
      answer: oneOf(ANSWERS).nullable().notRequired().defined(),
      answeredAt: when(),
      answerNote: note(),
    }),
    MOST,
  ),
  revisions: list(
    object({ unitId: id(), at: instant(), why: oneOf(REVISION_REASONS), note: note(), scheme: schemeSchema.required() }),
    MOST,
  ),
  // Files of earlier versions have none.
  otherWork: optionalList(
    object({
      kind: oneOf(OTHER_WORK),
      startedAt: instant(),
      endedAt: when(),
      minutes: number().strict().min(0).max(10_080).nullable().notRequired().defined(),
      note: note(),
    }),
    MOST,
  ),
  terms: termsSchema.nullable().notRequired().default(undefined),
  quotes: optionalList(quoteSchema, MOST),
  finishing: finishingSchema.nullable().notRequired().default(undefined),
  undone: optionalList(text('what was not done'), MOST),
  removedUnits: optionalList(object({ ...unitFields, scheme: schemeSchema.required() }), 500),
  removedPieces: optionalList(removedPieceSchema, MOST_PIECES),
  pictures: list(
    object({
      unitId: orNull(),
      partId: orNull(),
      kind: oneOf(PICTURE_KINDS),
      closeness: oneOf(CLOSENESSES),
      caption: short('a caption'),
      // Files of earlier versions do not say.
      light: text('how it is lit').optional().default(''),
      forClient: yesOrNo().optional().default(false),
      spots: optionalList(photoSpotSchema, 200),
      addedAt: instant(),
      jpeg: string()
        .strict()
        .required()
        .max(MOST_BASE64)
        .matches(/^[A-Za-z0-9+/]+={0,2}$/, 'give a JPEG as base64'),
    }),
    MOST_PICTURES,
  ),
});

/** What was read, with its schemes in full. */
export const recordOf = (parsed: InferType<typeof recordSchema>): CommissionRecord =>
  ({
    ...parsed,
    scope: parsed.scope.map((change) => ({ ...change, priceMinor: change.priceMinor ?? null, takenBackAt: change.takenBackAt ?? null })),
    otherWork: parsed.otherWork ?? [],
    undone: parsed.undone ?? [],
    removedUnits: (parsed.removedUnits ?? []).map((unit) => ({ ...unit, scheme: schemeOf(unit.scheme) })),
    removedPieces: ((parsed.removedPieces ?? []) as FiledPiece[]).map(removedPieceOf),
    terms: parsed.terms ?? null,
    quotes: parsed.quotes ?? [],
    finishing: parsed.finishing ? finishingOf(parsed.finishing) : null,
    pictures: parsed.pictures.map((picture) => ({ ...picture, spots: picture.spots ?? [] })),
    revisions: parsed.revisions.map((revision) => ({ ...revision, scheme: schemeOf(revision.scheme) })),
  }) as CommissionRecord;

/** Nothing was agreed, sent or shown. */
export const isEmptyRecord = (record: CommissionRecord): boolean => JSON.stringify(record) === JSON.stringify(NO_RECORD);

/** As it is written. */
export const filedRecord = (record: CommissionRecord): object => ({ ...record, removedPieces: record.removedPieces.map(filedPiece) });
