import type { ImportedCommission } from '../../contract/importedCommission';
import type { LineSetsPicture, SetsQuestion } from '../../contract/lineSets';
import type { LegSheetQuestion } from '../../contract/legSheet';
import type { SharingPicture, TwinsPicture, TwinsQuestion } from '../../contract/colours';
import type { TimeLogImport } from '../../contract/log';
import type { Quote } from '../../core/money/definitions';
import type { StoredPrediction } from '../../data/stores/predictionStore';
import type { LearnedSpreads } from '../../data/stores/spreadStore';
import type { HandedFit } from './handedFit';

/** What takes long, by name: what each is given, and what it comes to. A thread does it, with a connection of its own. */
export interface Tasks {
  importCommission: { input: Uint8Array; result: ImportedCommission };
  importTimeLog: { input: { file: Uint8Array; confirm: boolean }; result: TimeLogImport };
  legSheet: { input: LegSheetQuestion; result: Uint8Array<ArrayBuffer> };
  quotePdf: { input: Quote; result: Uint8Array<ArrayBuffer> };
  statementPdf: { input: string; result: Uint8Array<ArrayBuffer> };
  handOverPdf: { input: { id: string; isShort: boolean }; result: Uint8Array<ArrayBuffer> };
  packingPdf: { input: string; result: Uint8Array<ArrayBuffer> };
  buyingPdf: { input: { of: string | null }; result: Uint8Array<ArrayBuffer> };
  learnSpreads: { input: null; result: LearnedSpreads | null };
  foretell: { input: null; result: StoredPrediction[] };
  lineSets: { input: SetsQuestion; result: LineSetsPicture | null };
  sharing: { input: null; result: SharingPicture | null };
  priceTwins: { input: TwinsQuestion; result: TwinsPicture };
  setDemo: { input: { here: boolean }; result: null };
}

export type TaskName = keyof Tasks;

export interface TaskRequest<T extends TaskName> {
  task: T;
  input: Tasks[T]['input'];
  folder: string;
  now: Date;
  /** What the program itself goes by; null for tasks that do not ask. */
  fit?: HandedFit | null;
}

export type TaskAnswer = { result: unknown } | { refusal: Refusal };

/** An error as it crosses from a thread. */
export interface Refusal {
  name: string;
  message: string;
  field?: string;
  stack?: string;
}
