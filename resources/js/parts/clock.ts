import { onScopeDispose, readonly, ref } from 'vue';

/**
 * The server's time on this screen. It runs on the browser's monotonic clock from the last answer of the server, so a
 * changed wall clock, midnight or a time zone moves no timer; across a reload without the server the kept difference
 * between both wall clocks stands in.
 */
const KEPT = 'dithermic.clock';
let base = Date.now() / 1000 + Number(localStorage.getItem(KEPT) ?? 0);
let mark = performance.now();

export function serverNow(): number {
    return base + (performance.now() - mark) / 1000;
}

/**
 * What an answer says of the server's time, s. An answer that was long under way is old: the server's time now lies
 * between what it said and that plus the whole way, and this clock moves only as far as it must to lie there too.
 *
 * @param asked performance.now() when it was asked
 */
export function noteServerTime(time: number, asked = performance.now()): void {
    const latest = time + Math.max(0, performance.now() - asked) / 1000;
    base = Math.min(Math.max(serverNow(), time), latest);
    mark = performance.now();
    localStorage.setItem(KEPT, String(base - Date.now() / 1000));
    now.value = base;
}

const now = ref(serverNow());
let users = 0;
let ticking: number | undefined;

/** A clock that ticks four times a second while somebody looks at it. */
export function useNow() {
    users++;
    if (ticking === undefined) {
        // It stood while nobody looked.
        now.value = serverNow();
        ticking = window.setInterval(() => (now.value = serverNow()), 250);
    }
    onScopeDispose(() => {
        users--;
        if (users === 0) {
            window.clearInterval(ticking);
            ticking = undefined;
        }
    });
    return readonly(now);
}

// A laptop that slept has a monotonic clock that slept with it: trust the wall clock for the gap until the server
// answers.
let wall = Date.now();
window.setInterval(() => {
    const gap = (Date.now() - wall) / 1000 - 5;
    const ran = serverNow() - lastTick;
    if (gap > 60 && ran < gap / 2) base += gap - ran;
    wall = Date.now();
    lastTick = serverNow();
}, 5000);
let lastTick = serverNow();
