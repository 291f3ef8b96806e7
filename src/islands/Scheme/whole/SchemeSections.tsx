import type { Paint, Scheme, Standard, Unit } from '../../../core/scheme/model/definitions';
import type { HouseRules } from '../../../core/scheme/model/houseRules';
import type { PassEstimates } from '../../../core/commission/estimate';
import { SchoolFields } from '../../shared/SchoolFields';
import { costIfChanged } from '../../../core/commission/stepCosts';
import { SCHOOL_LABELS, type SchoolQuestion } from '../../../core/scheme/model/schools';
import { withSchool, withStrength } from '../../../core/scheme/authoring/edits';
import type { Picture } from '../../../core/commission/pictures';
import { Mixes } from './Mixes';
import { Rules } from './Rules';
import { Undercoats } from './Undercoats';
import { WhatIf } from './WhatIf';
import own from './whole.module.css';
import styles from '../View.module.css';

interface SchemeSectionsProps {
  unit: Unit;
  others: Unit[];
  standard: Standard;
  paints: Paint[];
  house: HouseRules;
  estimate: PassEstimates;
  /** Models are painted. */
  isStarted: boolean;
  onChange: (scheme: Scheme) => void;
  onNewPaint: (paint: Paint) => Promise<void>;
  pictures: Picture[];
  onBefore: () => Promise<boolean>;
  onLearned: () => void;
}

/** What is said of a scheme as a whole: its mixes, schools, undercoat, prices of other ways, and rules. */
export function SchemeSections(props: SchemeSectionsProps) {
  const { unit, others, standard, paints, house, estimate, isStarted, onChange, onNewPaint, pictures, onBefore, onLearned } = props;
  const { scheme } = unit;
  return (
    <>
      <Mixes unitId={unit.id} {...{ scheme, paints, pictures, onBefore, onLearned, onChange, onNewPaint }} />
      <details className={styles.section} data-testid="schools">
        <summary>Painting habits of this scheme: {habitsText(scheme)}</summary>
        <div className={own.schools}>
          <SchoolFields
            value={scheme.schools}
            strengths={scheme.strengths ?? {}}
            house={house}
            onChange={(question, choice) => onChange(withSchool(scheme, question, choice))}
            onStrength={(question, strength) => onChange(withStrength(scheme, question, strength))}
          />
        </div>
      </details>
      <Undercoats
        unit={unit}
        others={others}
        standard={standard}
        paints={paints}
        house={house}
        estimate={estimate}
        isStarted={isStarted}
        onChange={onChange}
      />
      <WhatIf scheme={scheme} standard={standard} minutesOf={(each, part) => costIfChanged(unit, each, part, estimate, house)} />
      <Rules unit={unit} standard={standard} paints={paints} house={house} onChange={onChange} />
    </>
  );
}

/** Where the scheme differs from House rules, in few words. */
function habitsText({ schools, strengths = {} }: Scheme): string {
  const strong = (Object.entries(strengths) as [SchoolQuestion, string][]).map(
    ([question, strength]) => `${SCHOOL_LABELS[question].toLowerCase()} ${strength}`,
  );
  return [...Object.values(schools), ...strong].join(', ') || 'as in House rules';
}
