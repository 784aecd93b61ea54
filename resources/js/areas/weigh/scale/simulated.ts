import type { Reading, ScaleDriver } from './driver';

/** A scale that behaves like one: it settles, drifts, flickers, overloads, and its cable can be pulled. */
export class SimulatedScale implements ScaleDriver {
    readonly title = 'Simulated scale';
    private timer = 0;
    private on = 0;
    private shown = 0;
    private zero = 0;
    private drift = 0;
    private steady = 0;
    plugged = true;

    constructor(
        private readonly step = 1,
        private readonly most = 15000,
    ) {}

    async start(heard: (reading: Reading) => void): Promise<void> {
        this.timer = window.setInterval(() => heard(this.next()), 120);
    }
    async stop(): Promise<void> {
        window.clearInterval(this.timer);
    }
    tare(): void {
        this.zero = this.shown;
    }
    /** Material onto the scale, or off it. */
    pour(grams: number): void {
        this.on = Math.max(0, this.on + grams);
        this.steady = 0;
    }

    private next(): Reading {
        if (!this.plugged) return { grams: 0, stable: false, fault: 'unplugged' };
        if (this.on > this.most) return { grams: 0, stable: false, fault: 'overload' };
        const gap = this.on - this.shown;
        this.shown += gap * 0.45;
        this.drift = Math.max(
            -0.4 * this.step,
            Math.min(0.4 * this.step, this.drift + (Math.random() - 0.5) * 0.05 * this.step),
        );
        this.steady = Math.abs(gap) < 0.4 * this.step ? this.steady + 1 : 0;
        const noise = this.steady > 3 ? 0 : (Math.random() - 0.5) * Math.max(this.step, Math.abs(gap) * 0.1);
        const grams = Math.round((this.shown - this.zero + this.drift * 0.2 + noise) / this.step) * this.step;
        return { grams: Object.is(grams, -0) ? 0 : grams, stable: this.steady > 3, fault: null };
    }
}
