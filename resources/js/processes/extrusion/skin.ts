/** Solid skin of a bar after some minutes in its bath, mm, between the skins that were reckoned. */
export function skinAt(skins: { skin_mm: number; minutes: number | null }[], minutes: number): number {
    const known = [{ skin_mm: 0, minutes: 0 }, ...skins.filter((s) => s.minutes !== null)] as {
        skin_mm: number;
        minutes: number;
    }[];
    const after = known.findIndex((s) => s.minutes > minutes);
    if (after < 0) return known.at(-1)!.skin_mm;
    const [from, to] = [known[after - 1]!, known[after]!];
    return (
        from.skin_mm +
        ((to.skin_mm - from.skin_mm) * (minutes - from.minutes)) / (to.minutes - from.minutes || 1)
    );
}

/** How much of its length is filled while its timer runs, 0 to 1: a screw gives the same each second. */
export function filledTo(timer: { started_at: number; ends_at: number }, now: number): number {
    const whole = timer.ends_at - timer.started_at;
    return whole <= 0 ? 1 : Math.min(1, Math.max(0, (now - timer.started_at) / whole));
}
