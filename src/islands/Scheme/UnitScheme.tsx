import { ulid } from 'ulid';
import { allSteps } from '../../core/scheme/model/allSteps';
import { useEffect, useMemo, useState } from 'react';
import { modelsOf, type Paint, type Scheme, type Standard, type Step } from '../../core/scheme/model/definitions';
import type { HouseRules } from '../../core/scheme/model/houseRules';
import type { PassEstimates } from '../../core/commission/estimate';
import type { SchemeRevision } from '../../core/commission/revisions';
import type { RemovedPiece } from '../../core/scheme/model/removedPiece';
import type { StoredUnit } from '../../core/commission/definitions';
import { Button } from '../../ui/Button/Button';
import { PlainPictures } from '../shared/PictureStrip';
import { SaveState } from '../shared/SaveState';
import { picturesAt, type Pictures } from '../client/usePictures';
import { useSaved } from '../client/useSaved';
import { stopLines } from '../../core/commission/stepCosts';
import { addPart, addUsualGround, isOut, putBack, withLevel } from '../../core/scheme/authoring/edits';
import { NewPart } from './strips/NewPart';
import { Revisions } from './whole/Revisions';
import { Removed } from './whole/Removed';
import { Roster } from './roster/Roster';
import { SchemeDrag } from './strips/SchemeDrag';
import { SchemeSections } from './whole/SchemeSections';
import { SchemeFiles } from './begin/SchemeFiles';
import { Starters } from './begin/Starters';
import { InHand } from './step/InHand';
import { StopLines } from './step/Stops';
import { OverEverything, PartStrips } from './strips/Strips';
import { Levels } from './whole/Levels';
import { Linked, type Linking } from './whole/Linked';
import { paintedOn } from './step/paintedOn';
import { stripOf, type InStrip } from './step/stripOf';
import { TypedLines } from './typed/TypedLines';
import { UsedAgain } from './begin/UsedAgain';
import { useWarnings } from './whole/useWarnings';
import styles from './View.module.css';

interface UnitSchemeProps {
  unit: StoredUnit;
  /** Of the same commission. */
  others: StoredUnit[];
  /** It is in hand from the start, where it is of this unit. */
  wantedStep: string | null;
  onLink: (linking: Linking) => Promise<void>;
  /** The next unit that has no scheme yet; null where all others have one. */
  next: { name: string; onShow: () => void } | null;
  /** Is given what stores the changes of the scheme that is shown; false where it could not. */
  onStoring: (store: () => Promise<boolean>) => void;
  standard: Standard;
  paints: Paint[];
  house: HouseRules;
  estimate: PassEstimates;
  pictures: Pictures;
  onSave: (scheme: Scheme) => Promise<void>;
  onNewPaint: (paint: Paint) => Promise<void>;
  /** The strengths of paints were learned anew. */
  onLearned: () => void;
  /** Models painted under each pass. */
  painted: ReadonlyMap<string, number[]>;
  /** Something was said of what is painted. */
  onMarked: () => void;
  /** Taken out of this scheme before. */
  removed: RemovedPiece[];
  revisions: SchemeRevision[];
}

/** The scheme of one unit: strips from the deepest part to the outermost, and beside them the step in hand. */
export function UnitScheme({
  unit,
  others,
  wantedStep,
  onLink,
  next,
  onStoring,
  standard,
  paints,
  house,
  estimate,
  pictures,
  onSave,
  onNewPaint,
  onLearned,
  painted,
  onMarked,
  removed,
  revisions,
}: UnitSchemeProps) {
  const saved = useSaved<Scheme>({ initial: unit.scheme, save: onSave });
  const { value: scheme, change, retry } = saved;
  useEffect(() => {
    onStoring(retry);
  }, [onStoring, retry]);
  const [out, setOut] = useState(() => removed.map(({ piece }) => piece));
  const [selected, setSelected] = useState(() => stripOf(unit.scheme, wantedStep));
  const [selectedPart, setSelectedPart] = useState<string | null>(null);
  const shownUnit = useMemo(() => ({ ...unit, scheme }), [unit, scheme]);
  const stops = stopLines(shownUnit, standard, paints, estimate, house);
  const warnings = useWarnings(shownUnit, standard, paints, house);
  const steps = selected && (selected.strip === null ? scheme.allOver : scheme.parts.find((part) => part.id === selected.strip)?.steps);
  const step = steps?.find((each) => each.id === selected?.step) ?? null;

  const partInHand = scheme.parts.find((part) => part.id === selectedPart) ?? null;
  const takeUp = (chosen: InStrip) => {
    setSelectedPart(null);
    setSelected(chosen);
  };

  const references = pictures.all.filter((each) => each.removedAt === null && each.kind === 'reference' && each.unitId === unit.id);
  const withSchemes = others.filter((each) => each.scheme.parts.length > 0);
  const linked = others.filter((each) => unit.linked !== null && each.linked === unit.linked);
  const paintedOf = (each: Step) => paintedOn(painted, each, [unit, ...linked]);
  const paintedNow = step ? paintedOf(step) : [];
  const isStarted = allSteps(scheme).some((each) => paintedOf(each).length > 0);
  const takeOut = (piece: RemovedPiece['piece'], next: Scheme) => {
    setOut((all) => [piece, ...all]);
    change(next);
  };

  const strip = {
    unit: shownUnit,
    standard,
    paints,
    house,
    estimate,
    warned: warnings.spoiled,
    selected: step?.id ?? null,
    onSelect: takeUp,
    onChange: change,
  };

  const isEmpty = scheme.parts.length === 0 && scheme.allOver.length === 0;
  // The first thing on an empty scheme, behind its parts afterwards: one field all the while, with what is typed in it.
  const typed = (
    <TypedLines
      key="typed"
      scheme={scheme}
      paints={paints}
      techniques={house.techniques}
      isFirst={isEmpty}
      next={next}
      onNewPaint={onNewPaint}
      onChange={change}
    />
  );

  return (
    <SchemeDrag scheme={scheme} onChange={change}>
      <div className={styles.scheme} id="scheme" role="tabpanel" aria-label={`Scheme of ${unit.name}`}>
        <div className={styles.strips}>
          <div className={styles.bar}>
            <StopLines {...stops} standard={standard} />
            <SaveState saved={saved} />
          </div>
          {isEmpty && typed}
          {isEmpty && <Starters unit={shownUnit} paints={paints} onNewPaint={onNewPaint} onStart={change} />}
          <PlainPictures pictures={picturesAt(pictures, { unitId: unit.id, partId: null, kind: 'reference' })} />
          <Revisions
            unit={shownUnit}
            paints={paints}
            house={house}
            estimate={estimate}
            painted={painted}
            initial={revisions}
            onBefore={saved.retry}
            onChange={change}
          />
          <Levels
            level={scheme.level ?? null}
            models={modelsOf(shownUnit)}
            lines={stops.lines}
            house={house}
            onChange={(level) => change(withLevel(scheme, level))}
          />
          <Linked unit={shownUnit} others={others} onLink={onLink} />
          <Roster unit={shownUnit} scheme={scheme} standard={standard} onChange={change} />
          <PartStrips
            {...strip}
            isPainted={(each) => paintedOf(each).length > 0}
            onSelectPart={(part) => {
              setSelected(null);
              setSelectedPart(part);
            }}
            onTakeOut={takeOut}
          />
          <NewPart
            paints={paints}
            isFirst={scheme.parts.length === 0}
            onNewPaint={onNewPaint}
            onAdd={(name, paintId) => change(addPart(ulid, scheme, name, paintId))}
          />
          {!isEmpty && typed}
          <OverEverything {...strip} />
          <SchemeSections
            unit={shownUnit}
            others={withSchemes}
            standard={standard}
            paints={paints}
            house={house}
            estimate={estimate}
            isStarted={isStarted}
            onChange={change}
            onNewPaint={onNewPaint}
            pictures={references}
            onBefore={saved.retry}
            onLearned={onLearned}
          />
          <Removed pieces={out.filter((piece) => isOut(scheme, piece))} onPutBack={(piece) => change(putBack(scheme, piece))} />
          <div className={styles.starts}>
            <SchemeFiles
              unit={shownUnit}
              standard={standard}
              paints={paints}
              isStarted={isStarted}
              onNewPaint={onNewPaint}
              onOpen={change}
            />
            {scheme.allOver.length === 0 && (
              <Button onClick={() => change(addUsualGround(ulid, scheme))}>Add primer, wash, rim and varnish</Button>
            )}
            <UsedAgain
              unit={shownUnit}
              others={withSchemes}
              shelf={paints}
              isStarted={isStarted}
              onNewPaint={onNewPaint}
              onChange={change}
              onBefore={saved.retry}
            />
          </div>
        </div>
        <InHand
          unit={shownUnit}
          selected={step && selected}
          step={step}
          partInHand={partInHand}
          warnings={warnings}
          painted={painted}
          paintedNow={paintedNow}
          onSelect={takeUp}
          onTakeOut={takeOut}
          {...{ standard, paints, house, estimate, pictures, references, onNewPaint, onMarked }}
          onBefore={saved.retry}
          onChange={change}
        />
      </div>
    </SchemeDrag>
  );
}
