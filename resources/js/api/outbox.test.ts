import { reactive } from 'vue';
import { describe, expect, it } from 'vitest';
import { nextOrder, oneAtATime, plain, stepsAside } from './outbox';

describe('what goes out of this browser', () => {
    it('goes one after the other, and once more where it was asked for meanwhile', async () => {
        let under = 0;
        let done = 0;
        const ends: (() => void)[] = [];
        const send = oneAtATime(async () => {
            expect(++under).toBe(1);
            await new Promise<void>((end) => ends.push(end));
            under--;
            done++;
        });
        const first = send();
        void send();
        void send();
        ends[0]!();
        await first;
        await Promise.resolve();
        expect(ends).toHaveLength(2);
        ends[1]!();
        await new Promise((r) => setTimeout(r));
        expect([done, ends.length]).toEqual([2, 2]);
    });
    it('goes on after one that failed', async () => {
        let tries = 0;
        const send = oneAtATime(() => (++tries === 1 ? Promise.reject(new Error('off')) : Promise.resolve()));
        await expect(send()).rejects.toThrow('off');
        await send();
        expect(tries).toBe(2);
    });
    it('has a place of its own, however fast it was made', () => {
        const all = Array.from({ length: 50 }, nextOrder);
        expect(new Set(all).size).toBe(50);
        expect([...all].sort((a, b) => a - b)).toEqual(all);
    });
    it('steps aside the third time, each for itself', () => {
        expect(['a', 'a', 'b', 'a'].map(stepsAside)).toEqual([false, false, false, true]);
    });
    it('is what it is without what watches it', () => {
        const kept = plain(reactive({ a: [1, { b: 2 }] }));
        expect(structuredClone(kept)).toEqual({ a: [1, { b: 2 }] });
    });
});
