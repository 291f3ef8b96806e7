import { ulid } from 'ulid';
import { HIGHLIGHT_DIFFERENCE, isFaint } from '../../../core/paint/contrast';
import { highlightThatShows } from '../../../core/paint/highlightThatShows';
import { addMix } from '../../../core/paint/mixEdits';
import type { Mix, Paint, Part, Scheme, Step } from '../../../core/scheme/model/definitions';
import { Button } from '../../../ui/Button/Button';
import { Notice } from '../../../ui/Notice/Notice';
import { counted, plain } from '../../../ui/format';
import { mixer } from '../../client/mixer';
import { potOf } from '../step/PaintPicker';

interface FaintHighlightProps {
  step: Step;
  part: Part;
  scheme: Scheme;
  paints: Paint[];
  /** Takes a mix in place of what the step has. */
  onMix: (mix: Mix) => void;
}

/** Says where a highlight hardly shows on its base, and the mix that would. */
export function FaintHighlight({ step, part, scheme, paints, onMix }: FaintHighlightProps) {
  const faint = isFaint(part, step, (each) => potOf(each, paints, scheme.mixes));
  if (!faint) return null;
  const { base, over, difference } = faint;
  const showing = highlightThatShows(base, over, paints, HIGHLIGHT_DIFFERENCE, mixer);
  const named = new Map([...paints, over].map((paint) => [paint.id, paint.name]));
  const words = showing?.parts.map(([id, drops]) => `${counted(drops, 'drop')} ${named.get(id)}`).join(', ');
  const add = () => {
    const own = step.mix;
    const { mix } = addMix(ulid, scheme, `${over.name}, lighter`, showing!.parts);
    // A mix in a mix is told by its own id, not by that of its pot.
    onMix({
      ...mix,
      of: mix.of.map((share) => ('paint' in share && share.paint === over.id && own !== null ? { mix: own, parts: share.parts } : share)),
    });
  };
  return (
    <Notice kind="flag">
      {over.name} hardly shows on {base.name}: {plain(difference, 1)} apart, {HIGHLIGHT_DIFFERENCE} would show.
      {showing && (
        <>
          {' '}
          {words} would: {plain(showing.difference, 1)} apart.{' '}
          <Button kind="quiet" onClick={add}>
            Use that mix
          </Button>
        </>
      )}
    </Notice>
  );
}
