/** minutes after midnight at which most shops close, and what is worked where it is later already */
const CLOSES_MIN = 17 * 60;
const LATE_MIN = 4 * 60;

/** The end of this shift, s since 1970 UTC: at five, or four hours from now where that is over; to the quarter of an hour. */
export function endOfShift(now: number): number {
    const midnight = new Date(now * 1000);
    midnight.setHours(0, 0, 0, 0);
    const closes = midnight.getTime() / 1000 + 60 * CLOSES_MIN;
    return now < closes - 1800 ? closes : Math.ceil((now + 60 * LATE_MIN) / 900) * 900;
}
