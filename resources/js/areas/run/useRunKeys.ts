import { useFoot } from '../../parts/foot';
import type { ShopKey } from '../../parts/keys';
import { usePageKeys } from '../../parts/pageKeys';
import { footSays } from './focus';
import type { RunScreen } from './screen';

/** keys of what is confirmed, in order; what comes after them is tapped */
const LETTERS = 'abcdefg';

/** The pedal and the keys of a run's screen; none of them answers what it has only just turned to. */
export function useRunKeys(screen: RunScreen): void {
    const { run, focus, now, settling, judged, step, entries, grid, confirmed } = screen;
    const { ask, judgeGood, advance, start, log, logAll } = screen;
    useFoot((long) => {
        if (settling.value || !run.value) return;
        if (long) return judged.value ? ask('scrap') : undefined;
        const said = footSays(run.value, focus.value, now.value);
        if (said) void logAll(said, 'signal');
    });
    usePageKeys('This run', () => {
        const list: ShopKey[] = [
            {
                key: 'Enter',
                says: judged.value ? 'Good' : (step.value?.button ?? 'Go on'),
                where: 'Run',
                do: () => void (judged.value ? judgeGood() : advance()),
            },
            {
                key: 'n',
                says: 'Write a note',
                where: 'Run',
                do: () => ask('note'),
            },
        ];
        for (const e of entries.value)
            if (e.key && e !== grid.value)
                list.push({ key: e.key, says: e.title, where: 'Run', do: () => start(e) });
        for (const [i, c] of (step.value?.confirm ?? []).slice(0, LETTERS.length).entries())
            list.push({
                key: LETTERS[i] ?? '',
                says: c.text,
                where: 'Run',
                do: () => {
                    if (!confirmed(c.id)) void log('confirmed', { step: step.value?.id, item: c.id });
                },
            });
        return list.map((k) => ({ ...k, do: () => void (settling.value || k.do()) }));
    });
}
