import { coatKey } from '../../core/kernel/ids';
import { ulid } from 'ulid';
import { allSteps } from '../../core/scheme/model/allSteps';
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
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
import {
  addPart,
  addStep,
  addUsualGround,
  broughtBack,
  movePart,
  isOut,
  moveStep,
  newStep,
  putBack,
  removePart,
  removeStep,
  changePart,
  duplicatePart,
  duplicateStep,
  pasteStep,
  changeStep,
  type StripId,
  withLevel,
} from '../../core/scheme/authoring/edits';
import { NewPart } from './strips/NewPart';
import { PartEditor } from './step/PartEditor';
import { Revisions } from './whole/Revisions';
import { Removed } from './whole/Removed';
import { Roster } from './roster/Roster';
import { SchemeDrag } from './strips/SchemeDrag';
import { SchemeSections } from './whole/SchemeSections';
import { SchemeFiles } from './begin/SchemeFiles';
import { Starters } from './begin/Starters';
import { StepEditor } from './step/StepEditor';
import { StopLines } from './step/Stops';
import { Strip } from './strips/Strip';
import { Levels } from './whole/Levels';
import { Linked, type Linking } from './whole/Linked';
import { markEffect } from './step/markEffect';
import { paintedOn } from './step/paintedOn';
import { stripOf } from './step/stripOf';
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

const EDITOR = 'step-editor';
const CHOSEN = '[data-part] button[aria-pressed="true"]';
const focusOn = (css: string) => document.querySelector<HTMLElement>(css)?.focus();

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
  const strip = selected && (selected.strip === null ? scheme.allOver : scheme.parts.find((part) => part.id === selected.strip)?.steps);
  const step = strip?.find((each) => each.id === selected?.step) ?? null;

  const stepPart = scheme.parts.find((part) => part.id === selected?.strip) ?? null;
  const partInHand = scheme.parts.find((part) => part.id === selectedPart) ?? null;
  const bringBack = (spoiled: Step, at: StripId) => {
    const added = broughtBack(ulid, spoiled);
    change(addStep(scheme, at, added));
    setSelected({ strip: at, step: added.id });
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

  const stripProps = (id: StripId) => ({
    id,
    unit: shownUnit,
    standard,
    paints,
    estimate,
    house,
    part: scheme.parts.find((part) => part.id === id) ?? null,
    warned: warnings.spoiled,
    selected: step?.id ?? null,
    onSelect: (stepId: string) => {
      setSelectedPart(null);
      // Chosen once more, the step is gone on with in the editor: by keyboard it is a long way off.
      if (step?.id === stepId) focusOn(`#${EDITOR} select`);
      setSelected({ strip: id, step: stepId });
    },
    onMove: (stepId: string, by: number) => change(moveStep(scheme, id, stepId, by)),
    onAdd: () => {
      const added = newStep(ulid, id === null ? 'wash' : 'layer', null, id === null, scheme.parts.find((part) => part.id === id) ?? null);
      change(addStep(scheme, id, added));
      setSelected({ strip: id, step: added.id });
    },
  });

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
          {scheme.parts.length > 0 && <p className={styles.depth}>Deepest part first. Minutes: one model, then the whole unit.</p>}
          <SortableContext items={scheme.parts.map((part) => `part ${part.id}`)} strategy={verticalListSortingStrategy}>
            {scheme.parts.map((part) => (
              <Strip
                key={part.id}
                name={part.name}
                steps={part.steps}
                {...stripProps(part.id)}
                onRename={(name) => change(changePart(scheme, part.id, { name }))}
                onSelectPart={() => {
                  setSelected(null);
                  setSelectedPart(part.id);
                }}
                onMovePart={(by) => change(movePart(scheme, part.id, by))}
                painted={part.steps.some((each) => paintedOf(each).length > 0)}
                onRemovePart={() => takeOut({ kind: 'part', part }, removePart(scheme, part.id))}
              />
            ))}
          </SortableContext>
          {scheme.parts.length > 0 && <p className={styles.depth}>The outermost part.</p>}
          <NewPart
            paints={paints}
            isFirst={scheme.parts.length === 0}
            onNewPaint={onNewPaint}
            onAdd={(name, paintId) => change(addPart(ulid, scheme, name, paintId))}
          />
          {!isEmpty && typed}
          {scheme.allOver.length > 0 && <Strip name="Over everything" steps={scheme.allOver} {...stripProps(null)} />}
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
        <div id={EDITOR} className={styles.editorHolder} onKeyDown={(event) => event.key === 'Escape' && focusOn(CHOSEN)}>
          {partInHand ? (
            <PartEditor
              part={partInHand}
              scheme={scheme}
              unitId={unit.id}
              pictures={pictures}
              onBefore={saved.retry}
              onDuplicate={() => change(duplicatePart(ulid, scheme, partInHand))}
              onChange={(part) => change(changePart(scheme, partInHand.id, part))}
            />
          ) : (
            <StepEditor
              key={step?.id ?? 'none'}
              unit={shownUnit}
              step={step}
              part={stepPart}
              spoiled={step ? warnings.by(step.id, estimate) : null}
              keepClear={step ? (warnings.keepClear.get(step.id) ?? []) : []}
              onBringBack={() => step && selected && bringBack(step, selected.strip)}
              standard={standard}
              paints={paints}
              house={house}
              estimate={estimate}
              onNewPaint={onNewPaint}
              painted={paintedNow}
              isMarked={(coat) => paintedNow.some((each) => (painted.get(coatKey(each.step, coat)) ?? []).length > 0)}
              pictures={references}
              onScheme={change}
              onStops={(stops) => change({ ...scheme, stops })}
              onDuplicate={() => {
                if (!step || !selected) return;
                const copied = duplicateStep(ulid, scheme, selected.strip, step);
                change(copied.scheme);
                setSelected({ strip: selected.strip, step: copied.step.id });
              }}
              onPaste={(to) => step && change(pasteStep(ulid, scheme, step, stepPart, to))}
              onChange={(part, said) =>
                selected &&
                step &&
                change(changeStep(scheme, selected.strip, selected.step, part), said && markEffect(paintedNow, said, onMarked))
              }
              onRemove={() =>
                selected &&
                step &&
                takeOut({ kind: 'step', step, partId: selected.strip }, removeStep(scheme, selected.strip, selected.step))
              }
            />
          )}
        </div>
      </div>
    </SchemeDrag>
  );
}
