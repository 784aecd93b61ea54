import { beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';

/** A browser's sound, as far as it can be told whether it is on. */
class Sound {
    static made: Sound[] = [];
    state = 'suspended';
    onstatechange: (() => void) | null = null;
    constructor() {
        Sound.made.push(this);
    }
    async resume() {
        this.become('running');
    }
    become(state: string) {
        this.state = state;
        this.onstatechange?.();
    }
}

describe('whether a call would be heard', () => {
    let heard: { value: boolean };
    beforeAll(async () => {
        vi.resetModules();
        ({ heard } = await import('./sound'));
    });
    beforeEach(() => void vi.stubGlobal('AudioContext', Sound));

    it('is not before somebody touched the screen since it was loaded', () => {
        expect(heard.value).toBe(false);
        expect(Sound.made).toHaveLength(0);
    });

    it('is after one touch, and makes no second', () => {
        window.dispatchEvent(new Event('pointerdown'));
        expect(heard.value).toBe(true);
        window.dispatchEvent(new Event('keydown'));
        expect(Sound.made).toHaveLength(1);
    });

    it('says that it is off again when the device took it away, until the next touch', () => {
        Sound.made[0]!.become('suspended');
        expect(heard.value).toBe(false);
        window.dispatchEvent(new Event('keydown'));
        expect(heard.value).toBe(true);
    });
});
