import { useMemo, useState } from 'react';
import type { BoardRow } from '../../core/paint/colourBoard';
import type { ColoursPicture, SharingPicture } from '../../contract/colours';
import { LinkButton } from '../../ui/Button/Button';
import { Notice } from '../../ui/Notice/Notice';
import { counted, minutesText } from '../../ui/format';
import { usePicture } from '../client/usePicture';
import { ArmsLength } from './ArmsLength';
import { Board } from './Board';
import { ContrastList } from './ContrastList';
import { MarksAndRamps } from './MarksAndRamps';
import { PotDetails } from './PotDetails';
import { TwinsList } from './TwinsList';
import { Working } from '../../ui/Working/Working';
import styles from './View.module.css';

export function ColoursView() {
  const { picture, error, reload } = usePicture<ColoursPicture>('/api/colours');
  if (picture !== undefined) return <Colours picture={picture} reload={reload} />;
  if (error === null)
    return (
      <p role="status">
        <Working label="Opening the colours …" />
      </p>
    );
  return (
    <Notice kind="flag" role="alert">
      {error}
    </Notice>
  );
}

function Colours({ picture, reload }: { picture: ColoursPicture; reload: () => void }) {
  const [selected, setSelected] = useState<string | null>(null);
  const { picture: sharing, reload: planAgain } = usePicture<SharingPicture | null>('/api/colours/sharing');
  const openings = useMemo(() => new Map(sharing?.openings.map(([id, together, apart]) => [id, { together, apart }])), [sharing]);
  if (picture.rows.length === 0)
    return (
      <Notice>
        <p>No open unit takes a paint yet. Give the units a scheme first.</p>
        <LinkButton kind="main" href="/">
          To the commissions
        </LinkButton>
      </Notice>
    );
  const row = picture.rows.find(({ paint }) => paint.id === selected) ?? picture.rows.find(({ left }) => left > 0) ?? picture.rows[0]!;
  const changed = () => {
    reload();
    planAgain();
  };
  return (
    <div className={styles.view}>
      <p role="status" data-testid="sharing">
        {sharingText(sharing, picture.rows)}
      </p>
      <div className={styles.main}>
        <Board picture={picture} selected={row.paint.id} onSelect={setSelected} openings={openings} />
        <PotDetails key={row.paint.id} row={row} units={picture.units} opened={openings.get(row.paint.id) ?? null} />
      </div>
      <div className={styles.below}>
        <TwinsList picture={picture} onChanged={changed} />
        <ContrastList picture={picture} />
        <MarksAndRamps picture={picture} />
        <ArmsLength picture={picture} />
      </div>
    </div>
  );
}

/** What sharing saves over all open work, by two plans. */
function sharingText(sharing: SharingPicture | null | undefined, rows: readonly BoardRow[]): string {
  const paints = counted(rows.length, 'paint or mix', 'paints and mixes');
  if (sharing === undefined) return `${paints} in the open work; planning it together and unit by unit …`;
  if (sharing === null) return `${paints} in the open work; nothing is left to paint.`;
  const { together, apart } = sharing;
  return `${paints} in the open work: ${counted(together.legs, 'leg')} when all is painted together, ${apart.legs} unit by unit. Sharing saves ${minutesText(Math.max(0, apart.bench - together.bench))} of set-ups and waiting, of ${minutesText(apart.bench)} at the bench.`;
}
