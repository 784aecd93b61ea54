import { createVuetify } from 'vuetify';
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg';

/** Colours and component manners; docs/design.md says why. Ember is heat going in, slate is heat coming out. */
const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content;

export const vuetify = createVuetify({
    icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
    theme: {
        cspNonce: nonce,
        defaultTheme: 'light',
        themes: {
            light: {
                dark: false,
                colors: {
                    background: '#ece7df',
                    surface: '#fbfaf6',
                    primary: '#b53a12',
                    secondary: '#17607c',
                    error: '#86186a',
                    success: '#2c5f45',
                    'on-primary': '#ffffff',
                    'on-secondary': '#ffffff',
                    'on-background': '#1d2326',
                    'on-surface': '#1d2326',
                },
            },
            dark: {
                dark: true,
                colors: {
                    background: '#121618',
                    surface: '#1c2225',
                    primary: '#ef7d52',
                    secondary: '#78bcd6',
                    error: '#ef92d3',
                    success: '#8ecfae',
                    'on-primary': '#1d1009',
                    'on-secondary': '#08181f',
                    'on-background': '#f2efe8',
                    'on-surface': '#f2efe8',
                },
            },
        },
    },
    defaults: {
        VBtn: { rounded: 'sm', elevation: 0, class: 'text-none' },
        VTextField: { variant: 'outlined', density: 'comfortable', hideDetails: 'auto', color: 'primary' },
        VSelect: { variant: 'outlined', density: 'comfortable', hideDetails: 'auto', color: 'primary' },
        VTextarea: { variant: 'outlined', density: 'comfortable', hideDetails: 'auto', color: 'primary' },
        VSlider: { color: 'primary', hideDetails: true, trackSize: 6, thumbSize: 26 },
        VCard: { rounded: 'sm', elevation: 0 },
    },
});
