import type { TestModelState } from '../scheme/model/definitions';

export const ANSWERS = ['approved', 'changes wanted', 'no', 'on trust'] as const;
/** `on trust`: no answer came, and the painter goes on with a note. */
export type Answer = (typeof ANSWERS)[number];

/** What becomes of the gate before the batch. */
export const STATE_AFTER = {
  approved: 'approved',
  'changes wanted': 'waiting',
  no: 'waiting',
  'on trust': 'on trust',
} as const satisfies Record<Answer, TestModelState>;

/** A test model that was sent to the client, or decided without sending it. */
export interface TestRound {
  id: string;
  unitId: string;
  /** The mail in the outbox; null for a decision without one. */
  mailId: string | null;
  sentAt: string | null;
  sentTo: string;
  note: string;
  answer: Answer | null;
  answeredAt: string | null;
  answerNote: string;
}
