import { useEffect, useRef, useState } from 'react';
import { differenceOf, labOf } from '../../../core/colour/difference';
import { toldApart } from '../../../core/paint/closeEnough';
import type { Paint } from '../../../core/scheme/model/definitions';
import type { PaintTrace } from '../../../contract/paintTrace';
import { Button } from '../../../ui/Button/Button';
import { NumberField } from '../../../ui/Field/NumberField';
import { SelectField } from '../../../ui/Field/Field';
import { Working } from '../../../ui/Working/Working';
import { counted, plain } from '../../../ui/format';
import { send } from '../../client/api';
import type { Bench } from '../taps/useBench';
import styles from './said.module.css';

interface OtherPotProps {
  bench: Bench;
  /** What the job takes now. */
  paintId: string;
  /** Another for the models that are not painted yet, with what was said of those that are; empty where nothing was. */
  onPot: (pot: string, note: string) => void;
  /** These models try it first. */
  onTry: (pot: string, models: number[]) => void;
}

/** So many are enough to see it. */
const TRIED_ON = 2;

/** Another pot for the rest. Where models carry the one in hand, it is asked whether they stand side by side with those. */
export function OtherPot({ bench, paintId, onPot, onTry }: OtherPotProps) {
  const [pot, setPot] = useState(paintId);
  const [few, setFew] = useState(TRIED_ON);
  const [asked, setAsked] = useState<'looking' | 'place' | 'anyway' | null>(null);
  const question = useRef<HTMLParagraphElement>(null);
  // The button that asked is gone: the focus goes to what was asked.
  useEffect(() => {
    question.current?.focus();
  }, [asked]);
  const { looked, carriers } = useCarriers(paintId);
  /** What was pressed for, while it is being looked up. */
  const wanted = useRef<string | null>(null);
  useEffect(() => () => void (wanted.current = null), []);
  const open = bench.view.readiness.openModels(bench.job!);
  const pots = nearestFirst(bench.paints.get(paintId) ?? null, [...bench.paints.values()]);
  const chosen = pots.find((each) => each.pot.id === pot);
  const nameOf = (id: string) => bench.paints.get(id)?.name ?? 'another paint';
  const apart = chosen?.away == null ? 'always' : toldApart(chosen.away);
  const by = chosen?.away == null ? '' : ` (${plain(chosen.away, 1)} apart)`;
  const take = async () => {
    wanted.current = pot;
    setAsked('looking');
    const found = await looked();
    if (wanted.current !== pot) return;
    if (found.length > 0 && apart !== 'never') return setAsked(apart === 'always' ? 'anyway' : 'place');
    setAsked(null);
    onPot(pot, '');
  };
  return (
    <>
      <SelectField
        label="Paint for those not done yet"
        value={pot}
        options={pots.map(({ pot: { id, name }, away }) => ({
          value: id,
          label: away === null ? name : `${name}, ${plain(away, 1)} away`,
        }))}
        onChange={(next) => {
          setPot(next);
          wanted.current = null;
          setAsked(null);
        }}
      />
      {asked === null && (
        <Button disabled={pot === paintId} onClick={() => void take()}>
          Take this paint
        </Button>
      )}
      {asked === null && open.length > 1 && bench.pass!.trial === null && (
        <>
          <NumberField
            label="Try it first on"
            unit={few === 1 ? 'model' : 'models'}
            live
            whole
            min={1}
            max={open.length - 1}
            value={Math.min(few, open.length - 1)}
            onChange={(next) => next !== null && setFew(next)}
          />
          <Button disabled={pot === paintId} onClick={() => onTry(pot, open.slice(0, Math.min(few, open.length - 1)))}>
            Try it
          </Button>
        </>
      )}
      {asked === 'looking' && <Working label={`Looking up which models carry ${nameOf(paintId)} …`} />}
      {(asked === 'place' || asked === 'anyway') && (
        <p ref={question} tabIndex={-1} className={styles.sideBySide} role="status" data-testid="side-by-side">
          {nameOf(paintId)} is on {carriers.join(' and ')}
          {by}.{' '}
          {asked === 'place'
            ? 'Will these models stand side by side with them?'
            : apart === 'always'
              ? 'The difference is seen even where they stand apart.'
              : 'Side by side the difference is seen: choose a nearer paint, or paint those again too.'}
        </p>
      )}
      {asked === 'place' && (
        <>
          <Button onClick={() => setAsked('anyway')}>Side by side</Button>
          <Button onClick={() => onPot(pot, `${nameOf(pot)} in place of ${nameOf(paintId)}; stands apart from ${carriers.join(' and ')}`)}>
            They stand apart
          </Button>
        </>
      )}
      {asked === 'anyway' && (
        <Button onClick={() => onPot(pot, `${nameOf(pot)} in place of ${nameOf(paintId)}, beside ${carriers.join(' and ')}`)}>
          Use it anyway
        </Button>
      )}
    </>
  );
}

/** Who carries a paint: looked up at once, waited for by who has to know, and shown once it is known. */
function useCarriers(paintId: string): { looked: () => Promise<string[]>; carriers: string[] } {
  const [carriers, setCarriers] = useState<string[]>([]);
  const looking = useRef(Promise.resolve<string[]>([]));
  useEffect(() => {
    // Without an answer from the server nobody knows who carries it: the painter is not held up by that.
    const asked = send<PaintTrace[]>('GET', `/api/paints/${paintId}/models`).then(carriersOf, () => []);
    looking.current = asked;
    void asked.then((found) => looking.current === asked && setCarriers(found));
  }, [paintId]);
  return { looked: () => looking.current, carriers };
}

/** Who carries a paint, each unit once. */
function carriersOf(traces: readonly PaintTrace[]): string[] {
  const models = new Map<string, Set<number>>();
  for (const { unit, models: its } of traces) models.set(unit, new Set([...(models.get(unit) ?? []), ...its]));
  return [...models].map(([unit, its]) => `${counted(its.size, 'model')} of ${unit}`);
}

/** Two that are infinitely far are as far as each other. */
const compared = (a: number, b: number): number => (a === b ? 0 : a - b);

/** Paints of the same kind by how near they are to the one in hand, which comes first; then all others by name. */
function nearestFirst(inHand: Paint | null, pots: Paint[]): { pot: Paint; away: number | null }[] {
  const lab = inHand && labOf(inHand.hex);
  return pots
    .map((pot) => ({ pot, away: lab && pot.kind === inHand!.kind && pot.id !== inHand!.id ? differenceOf(lab, labOf(pot.hex)) : null }))
    .toSorted((a, b) => {
      const rank = ({ pot, away }: typeof a) => (pot.id === inHand?.id ? -1 : (away ?? Infinity));
      return compared(rank(a), rank(b)) || (a.pot.name < b.pot.name ? -1 : 1);
    });
}
