import { describe, expect, it } from 'vitest';
import single from '../../../../core/src/Process/Compression/procedure.json';
import type { Procedure, Run, RunTimer } from '../../api/types';
import { timeOfDay } from '../../parts/units';
import { buttonOf, shown, textOf } from '../../tests/mount';
import AskDialog from './AskDialog.vue';
import RunSteps from './RunSteps.vue';
import StepClock from './StepClock.vue';

const timer = (over: Partial<RunTimer> = {}): RunTimer =>
    ({
        id: 'heat',
        title: 'Heat',
        kind: 'heat',
        minutes: 12,
        started_at: 1000,
        ends_at: 1720,
        answered_at: null,
        ...over,
    }) as RunTimer;

describe('the clock of a step', () => {
    const clock = (props: object) =>
        shown(StepClock, {
            timer: timer(),
            now: 1360,
            readyAt: null,
            demouldC: 60,
            due: null,
            reminder: 'Pump',
            logged: 2,
            ...props,
        });

    it('says what is left, until when, and how much is over', async () => {
        const text = textOf(await clock({}));
        expect(text).toContain('6:00');
        expect(text).toContain(`until ${timeOfDay(1720)} 6 of 12 min`);
    });

    it('counts a short wait by the clock', async () => {
        const short = timer({ minutes: 0.5, started_at: 1350, ends_at: 1380 });
        expect(textOf(await clock({ timer: short }))).toContain('of 0:30');
    });

    it('says since when it is over, and is marked', async () => {
        const over = await clock({ now: 1725 });
        expect(textOf(over)).toContain(`Time is up since ${timeOfDay(1720)}`);
        expect(over.get('.big').classes()).toContain('over');
    });

    it('asks for what is due again and again, before its time and after', async () => {
        expect(textOf(await clock({ due: 1400 }))).toContain('Pump in 0:40 2 so far');
        const late = await clock({ due: 1300 });
        expect(textOf(late)).toContain('Pump now 2 so far');
        expect(late.find('.overdue').exists()).toBe(true);
        expect(textOf(await clock({}))).not.toContain('so far');
    });

    it('says of cooling when the model has it ready, and of nothing else', async () => {
        const cool = timer({ kind: 'cool' });
        expect(textOf(await clock({ timer: cool, readyAt: 1500 }))).toContain(`from ${timeOfDay(1500)}`);
        expect(textOf(await clock({ readyAt: 1500 }))).not.toContain('By the model');
    });

    it('can be changed', async () => {
        const one = await clock({});
        await buttonOf(one, 'Change the time').trigger('click');
        expect(one.emitted('more')).toHaveLength(1);
    });
});

describe('what is asked before something is done otherwise', () => {
    const ask = (asking: string | null, props: object = {}) =>
        shown(AskDialog, {
            asking,
            missing: [],
            leadOnly: false,
            piece: 'sheet 3',
            reason: '',
            minutes: 2,
            ...props,
        });

    it('is nothing while nobody asked', async () => {
        expect(textOf(await ask(null))).toBe('');
    });

    it.each([
        ['stop', 'Stop this run'],
        ['more', 'Change the time'],
        ['scrap', 'Not good'],
        ['drop', 'Take sheet 3 out'],
        ['note', 'Note'],
    ])('%s is "%s"', async (asking, title) => {
        expect((await ask(asking)).get('h2').text()).toBe(title);
    });

    it('says what is open, and who may pass it', async () => {
        const open = await ask('anyway', { missing: ['Heat: 3:00 to go', 'Wiped'], leadOnly: true });
        expect(textOf(open)).toContain('Still open: Heat: 3:00 to go; Wiped. Only a lead may pass this.');
        expect(textOf(await ask('anyway', { missing: ['Wiped'] }))).not.toContain('Only a lead');
    });

    it('is answered with a reason alone', async () => {
        const empty = await ask('stop', { reason: '   ' });
        expect(buttonOf(empty, 'Stop: what is hot stays hot').attributes('disabled')).toBeDefined();
        const full = await ask('stop', { reason: 'a fuse went' });
        await buttonOf(full, 'Stop: what is hot stays hot').trigger('click');
        expect(full.emitted('answer')).toHaveLength(1);
    });

    it('of a run that is stopped warns that hot stays hot', async () => {
        expect(textOf(await ask('stop'))).toContain('switch off, and cool it as the machine');
        expect(textOf(await ask('note'))).not.toContain('switch off');
    });

    it('asks how much time only where time is what is changed', async () => {
        expect((await ask('more')).find('input[data-typed="time"]').exists()).toBe(true);
        expect((await ask('note')).find('input').exists()).toBe(false);
    });
});

describe('the steps of a run', () => {
    const procedure = single as unknown as Procedure;
    const steps = procedure.steps.map((s, i) => ({
        id: s.id,
        stage: s.stage,
        title: s.title,
        status: i < 2 ? 'done' : i === 2 ? 'current' : 'todo',
        done_at: i < 2 ? 1000 + i : null,
        done_by: i < 2 ? 'Ines Halloran' : null,
        reason: i === 1 ? 'a test' : null,
        missing: [],
    }));
    const list = () =>
        shown(RunSteps, {
            run: { steps, pieces: [], entries: [] } as unknown as Run,
            procedure,
            focus: { piece: null, next: false },
            now: 2000,
            wanted: 1,
            mayClose: false,
        });

    it('stand in their stages, with when each was done', async () => {
        const nav = await list();
        expect(nav.findAll('section h2').map((h) => h.text())).toEqual(procedure.stages.map((s) => s.title));
        expect(nav.findAll('li')).toHaveLength(procedure.steps.length);
        expect(nav.findAll('li.done')[0]!.text()).toContain(timeOfDay(1000));
    });

    it('say which is the one now, and which was passed without what it asks', async () => {
        const nav = await list();
        const current = nav.findAll('[aria-current="step"]');
        expect(current).toHaveLength(1);
        expect(current[0]!.text()).toContain(procedure.steps[2]!.title);
        expect(nav.findAll('li').filter((l) => l.text().includes('passed anyway'))).toHaveLength(1);
    });
});
