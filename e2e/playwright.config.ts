import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './browser.mjs';

// `address=state folder` of each shop; a worker has one for itself. Without SHOPS: the one at BASE_URL.
const shops = (process.env.SHOPS ?? '').split(' ').filter(Boolean);
const own = shops[Number(process.env.TEST_PARALLEL_INDEX ?? 0)];
if (own) {
    [process.env.BASE_URL, process.env.DITHERMIC_STATE] = own.split('=');
}

export default defineConfig({
    testDir: '.',
    outputDir: '.out',
    timeout: 180_000,
    // On a busy machine what is late is not wrong.
    expect: { timeout: 45_000 },
    workers: Math.max(1, shops.length),
    retries: 0,
    forbidOnly: true,
    reporter: [['list']],
    use: {
        baseURL: process.env.BASE_URL ?? 'http://127.0.0.1:8080',
        viewport: { width: 1280, height: 800 },
        // Menus and dialogs stand where they open: nothing moves away between a press and its release.
        contextOptions: { reducedMotion: 'reduce' },
        // Each story has a browser of its own, and would fetch the whole application for later: those that need it say
        // so.
        serviceWorkers: 'block',
        actionTimeout: 45_000,
        trace: 'off',
        launchOptions: {
            executablePath: CHROMIUM,
            args: [
                '--no-sandbox',
                '--disable-gpu',
                '--disable-quic',
                '--no-first-run',
                '--disable-background-networking',
                '--disable-component-update',
                '--disable-sync',
            ],
        },
    },
});
