import { svelte } from '@sveltejs/vite-plugin-svelte';
import { defineConfig } from 'vitest/config';

// What of the front end needs no page: tests/web, in Node. With a page: tests/browser, by Playwright.
export default defineConfig({
    plugins: [svelte()],
    test: { include: ['tests/web/**/*.test.ts'] },
});
