import 'fake-indexeddb/auto';
import { disableAutoUnmount, enableAutoUnmount } from '@vue/test-utils';
import { afterEach, vi } from 'vitest';

// Files share a page: none leaves anything on it that still asks, listens or stands still.
disableAutoUnmount();
enableAutoUnmount(afterEach);
afterEach(() => vi.useRealTimers());

// A browser has it; this one has not.
window.AudioContext ??= class {} as typeof AudioContext;
