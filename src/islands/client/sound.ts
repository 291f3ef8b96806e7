/** Short, quiet tones of our own, made by the browser's own audio: there is no file to fetch, and nothing else to hear. */
export const TONES = {
  ready: [660, 880],
  dry: [520, 660],
  pools: [440, 440],
  'session end': [660, 520, 390],
} as const satisfies Record<string, readonly number[]>;

const TONE_SECONDS = 0.16;
const LOUDNESS = 0.08;
const RISE_SECONDS = 0.02;

let context: AudioContext | null = null;

/** Plays a motif; a browser that has not been touched yet plays nothing, and that is no failure. */
export function playTones(kind: keyof typeof TONES): void {
  try {
    context ??= new AudioContext();
  } catch {
    return;
  }
  const audio = context;
  void audio.resume();
  TONES[kind].forEach((frequency, index) => {
    const from = audio.currentTime + index * TONE_SECONDS;
    const tone = audio.createOscillator();
    const volume = audio.createGain();
    tone.type = 'sine';
    tone.frequency.value = frequency;
    volume.gain.setValueAtTime(0, from);
    volume.gain.linearRampToValueAtTime(LOUDNESS, from + RISE_SECONDS);
    volume.gain.exponentialRampToValueAtTime(0.0001, from + TONE_SECONDS);
    tone.connect(volume).connect(audio.destination);
    tone.start(from);
    tone.stop(from + TONE_SECONDS);
  });
}
