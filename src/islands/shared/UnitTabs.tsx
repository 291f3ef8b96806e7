import styles from './UnitTabs.module.css';

interface UnitTabsProps {
  units: { id: string; name: string; detail: string }[];
  shown: string;
  onShow: (id: string) => void;
  /** Id of what a tab shows. */
  controls: string;
}

/** One tab for each unit of a commission. */
export function UnitTabs({ units, shown, onShow, controls }: UnitTabsProps) {
  return (
    <div className={styles.units} role="tablist" aria-label="Units">
      {units.map(({ id, name, detail }) => (
        <button
          key={id}
          type="button"
          role="tab"
          aria-selected={id === shown}
          aria-controls={controls}
          className={styles.unit}
          onClick={() => onShow(id)}
        >
          <strong>{name}</strong>
          <small>{detail}</small>
        </button>
      ))}
    </div>
  );
}

/** Which unit is shown stands in the address, so that a reload and a link keep it. */
export const keepInAddress = (unitId: string): void => window.history.replaceState(null, '', `?unit=${encodeURIComponent(unitId)}`);
