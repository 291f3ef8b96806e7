import type { StepEstimate } from '../definitions';

/** Below this difference from the norm nothing is said of pace. */
const SAME_PACE = 0.03;

interface Evidence extends Pick<StepEstimate, 'normMinutes' | 'modelsHere' | 'modelsOfTechnique'> {
  /** Anything is in the log at all. */
  isLogged: boolean;
}

/** Where an estimate comes from, in words the painter can check against the log. */
export function explainEstimate(p50: number, evidence: Evidence): string {
  const pace = p50 / evidence.normMinutes - 1;
  const against =
    Math.abs(pace) < SAME_PACE ? 'about the norm' : `${Math.round(Math.abs(pace) * 100)} % ${pace < 0 ? 'faster' : 'slower'} than the norm`;
  if (evidence.modelsHere > 0) {
    return `${plural(evidence.modelsHere)} of this step logged, ${evidence.modelsOfTechnique} of this technique: ${against}.`;
  }
  if (evidence.modelsOfTechnique > 0)
    return `None of this step logged yet, ${plural(evidence.modelsOfTechnique)} of this technique elsewhere: ${against}.`;
  return !evidence.isLogged ? 'Nothing logged yet: our default.' : `This technique is not logged yet; your pace elsewhere: ${against}.`;
}

const plural = (models: number) => (models === 1 ? '1 model' : `${models} models`);
