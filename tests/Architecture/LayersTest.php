<?php

declare(strict_types=1);

arch('the core imports nothing outside itself')
    ->expect('MintCarry\Core')->not->toUse(['Illuminate', 'App', 'Carbon', 'Symfony', 'Database']);
arch('the core has no clock, no database, no output')
    ->expect('MintCarry\Core')
    ->not->toUse([
        'time', 'date', 'microtime', 'hrtime', 'strtotime', 'rand', 'mt_rand', 'random_int', 'echo', 'dd', 'dump', 'var_dump',
    ]);
arch('the core reads no files and no environment')
    ->expect('MintCarry\Core')
    ->not->toUse([
        'file_get_contents', 'file_put_contents', 'file', 'is_file', 'file_exists', 'scandir', 'glob', 'readfile', 'getenv',
        'shell_exec', 'exec', 'proc_open', 'SplFileObject', 'SplFileInfo',
    ]);
arch('the core is strict')->expect('MintCarry\Core')->toUseStrictTypes()->and('MintCarry\Core')->classes()->toBeFinal();
arch('the application is strict')->expect('App')->toUseStrictTypes();
arch('nothing is left behind')->expect(['dd', 'dump', 'ray', 'var_dump'])->not->toBeUsed();

it('layers the core without a circle', function (): void {
    // A folder may use those before it, and itself.
    $layers = [
        ['Errors'], ['Booking'], ['Units'], ['Statistics'], ['Air'], ['Club'], ['Order'], ['Flight'], ['Impact'], ['Memory'], ['Launch'], ['Intake'],
        ['Fitting'],
        ['Judging'], ['FollowUp'], ['Gaps'], ['Record'], ['Finder'], ['Report'],
    ];
    $below = [];
    foreach ($layers as $layer) {
        foreach ($layer as $folder) {
            foreach (glob(__DIR__."/../../core/{$folder}/*.php") ?: [] as $file) {
                preg_match_all('/MintCarry\\\\Core\\\\([A-Z]\w*)\\\\/', (string) file_get_contents($file), $used);
                expect(array_values(array_diff(array_unique($used[1]), $below, [$folder])))->toBe(
                    [], "core/{$folder}/".basename($file).' reaches up or aside',
                );
            }
        }
        $below = [...$below, ...$layer];
    }
    expect(array_map(basename(...), glob(__DIR__.'/../../core/*', GLOB_ONLYDIR) ?: []))->each->toBeIn($below);
});

it('lets nothing but routes into app/Http from outside', function (): void {
    $in = [];
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(__DIR__.'/../../app', FilesystemIterator::SKIP_DOTS)) as $file) {
        $path = substr((string) $file, strlen(__DIR__.'/../../'));
        if (! str_starts_with($path, 'app/Http/') && str_contains((string) file_get_contents((string) $file), 'App\\Http\\')) {
            $in[] = $path;
        }
    }
    expect($in)->toBe([]);
});

arch('resources only format')
    ->expect('App\Http\Resources')
    ->not->toUse([
        'App\Actions', 'App\Journal', 'App\Exchange', 'App\Http\Requests', 'App\Http\Controllers', 'Illuminate\Support\Facades\DB',
    ]);
it('reads nothing in a resource: it gives form to what was read', function (): void {
    foreach (glob(__DIR__.'/../../app/Http/Resources/*.php') ?: [] as $file) {
        expect((string) file_get_contents($file))->not->toContain('query()', basename($file))->not->toContain('DB::', basename($file));
    }
});

arch('the rooms beside Http know each other only downward')
    ->expect('App\Models')->not->toUse(['App\Actions', 'App\Exchange', 'App\Contract'])
    ->and('App\Journal')->not->toUse(['App\Actions', 'App\Exchange'])
    ->and('App\Fittings')->not->toUse(['App\Actions', 'App\Exchange', 'App\Journal']);

it('writes PHP in lines that fit a screen: fewer than one in a hundred are over 140 letters', function (): void {
    [$long, $all] = [[], 0];
    foreach (['app', 'core', 'cli', 'database', 'tests', 'bin', 'config', 'routes', 'bootstrap', 'compat', 'devices'] as $folder) {
        foreach (
            new RecursiveIteratorIterator(new RecursiveDirectoryIterator(__DIR__."/../../{$folder}",
                FilesystemIterator::SKIP_DOTS)) as $file
        ) {
            foreach ($file->getExtension() === 'php' ? (array) file((string) $file, FILE_IGNORE_NEW_LINES) : [] as $number => $line) {
                $all++;
                if (mb_strlen((string) $line) > 140) {
                    $long[] = $file->getFilename().':'.($number + 1);
                }
            }
        }
    }
    expect(count($long) / $all)->toBeLessThan(0.01, count($long)." of {$all} lines: ".implode(' ', array_slice($long, 0, 20)));
});

it('keeps controllers free of arithmetic of the job', function (): void {
    foreach (glob(__DIR__.'/../../app/Http/Controllers/*.php') ?: [] as $file) {
        expect((string) file_get_contents($file))->not->toMatch('/\b(sqrt|sin|cos|tan|exp|log|array_sum)\(/', basename($file));
    }
});

/** What compat/ stands in for, and where the packages may use it. A new use elsewhere must be looked at before it is allowed. */
it('knows every use of the packages that compat/ replaces', function (): void {
    $allowed = [
        'Symfony\\Component\\Clock\\' => ['nesbot/carbon'],
        'Fruitcake\\Cors\\' => ['laravel/framework'],
        'League\\Config\\' => ['league/commonmark', 'laravel/framework'],
    ];
    $found = [];
    $files = new RecursiveIteratorIterator(new RecursiveDirectoryIterator(__DIR__.'/../../vendor', FilesystemIterator::SKIP_DOTS));
    foreach ($files as $file) {
        if (
            $file->getExtension() !== 'php' ||
            str_contains($file->getPathname(), '/vendor/composer/') ||
            str_contains($file->getPathname(), '/phpstan/')
        ) {
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
        ->and((new Symfony\Component\Clock\NativeClock)->withTimeZone('Asia/Tokyo')->now()->getTimezone()->getName())
        ->toBe('Asia/Tokyo');
});

it('opens transactions in one place, where they are tried again', function (): void {
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(__DIR__.'/../../app', FilesystemIterator::SKIP_DOTS)) as $file) {
        if (! str_ends_with((string) $file, 'Support/Transaction.php')) {
            expect((string) file_get_contents((string) $file))->not->toMatch('/transaction\\(|beginTransaction/', (string) $file);
        }
    }
});
