import { useMemo, useState } from 'react';
import { underLampHex } from '../../core/colour/lamp';
import { hexOfLinear, linearOf } from '../../core/colour/linearRgb';
import { asSeenBy } from '../../core/colour/vision';
import type { ColoursPicture } from '../../contract/colours';
import { SelectField } from '../../ui/Field/Field';
import { Panel } from '../../ui/Panel/Panel';
import { percentText } from '../../ui/format';
import styles from './View.module.css';

const LIGHTS = {
  day: { label: 'by day', look: (hex: string) => hex },
  lamp: { label: 'under a lamp', look: underLampHex },
  protanopia: { label: 'by an eye that sees no red', look: (hex: string) => hexOfLinear(asSeenBy('protanopia', linearOf(hex))) },
  deuteranopia: { label: 'by an eye that sees no green', look: (hex: string) => hexOfLinear(asSeenBy('deuteranopia', linearOf(hex))) },
} as const;
type Light = keyof typeof LIGHTS;
/** So many are named; the rest is drawn. */
const NAMED = 4;

/** The units side by side as they look when they are done: their colours by share of the surface. */
export function ArmsLength({ picture: { units, seen } }: { picture: ColoursPicture }) {
  const [light, setLight] = useState<Light>('day');
  const looks = useMemo(() => {
    const hexes = new Set(seen.flatMap(({ colours }) => colours.map(({ hex }) => hex)));
    return new Map([...hexes].map((hex) => [hex, LIGHTS[light].look(hex)]));
  }, [seen, light]);
  const nameOf = (id: string) => units.find((unit) => unit.id === id)?.name ?? '';
  return (
    <Panel title="At arm’s length" className={styles.arms}>
      <span className={styles.light}>
        <SelectField
          label="Seen"
          value={light}
          options={Object.entries(LIGHTS).map(([value, { label }]) => ({ value: value as Light, label }))}
          onChange={setLight}
        />
      </span>
      <ul className={styles.lengths} data-testid="arms-length" data-light={light}>
        {seen.map(({ unitId, colours }) => (
          <li key={unitId}>
            <span>
              {nameOf(unitId)}
              <small>
                {colours
                  .slice(0, NAMED)
                  .map(({ name, share }) => `${name} ${percentText(share)}`)
                  .join(', ')}
              </small>
            </span>
            <span className={styles.length} aria-hidden="true">
              {colours.map(({ potId, hex, share }) => (
                <span key={potId} style={{ width: `${100 * share}%`, backgroundColor: looks.get(hex) }} />
              ))}
            </span>
          </li>
        ))}
      </ul>
      <p className={styles.quiet}>
        What only tints, as a wash, is left out. Screens and lamps differ: look at the models in the light they are shown in.
      </p>
    </Panel>
  );
}
