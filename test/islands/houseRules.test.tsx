import { expect } from 'chai';
import { renderToStaticMarkup } from 'react-dom/server';
import { DEFAULT_HOUSE_RULES } from '../../src/core/scheme/model/houseRules';
import { learnSetups } from '../../src/core/time/learn/setupTimes';
import type { StrayEstimates } from '../../src/core/time/learn/strayFactors';
import { OpenedHouseRules } from '../../src/islands/HouseRules/View';

describe('House rules on screen', () => {
  const shown = (measured: Parameters<typeof learnSetups>[0], leaders = { power: 0, stretches: 0 }, strays: StrayEstimates = {}) =>
    renderToStaticMarkup(
      <OpenedHouseRules
        rules={DEFAULT_HOUSE_RULES}
        revision={1}
        setups={learnSetups(measured, new Map(), DEFAULT_HOUSE_RULES)}
        leaders={leaders}
        strays={strays}
      />,
    ).replace(/<[^>]*>/g, ' ');

  it('say what changes of setup really take, and from how many', () => {
    expect(shown([])).to.match(/As soon as changes are logged/);
    const changes = Array.from({ length: 20 }, () => ({ from: 'basecoat|-', to: 'edge|-', isFetched: false, minutes: 1.5 }));
    expect(shown(changes)).to.match(/Changing the brush or the technique: +1\.\d min *, from 20 changes and your 0\.5 min/);
  });

  it('say what leaders really take, once there were some', () => {
    expect(shown([])).to.not.match(/a leader takes/);
    expect(shown([], { power: 0.5, stretches: 3 })).to.match(/a leader takes +×2\.02 *, from 3 rows with leaders and your ×1\.6/);
  });

  it('say how far work strays, once touch-ups have taught it', () => {
    expect(shown([])).to.match(/is assumed until touch-ups are logged/);
    const learned = { drybrush: { factor: 0.7, repairs: 12 }, wash: { factor: 1.02, repairs: 1 } };
    const text = shown([], undefined, learned);
    expect(text).to.match(/Dry brush: +×0\.7 +of what is assumed, from 12 touch-ups/);
    // What is as assumed is not told.
    expect(text).to.not.match(/Wash: +×/);
  });
});
