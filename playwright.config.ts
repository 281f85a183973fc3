import { defineConfig } from '@playwright/test';
import { browser } from './bin/parts/browser.mjs';
import { address, addresses } from './tests/browser/served';

export default defineConfig({
    testDir: 'tests/browser',
    fullyParallel: false,
    // Each against an application of its own.
    workers: addresses.length,
    timeout: 120_000,
    forbidOnly: true,
    // What passes only at the second try is a fault to be found.
    retries: 0,
    reporter: [['list'], ['junit', { outputFile: process.env.PLAYWRIGHT_JUNIT_OUTPUT_FILE ?? 'var/reports/browser.xml' }]],
    outputDir: 'var/browser',
    // Speed is for bin/bench; a slow machine is not a failed test.
    expect: { timeout: 15_000 },
    use: {
        baseURL: address(),
        viewport: { width: 1280, height: 800 },
        screenshot: 'only-on-failure',
        contextOptions: { reducedMotion: 'reduce' },
        launchOptions: browser,
    },
});
