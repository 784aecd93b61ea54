/** What a thing is without what watches it: as it goes into the browser's database. */
export const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

let last = 0;
/** The place of an entry among all that were made here, by the clock and never twice the same. */
export const nextOrder = (): number => (last = Math.max(Date.now(), last + 1));

/** One after the other, never two at once; what is asked for while one is under way is done once more after it. */
export function oneAtATime(work: () => Promise<void>): () => Promise<void> {
    let under: Promise<void> | null = null;
    let again = false;
    return function ask(): Promise<void> {
        if (under) {
            again = true;
            return under;
        }
        again = false;
        under = work().finally(() => {
            under = null;
            if (again) void ask();
        });
        return under;
    };
}

const GIVE_UP = 3;
const broke: Record<string, number> = {};
export const GAVE_UP =
    'The server failed at this one three times. It is kept on this screen: write it down, and tell a lead.';

/** Whether an entry that breaks the server, sent alone, has done so often enough to step aside for the others. */
export const stepsAside = (key: string): boolean => (broke[key] = (broke[key] ?? 0) + 1) >= GIVE_UP;
