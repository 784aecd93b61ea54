import vue from '@vitejs/plugin-vue';
import laravel from 'laravel-vite-plugin';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';
import vuetify from 'vite-plugin-vuetify';

/** where it is built: beside what is being served, when something is */
const OUT = process.env.DITHERMIC_BUILD ?? 'public/build';

export default defineConfig({
    plugins: [
        laravel({ input: ['resources/js/main.ts'], refresh: false, hotFile: process.env.DITHERMIC_HOT_FILE }),
        vue({ template: { transformAssetUrls: { base: null, includeAbsolute: false } } }),
        vuetify({ autoImport: true }),
        VitePWA({
            outDir: OUT,
            buildBase: '/build/',
            scope: '/',
            injectRegister: null,
            registerType: 'autoUpdate',
            manifest: {
                name: 'Dithermic',
                short_name: 'Dithermic',
                start_url: '/',
                scope: '/',
                display: 'standalone',
                background_color: '#ece7df',
                theme_color: '#1d2326',
                icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' }],
            },
            workbox: {
                globDirectory: OUT,
                globPatterns: ['assets/*.{js,css,woff2}'],
                modifyURLPrefix: { 'assets/': '/build/assets/' },
                // The shell is the server's one page: kept so that a reload works with the cable out.
                additionalManifestEntries: [{ url: '/shell', revision: String(Date.now()) }],
                navigateFallback: '/shell',
                navigateFallbackDenylist: [/^\/api\//, /^\/made\//, /^\/build\//, /^\/sanctum\//, /^\/up$/],
                cleanupOutdatedCaches: true,
                clientsClaim: true,
                skipWaiting: true,
                inlineWorkboxRuntime: true,
            },
        }),
    ],
    build: { outDir: OUT, emptyOutDir: true, target: 'es2022', chunkSizeWarningLimit: 700 },
});
