import pluginVue from 'eslint-plugin-vue';
import { defineConfigWithVueTs, vueTsConfigs } from '@vue/eslint-config-typescript';

export default defineConfigWithVueTs(
    { ignores: ['public/**', 'vendor/**', 'storage/**', 'resources/js/api/schema.ts'] },
    pluginVue.configs['flat/essential'],
    vueTsConfigs.recommended,
    { rules: { 'vue/multi-word-component-names': 'off', '@typescript-eslint/no-explicit-any': 'error' } },
);
