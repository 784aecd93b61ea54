import { readdirSync, readFileSync } from 'node:fs';
import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vitest/config';

const files = readdirSync('resources/js', { encoding: 'utf8', recursive: true })
    .filter((file) => file.endsWith('.test.ts'))
    .map((file) => `resources/js/${file}`);
/** What puts another module in the place of one is alone with that; all others share a page, which is four times as fast. */
const alone = files.filter((file) => /vi\.(mock|resetModules)\(/.test(readFileSync(file, 'utf8')));

export default defineConfig({
    plugins: [vue()],
    test: {
        environment: 'happy-dom',
        setupFiles: ['resources/js/tests/setup.ts'],
        passWithNoTests: false,
        restoreMocks: true,
        unstubGlobals: true,
        projects: [
            {
                extends: true,
                test: {
                    name: 'together',
                    include: files.filter((file) => !alone.includes(file)),
                    isolate: false,
                },
            },
            { extends: true, test: { name: 'alone', include: alone } },
        ],
    },
});
