import { includesStandard, type Level, type Standard } from '../scheme/model/definitions';

/** What a unit comes to if every model is painted for so long. */
export interface LevelCost {
  level: Level;
  /** Of all models. */
  unitMinutes: number;
  /** At the painter's rate, in minor units. */
  priceMinor: number;
  /** The highest standard whose steps fit into the minutes as they are planned; null where not even the lowest does. */
  holds: Standard | null;
}

/**
 * Every level for a unit: "at 90 minutes this squad is 45 hours". `planned` is what the unit takes at each standard as it is planned, in
 * minutes of all its models.
 *
 * @example levelCosts([{ name: 'Show', minutes: 90 }], 30, [], 2400)[0].unitMinutes // 2700
 */
export function levelCosts(
  levels: readonly Level[],
  models: number,
  planned: readonly { standard: Standard; minutes: number }[],
  hourlyRateMinor: number,
): LevelCost[] {
  return levels
    .map((level): LevelCost => {
      const unitMinutes = level.minutes * models;
      const fitting = planned.filter(({ minutes }) => minutes <= unitMinutes).map(({ standard }) => standard);
      return {
        level,
        unitMinutes,
        priceMinor: Math.round((unitMinutes / 60) * hourlyRateMinor),
        holds: fitting.reduce<Standard | null>((best, each) => (best === null || includesStandard(each, best) ? each : best), null),
      };
    })
    .sort((a, b) => a.level.minutes - b.level.minutes);
}
