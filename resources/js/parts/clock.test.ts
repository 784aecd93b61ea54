import { afterEach, beforeEach, expect, it, vi } from 'vitest';

/** The browser's two clocks, each set by hand. */
let wall = 1_000_000_000_000;
let ran = 0;

async function freshClock() {
    vi.resetModules();
    return await import('./clock');
}

beforeEach(() => {
    localStorage.clear();
    wall = 1_000_000_000_000;
    ran = 0;
    vi.spyOn(Date, 'now').mockImplementation(() => wall);
    vi.spyOn(performance, 'now').mockImplementation(() => ran);
});
afterEach(() => vi.restoreAllMocks());

it('runs on by the monotonic clock from what the server said last', async () => {
    const { serverNow, noteServerTime } = await freshClock();
    noteServerTime(5000);
    ran += 90_000;
    wall += 90_000;
    expect(serverNow()).toBeCloseTo(5090, 6);
});

it('moves no timer when the wall clock of this screen is set', async () => {
    const { serverNow, noteServerTime } = await freshClock();
    noteServerTime(5000);
    ran += 10_000;
    wall += 3_600_000;
    expect(serverNow()).toBeCloseTo(5010, 6);
    wall -= 7_200_000;
    expect(serverNow()).toBeCloseTo(5010, 6);
});

it('keeps the difference of both clocks across a reload without the server', async () => {
    const first = await freshClock();
    first.noteServerTime(wall / 1000 + 120);
    wall += 30_000;
    ran = 0;
    const again = await freshClock();
    expect(again.serverNow()).toBeCloseTo(wall / 1000 + 120, 3);
});

it('begins with the wall clock where nothing was kept', async () => {
    const { serverNow } = await freshClock();
    expect(serverNow()).toBeCloseTo(wall / 1000, 6);
});

it('does not run back when an answer was long under way', async () => {
    const { serverNow, noteServerTime } = await freshClock();
    noteServerTime(5000);
    const asked = ran;
    ran += 8000;
    // Said 2 s after it was asked, and 6 s on its way.
    noteServerTime(5002, asked);
    expect(serverNow()).toBeCloseTo(5008, 6);
});

it('is put right by as much as an answer proves, whichever way it was wrong', async () => {
    const { serverNow, noteServerTime } = await freshClock();
    noteServerTime(5000);
    const asked = ran;
    ran += 4000;
    noteServerTime(5100, asked);
    expect(serverNow()).toBeCloseTo(5100, 6);
    noteServerTime(4000, asked);
    expect(serverNow()).toBeCloseTo(4004, 6);
});
