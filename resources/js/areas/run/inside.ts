import type { Inside } from '../../api/types';

/** What was said of the inside of a machine, grown older by the time since: only ages run on without the server. */
export function agedTo(inside: Inside, now: number) {
    const since = Math.max(0, now - inside.at);
    const { used, minutes_left: left } = inside;
    /** min that the next piece bears in all */
    const bears = used !== null && left !== null && used < 1 ? left / (1 - used) : null;
    return {
        oldest_s: inside.oldest_s === null ? null : inside.oldest_s + since,
        minutes_left: left === null ? null : Math.max(0, left - since / 60),
        layers: inside.layers.map((l) => ({
            mass_g: l.mass_g,
            /** of its time: 1 is spent */
            share: bears === null ? (used ?? 0) : (l.age_s + since) / 60 / bears,
        })),
    };
}
