import { svelte } from '@sveltejs/vite-plugin-svelte';
import laravel from 'laravel-vite-plugin';
import { readFileSync } from 'node:fs';
import { defineConfig, type Plugin } from 'vite';

/** For bin/dev: the page itself, as the application sends it, with its script hot. */
const page: Plugin = {
    name: 'page',
    configureServer(server) {
        const html = readFileSync('resources/views/app.blade.php', 'utf8').replace(
            /@vite\('(.+?)'\)/,
            '<script type="module" src="/@vite/client"></script><script type="module" src="/$1"></script>',
        );
        server.middlewares.use((request, response, next) => {
            if (request.url !== '/') return next();
            response.setHeader('Content-Type', 'text/html; charset=utf-8').end(html);
        });
    },
};

export default defineConfig({
    // The hot file is kept from the application, which goes on serving what was built.
    plugins: [svelte(), laravel({ input: ['resources/web/main.ts'], refresh: false, hotFile: 'var/run/hot' }), page],
    build: { target: 'es2022', assetsInlineLimit: 0 },
    server: {
        strictPort: true,
        proxy: Object.fromEntries(
            ['/api', '/live', '/up', '/favicon.svg'].map((path) => [path, process.env.MINT_ADDRESS ?? 'http://127.0.0.1:8080']),
        ),
    },
});
