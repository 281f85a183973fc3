<?php

declare(strict_types=1);

arch('the core imports nothing outside itself')->expect('MintCarry\Core')->not->toUse(['Illuminate', 'App', 'Carbon', 'Symfony', 'Database']);
arch('the core has no clock, no database, no output')->expect('MintCarry\Core')->not->toUse(['time', 'date', 'microtime', 'rand', 'mt_rand', 'random_int', 'file_get_contents', 'echo', 'dd', 'dump', 'var_dump']);
arch('the core is strict')->expect('MintCarry\Core')->toUseStrictTypes()
    ->and('MintCarry\Core')->classes()->toBeFinal();
arch('the application is strict')->expect('App')->toUseStrictTypes();
arch('nothing is left behind')->expect(['dd', 'dump', 'ray', 'var_dump'])->not->toBeUsed();

it('layers the core without a circle', function (): void {
    // A folder may use those before it, and itself.
    $layers = [['Units'], ['Statistics'], ['Air'], ['Club'], ['Flight'], ['Impact', 'Launch', 'Intake'], ['Fitting'], ['Judging'], ['Record'], ['Finder'], ['Report']];
    $below = [];
    foreach ($layers as $layer) {
        foreach ($layer as $folder) {
            foreach (glob(__DIR__."/../../core/{$folder}/*.php") ?: [] as $file) {
                preg_match_all('/MintCarry\\\\Core\\\\([A-Z]\w*)\\\\/', (string) file_get_contents($file), $used);
                expect(array_values(array_diff(array_unique($used[1]), $below, [$folder])))->toBe([], "core/{$folder}/".basename($file).' reaches up or aside');
            }
        }
        $below = [...$below, ...$layer];
    }
    expect(array_map(basename(...), glob(__DIR__.'/../../core/*', GLOB_ONLYDIR) ?: []))->each->toBeIn($below);
});

it('keeps controllers free of arithmetic of the job', function (): void {
    foreach (glob(__DIR__.'/../../app/Http/Controllers/*.php') ?: [] as $file) {
        expect((string) file_get_contents($file))->not->toMatch('/\b(sqrt|sin|cos|tan|exp|log|array_sum)\(/', basename($file));
    }
});

/** What compat/ stands in for, and where the packages may use it. A new use elsewhere must be looked at before it is allowed. */
it('knows every use of the packages that compat/ replaces', function (): void {
    $allowed = ['Symfony\\Component\\Clock\\' => ['nesbot/carbon'], 'Fruitcake\\Cors\\' => ['laravel/framework'], 'League\\Config\\' => ['league/commonmark', 'laravel/framework']];
    $found = [];
    $files = new RecursiveIteratorIterator(new RecursiveDirectoryIterator(__DIR__.'/../../vendor', FilesystemIterator::SKIP_DOTS));
    foreach ($files as $file) {
        if ($file->getExtension() !== 'php' || str_contains($file->getPathname(), '/vendor/composer/') || str_contains($file->getPathname(), '/phpstan/')) {
            continue;
        }
        $code = (string) file_get_contents($file->getPathname());
        foreach ($allowed as $namespace => $packages) {
            if (str_contains($code, 'use '.$namespace)) {
                $parts = explode('/', substr($file->getPathname(), strpos($file->getPathname(), '/vendor/') + 8));
                $package = "{$parts[0]}/{$parts[1]}";
                if (! in_array($package, $packages, true)) {
                    $found[] = "{$namespace} in {$package}";
                }
            }
        }
    }
    expect(array_unique($found))->toBe([]);
});

it('has stand-ins that do what they replace', function (): void {
    expect(array_first([]))->toBeNull()
        ->and(array_first(['b' => 2, 'a' => 1]))->toBe(2)
        ->and(array_last([1, 2, 3]))->toBe(3)
        ->and((new Symfony\Component\Clock\NativeClock('UTC'))->now()->getTimezone()->getName())->toBe('UTC')
        ->and((new Symfony\Component\Clock\NativeClock)->withTimeZone('Asia/Tokyo')->now()->getTimezone()->getName())->toBe('Asia/Tokyo');
});
