<?php

declare(strict_types=1);

use App\Models\Decision;
use App\Models\Fitting;
use App\Models\Player;
use App\Models\RackHead;
use App\Models\Rating;
use App\Models\Reading;
use App\Models\Setup;
use App\Models\Shot;
use App\Models\User;
use Database\Seeders\DemoSeeder;
use Illuminate\Http\UploadedFile;
use MintCarry\Core\Record\FittingFile;

// A whole fitting out as a file and in again, in the same studio and in another.

beforeEach(function (): void {
    app(DemoSeeder::class)->run();
    $this->demo = User::query()->where('email', DemoSeeder::EMAIL)->firstOrFail();
    $this->case = Fitting::query()->whereHas('decisions')->firstOrFail();
    $this->actingAs($this->demo);
    $this->take = fn (?int $id = null): array => $this->getJson('api/fittings/'.($id ?? $this->case->id).'/file')
        ->assertOk()->json();
    $this->bring = fn (array|string $data, bool $keep = true) => $this->postJson('api/fittings/import', [
        'keep' => $keep,
        'file' => UploadedFile::fake()->createWithContent(
            'x.json', is_string($data) ? $data : json_encode($data, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION),
        ),
    ]);
    $this->without = fn (array $file): array => array_diff_key($file, ['exportedAt' => 1]);
});

it('comes back as it went: same file, same figures on every screen', function (): void {
    $file = ($this->take)();
    $heads = RackHead::query()->count();
    $made = ($this->bring)($file)->assertOk()->json();
    expect($made)
        ->toMatchArray(['player' => 'Imke Dorsay', 'hand' => 'left', 'setups' => ['A', 'B', 'C', 'D'], 'shots' => 35, 'decisions' => 1])
        ->and($made['rack']['added'])->toBe([])
        ->and(RackHead::query()->count())->toBe($heads)
        ->and(($this->without)(($this->take)($made['fittingId'])))->toEqual(($this->without)($file));
    foreach (['comparison', 'advice', 'finder', 'grounds'] as $screen) {
        $told = fn (int $id): array => array_diff_key($this->getJson("api/fittings/{$id}/{$screen}")->assertOk()->json(), ['age' => 1]);
        expect($told($made['fittingId']))->toEqual($told($this->case->id));
    }
});

it('means the same in another studio, where its heads and parts are new', function (): void {
    $file = ($this->take)();
    $finder = $this->getJson("api/fittings/{$this->case->id}/finder")->json();
    $other = $this->practising('Another studio');
    $made = $this->actingAs($other) === null ?: ($this->bring)($file)->assertOk()->json();
    expect($made['rack']['added'])->toContain('Tern 460', 'Plover 445', 'Reedline 55 R')
        ->and($this->getJson("api/fittings/{$this->case->id}")->status())->toBe(404);
    $there = $this->getJson("api/fittings/{$made['fittingId']}/finder")->json();
    $plain = fn (array $found): array => array_map(fn (array $s): array => array_diff_key($s, ['headId' => 1]), $found['setups']);
    expect($plain($there))->toEqual($plain($finder))
        ->and(Setup::query()->where('fitting_id', $made['fittingId'])->where('tag', 'D')->firstOrFail()->rackHead?->studio_id)
        ->toBe($other->studio_id);
});

it('reads every file that a version before wrote, with its locked decision', function (string $path): void {
    $this->practising('Another studio');
    $made = ($this->bring)((string) file_get_contents($path))->assertOk()->assertJsonPath('shots', 35)
        ->assertJsonPath('decisions', 1)->json('fittingId');
    foreach (['', '/comparison', '/decisions', '/grounds', '/finder', '/follow-up'] as $screen) {
        $this->getJson("api/fittings/{$made}{$screen}")->assertOk();
    }
    $decision = $this->getJson("api/fittings/{$made}/decisions")->json('0');
    expect($decision['advice']['simulatedShots'])->toBe(basename($path) === '1-first.json' ? 0 : 34)
        ->and($decision['lockedAt'])->not->toBeNull();
    // It goes out again in the format of today, and loses nothing on the way.
    $out = ($this->take)($made);
    expect($out['format'])->toBe(FittingFile::FORMAT)
        ->and(($this->without)(($this->take)(($this->bring)($out)->assertOk()->json('fittingId'))))->toEqual(($this->without)($out));
})->with(fn (): array => array_combine(
    array_map(basename(...), $paths = glob(dirname(__DIR__).'/fixtures/fittings/*.json') ?: []), array_map(static fn (string $p): array => [$p], $paths),
));

it('finds the heads of a file of before on the rack, which says no source of their readings', function (): void {
    Reading::query()->update(['source' => 'measured']);
    $file = ($this->take)();
    $heads = RackHead::query()->count();
    foreach ($file['rack']['heads'] as &$head) {
        foreach (array_keys($head['readings'] ?? []) as $i) {
            unset($head['readings'][$i]['source']);
        }
    }
    expect(($this->bring)($file)->assertOk()->json('rack.added'))->toBe([])->and(RackHead::query()->count())->toBe($heads);
});

it('looks before it stores', function (): void {
    $file = ($this->take)();
    $before = [Fitting::query()->count(), Player::query()->count(), Shot::query()->count()];
    ($this->bring)($file, false)->assertOk()->assertJsonPath('fittingId', null)->assertJsonPath('shots', 35);
    expect([Fitting::query()->count(), Player::query()->count(), Shot::query()->count()])->toBe($before);
});

it('keeps left-out shots with their reasons, notes, ratings, versions and the trail', function (): void {
    $d = Setup::query()->where('fitting_id', $this->case->id)->where('tag', 'D')->firstOrFail();
    $this->postJson("api/fittings/{$this->case->id}/trials", ['setupId' => $d->id])->assertCreated();
    $this->type($this->demo, $this->case, $d, [
        ['ballSpeedMps' => '140', 'launchDeg' => '12', 'spinRpm' => '2500', 'directionDeg' => '1', 'spinAxisDeg' => '2'],
    ])->assertCreated();
    $trial = $this->getJson("api/fittings/{$this->case->id}/bay")->json('running.id');
    $this->postJson("api/trials/{$trial}/ratings", ['kind' => 'confidence', 'stars' => 4])->assertSuccessful();
    $this->patchJson('api/shots/'.Shot::query()->latest('id')->value('id'), ['note' => 'off the toe', 'was' => null])->assertOk();
    $this->patchJson("api/setups/{$d->id}/shelf", ['starred' => true])->assertOk();
    $decision = Decision::query()->firstOrFail();
    $this->postJson("api/decisions/{$decision->id}/lock")->assertOk();
    $file = ($this->take)();
    $made = ($this->bring)($file)->assertOk()->json('fittingId');
    expect(($this->without)(($this->take)($made)))->toEqual(($this->without)($file));
    $again = Fitting::query()->findOrFail($made);
    expect($again->decisions()->first()?->isLocked())->toBeTrue()
        ->and(Shot::query()->where('fitting_id', $made)->where('left_out_reason', 'mishit')->value('left_out_note'))
        ->toBe('Low heel, felt it at once')
        ->and(Shot::query()->where('fitting_id', $made)->where('note', 'off the toe')->exists())->toBeTrue()
        ->and(Rating::query()->where('fitting_id', $made)->value('stars'))->toBe(4)
        ->and(Setup::query()->where('fitting_id', $made)->where('starred', true)->value('tag'))->toBe('D');
});

it('brings in a head of the same name that is not the same head under a name of its own', function (): void {
    $file = ($this->take)();
    foreach ($file['rack']['heads'] as $i => $head) {
        if ($head['label'] === 'Tern 460') {
            $file['rack']['heads'][$i]['readings'][0]['values']['loftDeg'] = [12.4];
        }
    }
    $made = ($this->bring)($file)->assertOk()->json();
    $setup = Setup::query()->where('fitting_id', $made['fittingId'])->where('tag', 'D')->firstOrFail();
    expect($made['rack']['added'])->toBe(['Tern 460 (2)'])
        ->and($setup->head)->toBe('Tern 460 (2)')
        ->and($setup->rackHead?->gauged()->straight()->loftDeg)->toBeGreaterThan(11.9)
        ->and(Setup::query()->where('fitting_id', $this->case->id)->where('tag', 'D')->firstOrFail()->head)->toBe('Tern 460');
});

it('takes a head along that was retired after it was hit, and leaves it retired', function (): void {
    $head = Setup::query()->where('fitting_id', $this->case->id)->where('tag', 'D')->firstOrFail()->head_id;
    $before = collect($this->getJson("api/fittings/{$this->case->id}/finder")->json('setups'))->firstWhere('setupTag', 'D');
    $this->deleteJson("api/heads/{$head}")->assertSuccessful();
    $file = ($this->take)();
    expect(collect($file['rack']['heads'])->firstWhere('label', 'Tern 460')['retired'])->toBeTrue();
    $found = collect(
        $this->getJson("api/fittings/{$this->case->id}/finder")
            ->assertOk()->json('setups'),
    );
    expect($found->firstWhere('setupTag', 'D')['tested'])->toBeTrue()
        ->and($found->where('head', 'Tern 460')->count())->toBe(3)
        ->and($before)->not->toBeNull();
    $this->actingAs($this->practising('Elsewhere'));
    $made = ($this->bring)($file)->assertOk()->json();
    expect(
        Setup::query()->where('fitting_id', $made['fittingId'])->where('tag', 'D')->firstOrFail()->rackHead?->retired_at,
    )->not->toBeNull();
});

it('refuses to be written while a blind trial is going on, which it would give away', function (): void {
    $ids = Setup::query()->where('fitting_id', $this->case->id)->limit(2)->pluck('id')->all();
    $this->postJson("api/fittings/{$this->case->id}/blind", ['setupIds' => $ids, 'rounds' => 1, 'shotsEach' => 2])->assertCreated();
    $this->getJson("api/fittings/{$this->case->id}/file")->assertUnprocessable()->assertJsonValidationErrors('blind');
    $this->postJson("api/fittings/{$this->case->id}/blind/reveal")->assertOk();
    ($this->take)();
});

it('adds nothing of a file that is wrong, and says what and where', function (array|string $change, string $says): void {
    $before = [Fitting::query()->count(), Player::query()->count(), RackHead::query()->count()];
    $answer = ($this->bring)(is_string($change) ? $change : array_replace_recursive(($this->take)(), $change));
    expect($answer->assertUnprocessable()->json('errors.file.0'))->toContain($says)->toContain('Nothing was added.');
    expect([Fitting::query()->count(), Player::query()->count(), RackHead::query()->count()])->toBe($before);
})->with([
    'not JSON' => ['{"format"', 'not JSON'],
    'a rack' => ['{"format":"mint-carry-rack/1"}', 'not a fitting file'],
    'a newer schema' => ['{"format":"mint-carry-fitting/7"}', 'schema 7'],
    'a shot of no setup' => [['shots' => [3 => ['setup' => 'ZZ']]], "there is no setup 'ZZ'"],
    'a tag that is too long' => [
        ['setups' => [0 => ['note' => str_repeat('x', 501)]]], 'setups[0].note must be a text of at most 500 letters',
    ],
    'a shelf that is none' => [['setups' => [1 => ['shelf' => 'burnt']]], 'setups[1].shelf'],
    'a decision for no setup' => [['decisions' => [0 => ['setup' => 'Q']]], 'decisions[0].setup'],
    'units that are none' => [['player' => ['units' => ['speed' => 'knots']]], "'knots'"],
    'a list that is none' => [['visits' => 'two'], "'visits' must be a list"],
]);

it('takes no value that no screen would take, and names it', function (Closure $change, string $says): void {
    $file = ($this->take)();
    $change($file);
    $rows = fn (): array => [Fitting::query()->count(), Setup::query()->count(), Shot::query()->count(), Reading::query()->count()];
    $before = $rows();
    expect(($this->bring)($file)->assertUnprocessable()->json('errors.file.0'))->toContain($says)->toEndWith('Nothing was added.');
    expect($rows())->toBe($before);
})->with([
    'a club of five metres' => [fn (array &$f) => $f['setups'][0]['lengthMm'] = 5000, 'Setup A: lengthMm is 5000 mm'],
    'a tee of half a metre' => [fn (array &$f) => $f['setups'][1]['teeMm'] = 500, 'Setup B: teeMm is 500 mm'],
    'a head of 90 degrees' => [fn (array &$f) => $f['setups'][1]['statedLoftDeg'] = 90, 'Setup B: statedLoftDeg is 90'],
    'a swing weight beyond the scale' => [fn (array &$f) => $f['setups'][0]['swingWeightPoints'] = 700, 'swingWeightPoints is 700'],
    'a ball as fast as a bullet' => [fn (array &$f) => $f['shots'][3]['measured']['ballSpeedMps'] = 500, 'shots[3]: Ball speed 500 m/s cannot be'],
    'spin beyond all bearing' => [fn (array &$f) => $f['shots'][0]['measured']['spinRpm'] = 1e9, 'shots[0]: Spin rate'],
    'a shot without a launch' => [
        function (array &$f): void {
            unset($f['shots'][2]['measured']['launchDeg']);
        },
        'shots[2]: Launch angle is missing',
    ],
    'air of a furnace' => [fn (array &$f) => $f['trials'] = [['number' => 1, 'setup' => 'A', 'place' => ['temperatureC' => 900]]], 'trials[0].place.temperatureC is 900'],
    'air in words' => [fn (array &$f) => $f['trials'] = [['number' => 1, 'setup' => 'A', 'place' => ['altitudeM' => 'high']]], "'trials[0].place.altitudeM' must be a number"],
    'a monitor that is a list' => [fn (array &$f) => $f['trials'] = [['number' => 1, 'setup' => 'A', 'place' => ['monitor' => ['x']]]], 'must be a word or a number'],
    'a change of a brief that cannot be' => [
        fn (array &$f) => $f['briefChanges'] = [['why' => 'x', 'before' => ['turf' => 'lava'], 'after' => []]], 'briefChanges[0].before',
    ],
    'a reading of a loft of 60' => [fn (array &$f) => $f['rack']['heads'][0]['readings'][0]['values']['loftDeg'] = [60], 'loftDeg is 60'],
    'a slot a metre off' => [fn (array &$f) => $f['rack']['heads'][0]['slots'] = [
        ['name' => 'toe', 'toeMm' => 1000, 'backMm' => 30, 'upMm' => 0],
    ], 'toe toeMm is 1000'],
]);

it('keeps when a reading was taken', function (): void {
    $file = ($this->take)();
    $at = '2024-03-05T10:20:30+00:00';
    foreach ($file['rack']['heads'] as &$head) {
        $head['readings'] = array_map(fn (array $r): array => ['at' => $at] + $r, $head['readings'] ?? []);
    }
    $this->actingAs($this->practising('A studio elsewhere'));
    $made = ($this->bring)($file)->assertOk()->json();
    $dates = Reading::query()->where('studio_id', Fitting::query()->findOrFail($made['fittingId'])->studio_id)->get()
        ->map(fn (Reading $r): string => $r->created_at->toIso8601String())->unique()->values()->all();
    expect($dates)->toBe([$at]);
    // So it leaves again with the same date.
    expect(array_unique(array_column(array_merge(...array_column(($this->take)($made['fittingId'])['rack']['heads'], 'readings')), 'at')))
        ->toBe([$at]);
});

it('writes what its published schema knows, and what the core reads', function (): void {
    $schema = json_decode((string) file_get_contents(dirname(__DIR__, 2).'/docs/schemas/fitting.schema.json'), true);
    $file = ($this->take)();
    expect(array_diff(array_keys($file), array_keys($schema['properties'])))->toBe([])
        ->and(array_diff($schema['required'], array_keys($file)))->toBe([]);
    foreach (['setups' => 'setup', 'shots' => 'shot'] as $list => $def) {
        foreach ($file[$list] as $item) {
            expect(array_diff(array_keys($item), array_keys($schema['$defs'][$def]['properties'])))->toBe([])
                ->and(array_diff($schema['$defs'][$def]['required'], array_keys($item)))->toBe([]);
        }
    }
    foreach (['trials', 'decisions', 'confirms', 'ratings'] as $list) {
        foreach ($file[$list] ?? [] as $item) {
            expect(array_diff(array_keys($item), array_keys($schema['properties'][$list]['items']['properties'])))->toBe([]);
        }
    }
    expect(FittingFile::read($file)->sets())->toHaveCount(4)
        ->and($this->get("api/fittings/{$this->case->id}/file")->headers->get('Content-Disposition'))->toContain('imke-dorsay');
});

it('refuses a decision that no screen could show, by name, and brings nothing in', function (string $field, callable $break): void {
    $file = ($this->take)();
    $break($file['decisions'][0]);
    $n = Fitting::query()->count();
    ($this->bring)($file)->assertUnprocessable()->assertSee($field);
    expect(Fitting::query()->count())->toBe($n);
})->with([
    'no advice' => ['decisions[0].advice', function (array &$d): void {
        unset($d['advice']);
    }],
    'a list for the advice' => ['decisions[0].advice', function (array &$d): void {
        $d['advice'] = [1, 2];
    }],
    'a word for a number' => ['strokes', function (array &$d): void {
        $d['advice']['setups'][0]['strokes'] = 'few';
    }],
    'no interval' => ['shareInterval', function (array &$d): void {
        $d['advice']['setups'][1]['shareInterval'] = null;
    }],
    'a pick that is a number' => ['pick', function (array &$d): void {
        $d['advice']['pick'] = 7;
    }],
]);
