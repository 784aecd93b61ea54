import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { effectScope, nextTick, ref } from 'vue';
import { lifted, unlessPressed } from './pressed';

const scope = effectScope();
const tell = (type: string) => window.dispatchEvent(new Event(type));
const follows = (told: { value: unknown }) => scope.run(() => unlessPressed(() => told.value))!;
beforeEach(() => void vi.useFakeTimers());
afterEach(() => {
    tell('blur');
    vi.useRealTimers();
});

describe('what comes in above a page', () => {
    it('is there at once while nothing is pressed', () => {
        const told = ref('well');
        const shown = follows(told);
        expect(shown.value).toBe('well');
        told.value = 'away';
        expect(shown.value).toBe('away');
    });

    it('waits for the end of a press, and for the click that comes after it', async () => {
        const told = ref('well');
        const shown = follows(told);
        tell('pointerdown');
        told.value = 'away';
        await nextTick();
        expect(shown.value).toBe('well');
        tell('pointerup');
        expect(shown.value).toBe('well');
        vi.advanceTimersByTime(1);
        expect(shown.value).toBe('away');
    });

    it.each(['pointercancel', 'blur'])(
        'waits for no click after a press that was broken off, by %s',
        (broken) => {
            const told = ref('well');
            const shown = follows(told);
            tell('pointerdown');
            told.value = 'away';
            expect(shown.value).toBe('well');
            tell(broken);
            expect(shown.value).toBe('away');
        },
    );

    it('does not wait for ever for a release that nobody heard', () => {
        const told = ref(1);
        const shown = follows(told);
        tell('pointerdown');
        told.value = 2;
        vi.advanceTimersByTime(2999);
        expect(shown.value).toBe(1);
        vi.advanceTimersByTime(2);
        expect(shown.value).toBe(2);
    });

    it('shows the last of what was told meanwhile, and nothing where it is as it was', () => {
        const told = ref('well');
        const shown = follows(told);
        tell('pointerdown');
        told.value = 'away';
        told.value = 'well';
        tell('pointerup');
        vi.advanceTimersByTime(1);
        expect(shown.value).toBe('well');
    });
});

describe('what was asked for', () => {
    it('comes at once while nothing is pressed, and else when the press is over', async () => {
        let come = 0;
        const ask = () => void lifted().then(() => come++);
        ask();
        await nextTick();
        expect(come).toBe(1);
        tell('pointerdown');
        ask();
        await vi.advanceTimersByTimeAsync(1000);
        expect(come).toBe(1);
        tell('pointerup');
        await vi.advanceTimersByTimeAsync(1);
        expect(come).toBe(2);
    });

    it('does not wait for a press whose end nobody hears', async () => {
        let come = 0;
        tell('pointerdown');
        void lifted().then(() => come++);
        await vi.advanceTimersByTimeAsync(2900);
        expect(come).toBe(0);
        await vi.advanceTimersByTimeAsync(200);
        expect(come).toBe(1);
    });
});
