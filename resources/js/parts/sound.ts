import { ref } from 'vue';

/** Whether a call would be heard: a browser lets a page sound only once somebody has touched it since it was loaded. */
export const heard = ref(false);
let context: AudioContext | null = null;

function touched(): void {
    if (!context) {
        const made = (context = new AudioContext());
        made.onstatechange = () => (heard.value = made.state === 'running');
    }
    // A call on the telephone or a sleep stops it: the next touch brings it back.
    if (context.state === 'suspended') void context.resume();
    heard.value = context.state === 'running';
}
for (const touch of ['pointerdown', 'keydown']) window.addEventListener(touch, touched, { passive: true });

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
