let audio: AudioContext | null = null;

/** A short, dry click, as of a ball: made here, nothing is loaded. Silence where the browser has no sound. */
export function click(): void {
    try {
        audio ??= new AudioContext();
        const [gain, wave] = [audio.createGain(), audio.createOscillator()];
        const at = audio.currentTime;
        wave.type = 'triangle';
        wave.frequency.setValueAtTime(1400, at);
        wave.frequency.exponentialRampToValueAtTime(320, at + 0.05);
        gain.gain.setValueAtTime(0.15, at);
        gain.gain.exponentialRampToValueAtTime(0.0001, at + 0.08);
        wave.connect(gain).connect(audio.destination);
        wave.start(at);
        wave.stop(at + 0.09);
    } catch {
        // A screen without loudspeakers stays silent.
    }
}
