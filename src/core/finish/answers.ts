import { undoneWords, type Undone } from '../commission/undone';
import { isOneOf } from '../kernel/isOneOf';
import type { Answer } from './definitions';

/** What is not done, as its answer knows it: another number of the same is another thing. */
export const openKey = ({ unitId, kind, what }: Pick<Undone, 'unitId' | 'kind' | 'what'>): string => `${unitId ?? ''} ${kind} ${what}`;

export const answerTo = (undone: Pick<Undone, 'unitId' | 'kind' | 'what'>, answers: readonly Answer[]): string =>
  answers.find(({ key }) => key === openKey(undone))?.answer.trim() ?? '';

/** Somebody must settle it or say why; what cures settles itself, and what was left out on purpose was decided. */
export const needsAnswer = (undone: Pick<Undone, 'unitId' | 'kind' | 'what'>, answers: readonly Answer[]): boolean =>
  !isOneOf(undone.kind, 'curing', 'left-out') && answerTo(undone, answers) === '';

/** Said for the client: with what the painter answers. */
export function answeredWords(undone: Undone, answers: readonly Answer[]): string {
  const answer = answerTo(undone, answers);
  return answer === '' ? undoneWords(undone) : `${undoneWords(undone)} (${answer})`;
}

/** The same answers with another to one thing; an empty one is none. */
export const withAnswer = (answers: readonly Answer[], key: string, answer: string): Answer[] => [
  ...answers.filter((each) => each.key !== key),
  ...(answer === '' ? [] : [{ key, answer }]),
];
