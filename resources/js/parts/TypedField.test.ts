import { mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { defineComponent, h, ref } from 'vue';
import { session } from '../api/session';
import type { Dimension } from '../api/types';
import TypedField from './TypedField.vue';

/** A form with one field, which keeps what it would send. */
function form(dimension: Dimension, props: Record<string, unknown> = {}, start: number | null = null) {
    const value = ref<number | null>(start);
    const sent: (number | null)[] = [];
    const host = mount(
        defineComponent({
            setup: () => () =>
                h(
                    'form',
                    {
                        onSubmit: (e: Event) => {
                            e.preventDefault();
                            sent.push(value.value);
                        },
                    },
                    [
                        h(TypedField, {
                            label: 'Field',
                            dimension,
                            modelValue: value.value,
                            'onUpdate:modelValue': (v: number | null) => {
                                value.value = v;
                            },
                            ...props,
                        }),
                    ],
                ),
        }),
        { attachTo: document.body },
    );
    const input = host.get('input');
    const el = input.element as HTMLInputElement;
    /** As a browser does: an invalid field holds the form back. */
    const enter = async () => {
        if (el.checkValidity()) await host.get('form').trigger('submit');
    };
    const type = async (text: string) => {
        await input.trigger('focus');
        for (let i = 1; i <= text.length; i++) await input.setValue(text.slice(0, i));
    };
    return { value, sent, input, el, enter, type, host };
}

describe('a field that takes what people type', () => {
    it.each([
        ['mass', '2,1 kg', 2100],
        ['mass', '2 kg', 2000],
        ['mass', '12.8 kg', 12800],
        ['mass', '450', 450],
        ['mass', '5 lb', 2267.96185],
        ['length', '3/4 in', 19.05],
        ['length', '1.2 m', 1200],
        ['temperature', '350F', 176.66666666666666],
        ['time', '90 s', 1.5],
        ['number', '12,5', 12.5],
    ] as [Dimension, string, number][])(
        '%s “%s” and Enter, with no pause',
        async (dimension, text, value) => {
            const f = form(dimension);
            await f.type(text);
            await f.enter();
            expect(f.sent).toHaveLength(1);
            expect(f.sent[0]).toBeCloseTo(value, 6);
        },
    );

    it('sends the same after Tab, after a paste and at the speed of a scanner', async () => {
        const tab = form('mass');
        await tab.type('2,1 kg');
        await tab.input.trigger('blur');
        expect(tab.el.value.replace(/\s/g, ' ')).toBe('2 100 g');
        await tab.enter();
        const paste = form('mass');
        await paste.input.trigger('focus');
        await paste.input.setValue('2,1 kg');
        await paste.enter();
        const scanner = form('mass');
        scanner.el.value = '2';
        for (const text of ['2,', '2,1', '2,1 ', '2,1 k', '2,1 kg']) {
            scanner.el.value = text;
            void scanner.input.trigger('input');
        }
        await scanner.enter();
        expect([tab.sent, paste.sent, scanner.sent]).toEqual([[2100], [2100], [2100]]);
    });

    it('sends nothing at all while it means nothing, and says why when asked to', async () => {
        for (const text of ['2 kgg', '2 k', 'two', '2,100 g', '-3 g', '2 mm', '1e3']) {
            const f = form('mass');
            await f.type(text);
            await f.enter();
            expect(f.sent).toEqual([]);
            expect(f.value.value).toBeNull();
            await f.input.trigger('blur');
            expect(f.el.getAttribute('aria-invalid')).toBe('true');
            expect(f.el.value).toBe(text);
        }
    });

    it('keeps its limits, and a mass that pulls upward only where that can be', async () => {
        const held = form('temperature', { min: 20, max: 450 });
        await held.type('600');
        await held.enter();
        expect(held.sent).toEqual([]);
        await held.input.trigger('blur');
        expect(held.host.text()).toContain('Between');
        const floats = form('mass', { signed: true });
        await floats.type('-1,25 g');
        await floats.enter();
        expect(floats.sent).toEqual([-1.25]);
    });

    it("reads a bare number in the person's own unit and shows what is kept, exactly", async () => {
        session.preferences.units = 'us';
        const f = form('mass', {}, 12850);
        expect(f.el.value).toContain('lb');
        await f.type('2');
        await f.enter();
        session.preferences.units = 'metric';
        expect(f.sent[0]).toBeCloseTo(907.18474, 6);
        const exact = form('mass', {}, 12850);
        await exact.input.trigger('focus');
        await exact.input.trigger('blur');
        expect(exact.value.value).toBe(12850);
        expect(exact.el.value.replace(/\s/g, ' ')).toBe('12 850 g');
        await exact.enter();
        expect(exact.sent).toEqual([12850]);
    });

    it('may be left empty', async () => {
        const f = form('mass', {}, 300);
        await f.input.trigger('focus');
        await f.input.setValue('');
        await f.enter();
        expect(f.sent).toEqual([null]);
    });

    it('has the keys from the start where its dialog asks it first, and only there', () => {
        expect(document.activeElement).not.toBe(form('time', {}, 2).el);
        const first = form('time', { first: true }, 2);
        expect(document.activeElement).toBe(first.el);
    });
});
