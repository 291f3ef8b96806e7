import type { Bench } from '../taps/useBench';
import type { Questions } from '../taps/useAsking';
import { Decide } from './Decide';
import { MissPicker } from './MissPicker';
import { NoteLine } from './NoteLine';
import { SheetEntry } from './SheetEntry';
import { TouchUpPicker } from './TouchUpPicker';

/** The panel of what is asked, above the button; each answer hands the focus back to the button. */
export function Asked({ bench, questions }: { bench: Bench; questions: Questions }) {
  const { actions } = bench;
  const { asking, choices, canDecide, back, miss, touchUp, forgetMissed } = questions;
  const cancel = back(() => undefined);
  switch (asking?.kind) {
    case 'miss':
      return (
        <MissPicker
          key={asking.start?.passKey}
          bench={bench}
          choices={choices}
          start={asking.start}
          onMiss={(pass, models, note) =>
            back(() => {
              miss(pass, models, note);
              if (asking.start) forgetMissed();
            })()
          }
          onCancel={cancel}
        />
      );
    case 'touch-up':
      return (
        <TouchUpPicker
          bench={bench}
          onPick={(place) => back(() => touchUp(place))()}
          onTouchUp={(...place) => back(() => actions.touchUpAnywhere(...place))()}
          onCancel={cancel}
        />
      );
    case 'decide':
      return canDecide ? (
        <Decide
          bench={bench}
          decisions={bench.decisions}
          onDecide={(decision) => back(() => actions.decide(decision))()}
          onTakeBack={(without, models) => back(() => actions.takeBack(without, models))()}
          onPot={(pot, note) => back(() => actions.takePot(bench.pass!, pot, note))()}
          onTry={(pot, models) => back(() => actions.tryPot(bench.pass!, pot, models))()}
          onSettle={(verdict) => back(() => actions.settleTrial(bench.pass!, verdict))()}
          onCancel={cancel}
        />
      ) : null;
    case 'note':
      return <NoteLine onNote={(text) => back(() => actions.note(text))()} onCancel={cancel} />;
    case 'sheet':
      return (
        <SheetEntry
          bench={bench}
          onTick={(ticked, models, minutes) => back(() => actions.tickOff(ticked, models, minutes))()}
          onTickStage={(stage, minutes) => back(() => actions.tickStage(stage, minutes))()}
          onCancel={cancel}
        />
      );
    case undefined:
      return null;
  }
}
