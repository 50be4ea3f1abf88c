/** A short tone, or none where the browser has no sound. */
export function beep(hertz: number): void {
  try {
    const context = (shared ??= new AudioContext());
    const tone = context.createOscillator();
    const level = context.createGain();
    tone.frequency.value = hertz;
    level.gain.setValueAtTime(0.15, context.currentTime);
    level.gain.exponentialRampToValueAtTime(0.001, context.currentTime + 0.12);
    tone.connect(level).connect(context.destination);
    tone.start();
    tone.stop(context.currentTime + 0.13);
  } catch {
    /* without sound the count on the screen is enough */
  }
}

let shared: AudioContext | null = null;
