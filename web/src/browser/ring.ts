let context: AudioContext | null = null;

/** Three short tones and a buzz. A device that allows neither, or sleeps, stays silent: the screen says so. */
export function ring(): void {
  if ('vibrate' in navigator) navigator.vibrate([250, 120, 250, 120, 400]);
  if (!('AudioContext' in window)) return;
  context ??= new AudioContext();
  void context.resume();
  for (const [at, pitch] of [
    [0, 660],
    [0.25, 660],
    [0.5, 880],
  ] as const) {
    const tone = context.createOscillator();
    const loud = context.createGain();
    tone.frequency.value = pitch;
    const start = context.currentTime + at;
    loud.gain.setValueAtTime(0.25, start);
    loud.gain.exponentialRampToValueAtTime(0.001, start + 0.22);
    tone.connect(loud).connect(context.destination);
    tone.start(start);
    tone.stop(start + 0.24);
  }
}
