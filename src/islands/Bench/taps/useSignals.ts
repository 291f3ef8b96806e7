import { useEffect, useRef, useState } from 'react';
import { benchSignals, dueSignals, mayBeHeard, type BenchSignal } from '../../../core/bench/guide/signals';
import { counted, positionsText } from '../../../ui/format';
import { notify } from '../../client/notify';
import { playTones } from '../../client/sound';
import { DEVICE_SWITCHES } from '../../shared/deviceSwitches';
import { useRemembered } from '../../shared/useRemembered';
import { passWords, unitWords } from '../words';
import type { Bench } from './useBench';

/** A signal in words; it is heard, and stands in the title. */
export function signalText(bench: Pick<Bench, 'units' | 'passes' | 'paints' | 'line'>, signal: BenchSignal): string {
  switch (signal.kind) {
    case 'ready':
      return signal.isTool ? 'The dry brush has rested' : `Model ${signal.model} is dry`;
    case 'dry':
      return `Dry: ${unitWords(bench, signal.pass.unitId)}, ${passWords(signal.pass)}, ${counted(signal.models.length, 'model')}`;
    case 'pools':
      return `Look for pools: ${unitWords(bench, signal.look.pass.unitId)} ${positionsText(signal.look.models)}`;
    case 'session end':
      return 'The session ends now';
  }
}

/** Tells once of what became ready since the window was opened: in words, and by sound or message where the painter wants that. */
export function useSignals(bench: Bench, now: number): string {
  const [sounds] = useRemembered<boolean>(DEVICE_SWITCHES.sounds, false);
  const [messages] = useRemembered<boolean>(DEVICE_SWITCHES.messages, false);
  const [since] = useState(now);
  const [said, setSaid] = useState('');
  const told = useRef(new Set<string>());
  const isHeard = mayBeHeard(bench.view, bench.pass?.technique ?? null);
  const signals = benchSignals({ scene: bench.scene, view: bench.view, lookBacks: bench.lookBacks, sessions: bench.picture.sessions });
  useEffect(() => {
    if (!isHeard) return;
    const due = dueSignals(signals, since, now, told.current);
    const last = due.at(-1);
    if (!last) return;
    for (const { id } of due) told.current.add(id);
    // What was waited for says more than that everything of its pass is dry.
    const loudest = due.find(({ kind }) => kind === 'ready') ?? last;
    const text = signalText(bench, loudest);
    setSaid(text);
    if (sounds) playTones(loudest.kind);
    if (messages && document.visibilityState === 'hidden') void notify(text, loudest.kind);
  }, [bench, isHeard, messages, now, signals, since, sounds]);
  return said;
}
