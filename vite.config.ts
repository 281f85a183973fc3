import { svelte } from '@sveltejs/vite-plugin-svelte';
import laravel from 'laravel-vite-plugin';
import { defineConfig } from 'vite';

export default defineConfig({
    plugins: [svelte(), laravel({ input: ['resources/web/main.ts'], refresh: false })],
    build: { target: 'es2022', assetsInlineLimit: 0 },
});
