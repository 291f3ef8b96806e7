import { useState } from 'react';
import { unreturned, modelsIn } from '../../core/finish/packing';
import { needsAnswer } from '../../core/finish/answers';
import { isFinished } from '../../core/finish/inspection';
import type { FinishPicture } from '../../contract/finish';
import { LinkButton } from '../../ui/Button/Button';
import { Notice } from '../../ui/Notice/Notice';
import { counted } from '../../ui/format';
import { programNow } from '../client/clock';
import { useNow } from '../shared/useNow';
import { Opened } from '../shared/Opened';
import { SaveState } from '../shared/SaveState';
import { Cure } from './cure/Cure';
import { HandOver } from './handOver/HandOver';
import { Delivered } from './handOver/Delivered';
import { Inspect } from './inspect/Inspect';
import { Pack } from './pack/Pack';
import { packAtOf } from './cure/readiness';
import { useFinish, type Finish } from './useFinish';
import styles from './View.module.css';

/** Paint dries and varnish cures while the view is open. */
const TICK_MS = 5000;
const SECTIONS = ['inspect', 'varnish', 'pack', 'hand-over'] as const;
type Section = (typeof SECTIONS)[number];

const NAMES = {
  inspect: 'Inspect',
  varnish: 'Varnish and cure',
  pack: 'Pack',
  'hand-over': 'Hand over',
} as const satisfies Record<Section, string>;

export function FinishView({ commissionId }: { commissionId: string }) {
  return (
    <Opened<FinishPicture> url={`/api/commissions/${commissionId}/finish`} what="the end of the commission">
      {(picture, reload) => <OpenedFinish picture={picture} reload={reload} />}
    </Opened>
  );
}

const sectionInAddress = (): Section => SECTIONS.find((section) => `#${section}` === window.location.hash) ?? 'inspect';

function OpenedFinish({ picture, reload }: { picture: FinishPicture; reload: () => void }) {
  const now = useNow(picture.now, TICK_MS, programNow);
  const finish = useFinish(picture, reload, now);
  const [shown, setShown] = useState<Section>(sectionInAddress);
  const { commission, units } = picture;
  if (commission.closedAt !== null) return <Delivered picture={picture} />;
  if (units.length === 0)
    return (
      <Notice>
        <p>No units yet. There is nothing to inspect or pack.</p>
        <LinkButton kind="main" href={`/c/${commission.id}/intake`}>
          Enter the units first
        </LinkButton>
      </Notice>
    );
  const show = (section: Section) => {
    setShown(section);
    window.history.replaceState(null, '', `#${section}`);
  };
  return (
    <div className={styles.view}>
      <div className={styles.head}>
        <div className={styles.sections} role="tablist" aria-label="The end of the work">
          {SECTIONS.map((section) => (
            <button
              key={section}
              type="button"
              role="tab"
              aria-selected={section === shown}
              aria-controls="section"
              className={styles.section}
              onClick={() => show(section)}
            >
              <strong>{NAMES[section]}</strong>
              <small data-testid={`about-${section}`}>{aboutOf(finish, section)}</small>
            </button>
          ))}
        </div>
        <SaveState saved={finish.saved} />
      </div>
      {picture.lostPaints.length > 0 && (
        <Notice kind="flag">
          Paints of its schemes that cannot be had as before: {picture.lostPaints.join('; ')}. See <a href="/shelf">Shelf</a> for the
          nearest.
        </Notice>
      )}
      <div id="section" role="tabpanel" aria-label={NAMES[shown]} className={styles.panel}>
        {shown === 'inspect' && <Inspect finish={finish} />}
        {shown === 'varnish' && <Cure finish={finish} />}
        {shown === 'pack' && <Pack finish={finish} />}
        {shown === 'hand-over' && <HandOver finish={finish} />}
      </div>
    </div>
  );
}

/** What is to be done there, in a few words. */
function aboutOf(finish: Finish, section: Section): string {
  const models = finish.inspections.flatMap((unit) => unit.models);
  switch (section) {
    case 'inspect': {
      const seen = models.filter((model) => isFinished(model) && model.inspected.end !== undefined).length;
      return finish.round.spots > 0 ? counted(finish.round.spots, 'spot to mend', 'spots to mend') : `${seen} of ${models.length} passed`;
    }
    case 'varnish': {
      const at = packAtOf(finish);
      if (at === null) return finish.round.spots > 0 && !finish.picture.isOpen ? 'not all mended' : 'not all painted';
      return at <= finish.now ? 'cured' : 'curing';
    }
    case 'pack': {
      const packed = finish.finishing.boxes.reduce((sum, box) => sum + modelsIn(box), 0);
      const back = unreturned(finish.finishing.returns);
      return `${packed} of ${counted(models.length, 'model')} packed${back > 0 ? `, ${back} to give back` : ''}`;
    }
    case 'hand-over': {
      const open = finish.undone.filter((each) => needsAnswer(each, finish.finishing.answers)).length;
      return open === 0 ? 'nothing open' : `${counted(open, 'thing')} to answer`;
    }
  }
}
