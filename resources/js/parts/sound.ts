let context: AudioContext | null = null;

// A browser lets a page sound only after somebody has touched it.
window.addEventListener('pointerdown', () => (context ??= new AudioContext()), { once: true });

/** Two falling tones, loud enough over a shredder. */
export function ring(): void {
    if (!context || context.state !== 'running') return;
    for (const [i, pitch] of [880, 660].entries()) {
        const tone = context.createOscillator();
        const level = context.createGain();
        const at = context.currentTime + i * 0.22;
        tone.frequency.value = pitch;
        tone.type = 'triangle';
        level.gain.setValueAtTime(0.0001, at);
        level.gain.exponentialRampToValueAtTime(0.5, at + 0.02);
        level.gain.exponentialRampToValueAtTime(0.0001, at + 0.2);
        tone.connect(level).connect(context.destination);
        tone.start(at);
        tone.stop(at + 0.21);
    }
}
