import type { Reading, ScaleDriver } from './driver';
import { LineReader, type LinePattern } from './lines';

/** The part of Web Serial that is used; the browser's own types do not have it. */
interface SerialPort {
    open(options: { baudRate: number }): Promise<void>;
    close(): Promise<void>;
    readable: ReadableStream<Uint8Array> | null;
}
interface Serial {
    requestPort(): Promise<SerialPort>;
}
const serial = (): Serial | null => (navigator as unknown as { serial?: Serial }).serial ?? null;
export const hasSerial = (): boolean => serial() !== null;

/** A scale that sends its weighings as lines of text all the time. */
export class SerialScale implements ScaleDriver {
    readonly title = 'Scale on the serial line';
    private port: SerialPort | null = null;
    private reader: ReadableStreamDefaultReader<Uint8Array> | null = null;
    private zero = 0;
    private last = 0;
    private running = false;

    constructor(
        private readonly pattern: LinePattern,
        private readonly baud: number,
    ) {}

    async start(heard: (reading: Reading) => void): Promise<void> {
        const door = serial();
        if (!door) throw new Error('This browser has no serial line. Weigh by hand, or use another browser.');
        this.port = await door.requestPort();
        await this.port.open({ baudRate: this.baud });
        this.running = true;
        void this.read(heard);
    }
    async stop(): Promise<void> {
        this.running = false;
        await this.reader?.cancel().catch(() => undefined);
        await this.port?.close().catch(() => undefined);
    }
    tare(): void {
        this.zero = this.last;
    }

    private async read(heard: (reading: Reading) => void): Promise<void> {
        const lines = new LineReader(this.pattern);
        try {
            this.reader = this.port?.readable?.getReader() ?? null;
            while (this.running && this.reader) {
                const { value, done } = await this.reader.read();
                if (done) break;
                for (const reading of lines.feed(value)) {
                    this.last = reading.grams;
                    heard({ ...reading, grams: reading.grams - this.zero });
                }
            }
        } catch {
            // A pulled cable ends the reading with an error: that is what is told below.
        }
        if (this.running) heard({ grams: 0, stable: false, fault: 'unplugged' });
    }
}
