import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { effectScope, nextTick, ref } from 'vue';

class Line {
    static all: Line[] = [];
    static readonly CLOSED = 2;
    readyState = 0;
    onopen: (() => void) | null = null;
    onmessage: ((event: { data: string }) => void) | null = null;
    onerror: (() => void) | null = null;
    constructor(readonly url: string) {
        Line.all.push(this);
    }
    close() {
        this.readyState = Line.CLOSED;
    }
}
const fresh = async () => {
    vi.resetModules();
    return import('./news');
};
let scope = effectScope();
beforeEach(() => {
    Line.all = [];
    scope = effectScope();
    vi.stubGlobal('EventSource', Line);
});
afterEach(() => scope.stop());
const listening = async (may = ref(true)) => {
    const news = await fresh();
    scope.run(() => news.listen(may));
    return { news, may, line: Line.all[0]! };
};

describe('news of what others change', () => {
    it('go to who asked for that kind, with which one, and to nobody else', async () => {
        const { news, line } = await listening();
        const run = vi.fn();
        const stock = vi.fn();
        news.onNews(['run'], run);
        const end = news.onNews(['stock', 'goods'], stock);
        line.onmessage!({ data: 'run r1\nstock\nmachine 3' });
        expect(run.mock.calls).toEqual([['r1']]);
        expect(stock.mock.calls).toEqual([[null]]);
        end();
        line.onmessage!({ data: 'stock' });
        expect(stock).toHaveBeenCalledTimes(1);
    });

    it('say that anything may be new when the line is open again, or too much was told', async () => {
        const { news, line } = await listening();
        const run = vi.fn();
        news.onNews(['run'], run);
        line.onopen!();
        line.onmessage!({ data: 'all' });
        expect(run.mock.calls).toEqual([[null], [null]]);
    });

    it('make the questions seldom for as long as they are heard', async () => {
        const { news, line } = await listening();
        expect(news.every(5000)).toBe(5000);
        line.onopen!();
        expect(news.hears.value).toBe(true);
        expect(news.every(5000)).toBe(20_000);
        expect(news.every(60_000)).toBe(60_000);
        line.onerror!();
        expect(news.every(5000)).toBe(5000);
    });

    it('are asked for again after a refusal, and left to the browser after a line that broke', async () => {
        vi.useFakeTimers();
        const { line } = await listening();
        line.onerror!();
        vi.advanceTimersByTime(60_000);
        expect(Line.all).toHaveLength(1);
        line.readyState = Line.CLOSED;
        line.onerror!();
        vi.advanceTimersByTime(5000);
        expect(Line.all).toHaveLength(2);
    });

    it('end when nobody is signed in, and begin with the next', async () => {
        const { news, may, line } = await listening(ref(false));
        expect(line).toBeUndefined();
        may.value = true;
        await nextTick();
        Line.all[0]!.onopen!();
        may.value = false;
        await nextTick();
        expect(Line.all[0]!.readyState).toBe(Line.CLOSED);
        expect(news.hears.value).toBe(false);
    });

    it('have one run asked for at once, and again no sooner than it says', async () => {
        vi.useFakeTimers();
        const { news, line } = await listening();
        const ask = vi.fn();
        const end = news.keepAsking(ask, { kinds: ['run'], of: () => 'r1', everyMs: 5000, gatherMs: 1000 });
        line.onmessage!({ data: 'run r2\nstock' });
        expect(ask).not.toHaveBeenCalled();
        for (let i = 0; i < 20; i++) line.onmessage!({ data: 'run r1' });
        await vi.advanceTimersByTimeAsync(10);
        expect(ask).toHaveBeenCalledTimes(1);
        await vi.advanceTimersByTimeAsync(1100);
        expect(ask).toHaveBeenCalledTimes(2);
        end();
        await vi.advanceTimersByTimeAsync(60_000);
        expect(ask).toHaveBeenCalledTimes(2);
    });

    it('are made up for by asking: often where none are heard, seldom where they are', async () => {
        vi.useFakeTimers({ toFake: ['setInterval', 'setTimeout', 'performance', 'Date'] });
        const { news, line } = await listening();
        const ask = vi.fn();
        const end = news.keepAsking(ask, { kinds: ['run'], everyMs: 5000, gatherMs: 1000 });
        await vi.advanceTimersByTimeAsync(20_000);
        expect(ask).toHaveBeenCalledTimes(4);
        ask.mockClear();
        line.onopen!();
        await vi.advanceTimersByTimeAsync(100);
        expect(ask).toHaveBeenCalledTimes(1);
        await vi.advanceTimersByTimeAsync(60_000);
        expect(ask.mock.calls.length).toBeGreaterThanOrEqual(3);
        expect(ask.mock.calls.length).toBeLessThanOrEqual(4);
        end();
    });

    it('ask again for what is shown of it, however much is told in a moment', async () => {
        vi.useFakeTimers();
        const { news, line } = await listening();
        const asked = vi.fn();
        const end = news.askAgain({ invalidateQueries: asked } as never);
        for (let i = 0; i < 50; i++) line.onmessage!({ data: 'plan' });
        await vi.advanceTimersByTimeAsync(5000);
        const keys = asked.mock.calls.map((c) => (c[0] as { queryKey: string[] }).queryKey[0]);
        expect(keys.filter((k) => k === 'day')).toHaveLength(2);
        expect(new Set(keys)).toEqual(new Set(['day']));
        end();
    });
});
