import { mount } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { defineComponent } from 'vue';
import { LONG_MS, pedal, useFoot } from './foot';

const presses: boolean[] = [];
let screen: ReturnType<typeof mount>;
const key = (type: string, code: string, repeat = false) =>
    window.dispatchEvent(new KeyboardEvent(type, { code, key: code, repeat, cancelable: true }));

beforeEach(() => {
    vi.useFakeTimers();
    presses.length = 0;
    pedal.value = 'F9';
    screen = mount(defineComponent({ setup: () => (useFoot((long) => presses.push(long)), () => null) }));
});
afterEach(() => {
    screen.unmount();
    vi.useRealTimers();
});

describe('a foot switch', () => {
    it('is short as it is let go, and long as soon as it was held for it, once', () => {
        key('keydown', 'F9');
        expect(presses).toEqual([]);
        key('keyup', 'F9');
        expect(presses).toEqual([false]);
        key('keydown', 'F9');
        vi.advanceTimersByTime(LONG_MS + 1);
        expect(presses).toEqual([false, true]);
        key('keyup', 'F9');
        expect(presses).toEqual([false, true]);
    });

    it('says one thing however long the key repeats', () => {
        key('keydown', 'F9');
        for (let i = 0; i < 20; i++) key('keydown', 'F9', true);
        key('keyup', 'F9');
        expect(presses).toEqual([false]);
    });

    it('is deaf to other keys, where none is set, and while a question is open', () => {
        key('keydown', 'F8');
        key('keyup', 'F8');
        const question = document.createElement('div');
        question.innerHTML = '<div class="v-overlay--active"><div class="v-card"></div></div>';
        document.body.append(question);
        key('keydown', 'F9');
        key('keyup', 'F9');
        question.remove();
        pedal.value = '';
        key('keydown', 'F9');
        key('keyup', 'F9');
        expect(presses).toEqual([]);
    });
});
