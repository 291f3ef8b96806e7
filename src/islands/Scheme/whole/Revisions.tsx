import { useState } from 'react';
import { fitRoster } from '../../../core/scheme/authoring/dealOut';
import type { Paint, Scheme, Unit } from '../../../core/scheme/model/definitions';
import type { HouseRules } from '../../../core/scheme/model/houseRules';
import { schemeDifferences, type SchemeDifference } from '../../../core/scheme/authoring/schemeDifference';
import { allModels, factorOf, modelFactors } from '../../../core/scheme/model/whoTakes';
import type { PassEstimates } from '../../../core/commission/estimate';
import type { SchemeRevision } from '../../../core/commission/revisions';
import { Button } from '../../../ui/Button/Button';
import { TextField } from '../../../ui/Field/Field';
import { Notice } from '../../../ui/Notice/Notice';
import { counted, minutesText, momentText, positionsText } from '../../../ui/format';
import { send } from '../../client/api';
import { stepCost } from '../../../core/commission/stepCosts';
import { paintedUnder } from '../step/usePainted';
import own from './Revisions.module.css';
import styles from '../View.module.css';

interface RevisionsProps {
  unit: Unit;
  paints: Paint[];
  house: HouseRules;
  estimate: PassEstimates;
  painted: ReadonlyMap<string, number[]>;
  /** The latest first. */
  initial: SchemeRevision[];
  /** Stores what is changed and not stored yet. */
  onBefore: () => Promise<unknown>;
  onChange: (scheme: Scheme) => void;
}

const WHY = { approved: 'approved by the client', 'changes wanted': 'the client wanted changes', kept: 'kept' } as const;

/** The scheme as it stood when the client said yes, or when it was kept, and what is otherwise since. */
export function Revisions({ unit, paints, house, estimate, painted, initial, onBefore, onChange }: RevisionsProps) {
  const [revisions, setRevisions] = useState(initial);
  const [note, setNote] = useState('');
  const [error, setError] = useState<string | null>(null);
  const names = new Map(paints.map((paint) => [paint.id, paint.name]));
  const sinceThen = (revision: SchemeRevision) => schemeDifferences(revision.scheme, unit.scheme, (id) => names.get(id) ?? id);
  const keep = async () => {
    await onBefore();
    const revision = await send<SchemeRevision>('POST', `/api/units/${unit.id}/revisions`, { note });
    setRevisions([revision, ...revisions]);
    setNote('');
  };
  /** Who is there today may be others than then. */
  const goBack = (scheme: Scheme) => onChange({ ...scheme, ...fitRoster(scheme, allModels(unit)) });
  const approved = revisions.find(({ why }) => why === 'approved');
  const otherwise = approved ? sinceThen(approved) : [];
  const carried = carriedOver(otherwise, unit, { house, estimate, painted });
  return (
    <>
      {approved && otherwise.length > 0 && (
        <Notice kind="flag">
          <div data-testid="since-approval">
            <p>
              Otherwise than the client approved on {momentText(Date.parse(approved.at))}: {otherwise.map(({ what }) => what).join('; ')}.
            </p>
            {carried.models.length > 0 && (
              <p>
                {counted(carried.models.length, 'model')} ({positionsText(carried.models)}){' '}
                {carried.models.length === 1 ? 'carries' : 'carry'} the old one. Bringing them along: {minutesText(carried.minutes)}.
              </p>
            )}
            <Button onClick={() => goBack(approved.scheme)}>Go back to what was approved</Button>
          </div>
        </Notice>
      )}
      <details className={styles.section} data-testid="revisions">
        <summary>Revisions: {revisions.length === 0 ? 'none kept' : revisions.length}</summary>
        <ul className={own.revisions}>
          {revisions.map((revision) => {
            const differences = sinceThen(revision);
            return (
              <li key={revision.id}>
                <strong>
                  {momentText(Date.parse(revision.at))}, {WHY[revision.why]}
                  {revision.note !== '' && `: ${revision.note}`}
                </strong>
                <span>
                  {differences.length === 0 ? ' As it is now.' : ` Since then: ${differences.map(({ what }) => what).join('; ')}.`}
                </span>
                {differences.length > 0 && (
                  <Button kind="quiet" onClick={() => goBack(revision.scheme)}>
                    Go back to it
                  </Button>
                )}
              </li>
            );
          })}
        </ul>
        <div className={own.keepRevision}>
          <TextField label="Why it is kept" value={note} maxLength={4000} onChange={setNote} />
          <Button onClick={() => void keep().catch((problem: Error) => setError(problem.message))}>Keep it as it is now</Button>
        </div>
        {error && <p role="alert">{error}</p>}
      </details>
    </>
  );
}

/** Models painted under steps that are otherwise now, and what it takes to paint those steps on them again. */
function carriedOver(
  differences: readonly SchemeDifference[],
  unit: Unit,
  { house, estimate, painted }: Pick<RevisionsProps, 'house' | 'estimate' | 'painted'>,
): { models: number[]; minutes: number } {
  const steps = new Map(differences.flatMap(({ repaint, part }) => (repaint ? [[repaint.id, { step: repaint, part }] as const] : [])));
  const factors = modelFactors(unit.scheme, house);
  const models = new Set<number>();
  let minutes = 0;
  for (const { step, part } of steps.values()) {
    const under = paintedUnder(painted, step.id);
    for (const model of under) models.add(model);
    const weight = under.reduce((sum, model) => sum + factorOf(factors, model), 0);
    minutes += stepCost(unit, step, part, estimate, house).perModel * step.coats * weight;
  }
  return { models: [...models].sort((a, b) => a - b), minutes };
}
