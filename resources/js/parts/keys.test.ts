import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { effectScope, type EffectScope } from 'vue';
import { useKeys } from './keys';
import { BURST_MS, onScan, useScanner } from './scan';

let scope: EffectScope;
let done: string[];
beforeEach(() => {
    vi.useFakeTimers();
    done = [];
    scope = effectScope();
    scope.run(() => {
        useScanner();
        useKeys(() =>
            ['4', 'g', 'Enter'].map((key) => ({ key, says: '', where: '', do: () => done.push(key) })),
        );
    });
});
afterEach(() => {
    scope.stop();
    vi.useRealTimers();
    document.body.innerHTML = '';
});
let at = 1000;
function press(key: string, afterMs: number, target: EventTarget = document.body) {
    vi.advanceTimersByTime(afterMs);
    at += afterMs;
    const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true });
    Object.defineProperty(event, 'timeStamp', { value: at });
    target.dispatchEvent(event);
}

describe('a key of the shop', () => {
    it('does what it says, when a moment has shown that it is not a scanner', () => {
        press('4', 500);
        expect(done).toEqual([]);
        vi.advanceTimersByTime(BURST_MS);
        expect(done).toEqual(['4']);
    });

    it('does it as often as it is pressed by a hand', () => {
        press('g', 500);
        press('G', 150);
        press('g', 150);
        vi.advanceTimersByTime(BURST_MS);
        expect(done).toEqual(['g', 'g', 'g']);
    });

    it('is not lost where two fingers roll over two keys', () => {
        for (const key of ['g', '4', 'g']) press(key, 20);
        vi.advanceTimersByTime(BURST_MS);
        expect(done).toEqual(['g', '4', 'g']);
    });

    it('is done before what a finger does right after it', () => {
        press('g', 500);
        press('g', 20);
        document.body.dispatchEvent(new Event('pointerdown', { bubbles: true }));
        expect(done).toEqual(['g', 'g']);
        vi.advanceTimersByTime(500);
        expect(done).toEqual(['g', 'g']);
    });

    it.each(['4006381444', '5550123'])('does nothing in a code of somebody else: %s', (code) => {
        for (const key of code) press(key, 12);
        press('Enter', 12);
        vi.advanceTimersByTime(500);
        expect(done).toEqual([]);
        press('Enter', 500);
        vi.advanceTimersByTime(BURST_MS);
        expect(done).toEqual(['Enter']);
    });

    it('does nothing in the code that a scanner reads', () => {
        const heard: string[] = [];
        const stop = onScan((code) => heard.push(code) > 0);
        for (const key of 'R-0144') press(key, 12);
        press('Enter', 12);
        vi.advanceTimersByTime(500);
        expect(heard).toEqual(['R-144']);
        expect(done).toEqual([]);
        stop();
    });

    it('is what was pressed, however late a busy page came to it', () => {
        const heard: string[] = [];
        const stop = onScan((code) => heard.push(code) > 0);
        for (const key of 'L-0104') press(key, 5);
        vi.advanceTimersByTime(2000);
        press('Enter', 5);
        expect(heard).toEqual(['L-0104']);
        stop();
    });

    it('is a letter where something is typed', () => {
        document.body.innerHTML = '<input />';
        press('4', 500, document.querySelector('input')!);
        vi.advanceTimersByTime(BURST_MS);
        expect(done).toEqual([]);
    });

    it.each(['v-card', 'v-list'])('is left to what lies over the page: %s', (of) => {
        document.body.innerHTML = `<div class="v-overlay v-overlay--active"><div class="${of}"></div></div>`;
        press('Enter', 500);
        vi.advanceTimersByTime(BURST_MS);
        expect(done).toEqual([]);
    });

    it('does nothing on a page that has gone', () => {
        press('4', 500);
        scope.stop();
        vi.advanceTimersByTime(BURST_MS);
        expect(done).toEqual([]);
    });
});
