/** What a scale says at a moment. `grams` is what is on it since it was tared; a fault means no number can be trusted. */
export interface Reading {
    grams: number;
    stable: boolean;
    fault: 'overload' | 'unplugged' | null;
}

/** One door for every scale: a simulated one, one on a serial line, or none at all. */
export interface ScaleDriver {
    readonly title: string;
    start(heard: (reading: Reading) => void): Promise<void>;
    stop(): Promise<void>;
    tare(): void;
}
