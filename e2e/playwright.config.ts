import { defineConfig } from '@playwright/test';

export default defineConfig({
    testDir: '.',
    outputDir: '.out',
    timeout: 60_000,
    expect: { timeout: 8_000 },
    workers: 1,
    retries: 0,
    forbidOnly: true,
    reporter: [['list']],
    use: {
        baseURL: process.env.BASE_URL ?? 'http://127.0.0.1:8080',
        viewport: { width: 1280, height: 800 },
        actionTimeout: 10_000,
        trace: 'off',
        launchOptions: {
            executablePath: '/usr/bin/chromium',
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
