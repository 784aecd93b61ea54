import { describe, expect, it, vi } from 'vitest';
import { effectScope, nextTick, ref } from 'vue';

vi.mock('../api/client', () => {
    class Refused extends Error {
        constructor(
            readonly status: number,
            readonly field: string,
            message: string,
        ) {
            super(message);
        }
    }
    return { Refused };
});

import { Refused } from '../api/client';
import { sentence, useLatest, useSend } from './useSend';

const later = <T>(value: T) => {
    let done: (v: T) => void = () => undefined;
    const promise = new Promise<T>((resolve) => (done = () => resolve(value)));
    return { promise, done: () => done(value) };
};

describe('one thing sent at a time', () => {
    it('takes no second while the first is under way', async () => {
        const { send, busy } = useSend();
        const first = later('a');
        const work = vi.fn(() => first.promise);
        const one = send(work);
        expect(busy.value).toBe(true);
        expect(await send(work)).toBeUndefined();
        first.done();
        expect(await one).toBe('a');
        expect(busy.value).toBe(false);
        expect(work).toHaveBeenCalledTimes(1);
    });

    it('says why it was refused, by field, and forgets that with the next', async () => {
        const { send, fault } = useSend();
        await send(() => Promise.reject(new Refused(422, 'mass_g', 'must be above 0 g')));
        expect(fault.value).toEqual({ field: 'mass_g', message: 'must be above 0 g' });
        await send(() => Promise.resolve(1));
        expect(fault.value).toBeNull();
    });

    it('says of a server that does not answer that nothing was changed', async () => {
        const { send, fault, busy } = useSend();
        expect(await send(() => Promise.reject(new Error('net')))).toBeUndefined();
        expect(fault.value?.message).toContain('Nothing was changed');
        expect(busy.value).toBe(false);
    });
});

describe('a fault as a sentence', () => {
    it.each([
        [{ field: 'mass_g', message: 'must be above 0 g' }, 'Mass must be above 0 g.'],
        [{ field: '', message: 'the run is over.' }, 'The run is over.'],
        [{ field: 'components.1.parts', message: 'is not a number' }, 'Components 1 parts is not a number.'],
        [{ field: 'lot_id', message: 'holds only 3 g: take another?' }, 'Lot holds only 3 g: take another?'],
    ])('%o', (fault, says) => expect(sentence(fault)).toBe(says));
});

describe('the answer to what is being typed', () => {
    it('counts only the newest question, whatever order the answers come in', async () => {
        const scope = effectScope();
        await scope.run(async () => {
            const question = ref(1);
            const answers = [later('one'), later('two')];
            let asked = 0;
            const { answer } = useLatest(question, () => answers[asked++]?.promise ?? null);
            question.value = 2;
            await nextTick();
            answers[1]?.done();
            await new Promise((r) => setTimeout(r));
            expect(answer.value).toBe('two');
            answers[0]?.done();
            await new Promise((r) => setTimeout(r));
            expect(answer.value).toBe('two');
        });
        scope.stop();
    });

    it('shows no old answer beside a new fault', async () => {
        const scope = effectScope();
        await scope.run(async () => {
            const question = ref(1);
            const { answer, fault } = useLatest(question, () =>
                question.value === 1
                    ? Promise.resolve('fine')
                    : Promise.reject(new Refused(422, 'x', 'is wrong')),
            );
            await new Promise((r) => setTimeout(r));
            expect(answer.value).toBe('fine');
            question.value = 2;
            await new Promise((r) => setTimeout(r));
            expect(answer.value).toBeNull();
            expect(fault.value).toEqual({ field: 'x', message: 'is wrong' });
        });
        scope.stop();
    });

    it('lets go of what was asked before', async () => {
        const scope = effectScope();
        await scope.run(async () => {
            const question = ref(1);
            const signals: AbortSignal[] = [];
            useLatest(question, (signal) => {
                signals.push(signal);
                return later('never').promise;
            });
            question.value = 2;
            await nextTick();
            expect(signals.map((s) => s.aborted)).toEqual([true, false]);
        });
        scope.stop();
    });
});
