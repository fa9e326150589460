/** A short tone for those whose eyes are on their hands: high for what is as expected, low for what is not. */

/** Hz, s and share of full loudness. */
const TONES = { good: 1320, bad: 330 } as const;
const LENGTH = 0.13;
const LOUD = 0.08;

let sound: AudioContext | null = null;

/** Sound has to begin with something that was pressed. */
export function wakeSound(): void {
  if (typeof AudioContext === 'undefined') return;
  sound ??= new AudioContext();
  void sound.resume().catch(() => undefined);
}

export function beep(good: boolean): void {
  if (sound?.state !== 'running') return;
  const [tone, volume] = [sound.createOscillator(), sound.createGain()];
  tone.frequency.value = good ? TONES.good : TONES.bad;
  volume.gain.setValueAtTime(LOUD, sound.currentTime);
  volume.gain.exponentialRampToValueAtTime(LOUD / 100, sound.currentTime + LENGTH);
  tone.connect(volume).connect(sound.destination);
  tone.start();
  tone.stop(sound.currentTime + LENGTH);
}
