/** Two soft strokes of a small bell, made of sine waves: a wait is over. */
const STROKES_HZ = [784, 988];
const STROKE_S = 0.7;
const LOUDNESS = 0.18;

export class Bell {
  private context: AudioContext | null = null;

  ring(): void {
    this.context ??= new AudioContext();
    const { context } = this;
    STROKES_HZ.forEach((hz, i) => {
      const at = context.currentTime + i * 0.28;
      const tone = context.createOscillator();
      const fade = context.createGain();
      tone.frequency.value = hz;
      fade.gain.setValueAtTime(LOUDNESS, at);
      fade.gain.exponentialRampToValueAtTime(0.001, at + STROKE_S);
      tone.connect(fade).connect(context.destination);
      tone.start(at);
      tone.stop(at + STROKE_S);
    });
  }
}
