import 'fake-indexeddb/auto';
import { disableAutoUnmount, enableAutoUnmount } from '@vue/test-utils';
import { afterEach, vi } from 'vitest';
import { noteServerTime } from '../parts/clock';

// Files share a page: none leaves anything on it that still asks, listens or stands still.
disableAutoUnmount();
enableAutoUnmount(afterEach);
afterEach(() => {
    vi.useRealTimers();
    window.dispatchEvent(new Event('blur'));
    noteServerTime(Date.now() / 1000);
});

// A browser has it; this one has not.
window.AudioContext ??= class {} as typeof AudioContext;
