<?php

declare(strict_types=1);

use App\Models\Fitting;
use App\Models\RackHead;
use App\Models\Setup;
use App\Models\Shot;
use App\Models\SimulatedHead;
use MintCarry\Core\Fitting\Brief;

// What a hostile or careless client may try.

beforeEach(function (): void {
    $this->user = $this->fitter();
    $this->case = $this->fitting($this->user);
    $this->actingAs($this->user);
});

it('takes no column that a request was not asked for', function (string $method, string $uri, array $body, string $column): void {
    $uri = str_replace('{fitting}', (string) $this->case->id, $uri);
    $this->json($method, $uri, $body)->assertUnprocessable()->assertJsonValidationErrors($column);
    expect(RackHead::query()->count() + Setup::query()->count() + SimulatedHead::query()->count())->toBe(0)
        ->and($this->case->fresh()->studio_id)->toBe($this->user->studio_id);
})->with([
    'of whom a head is' => [
        'POST', 'api/heads', ['label' => 'Tern 460', 'hand' => 'right', 'statedLoftDeg' => 10, 'studio_id' => 1], 'studio_id',
    ],
    'what a gauge finds' => [
        'POST', 'api/heads', ['label' => 'Tern 460', 'hand' => 'right', 'statedLoftDeg' => 10, 'truth' => ['loftDeg' => 1]],
        'truth',
    ],
    'of whom a fitting is' => ['PATCH', 'api/fittings/{fitting}', ['version' => 1, 'studio_id' => 1], 'studio_id'],
    'whose fitting it is' => ['PATCH', 'api/fittings/{fitting}', ['version' => 1, 'player_id' => 999], 'player_id'],
    'the letter of a setup' => ['POST', 'api/fittings/{fitting}/setups', ['head' => 'X', 'statedLoftDeg' => 10, 'tag' => 'ZZ'], 'tag'],
]);

it('keeps HTML and formulas as the text they are', function (): void {
    $nasty = '<script>alert(1)</script>=1+1';
    $this->patchJson("api/fittings/{$this->case->id}/brief", ['version' => 1, 'brief' => ['wish' => $nasty, 'feel' => $nasty]])
        ->assertOk()->assertJsonPath('brief.wish', $nasty);
    $this->rackHead($this->user, ['label' => $nasty]);
    expect($this->getJson('api/rack')->json('heads.0.label'))->toBe($nasty);
    $page = $this->get('/')->assertOk();
    expect((string) $page->getContent())->not->toContain($nasty);
});

it('refuses what is not the kind of thing it should be', function (string $method, string $uri, array $body): void {
    $uri = str_replace('FITTING', (string) $this->case->id, $uri);
    $this->json($method, $uri, $body)->assertUnprocessable();
})->with([
    'a brief that is a word' => ['PATCH', 'api/fittings/FITTING/brief', ['version' => 1, 'brief' => 'all of it']],
    'a version that is a word' => ['PATCH', 'api/fittings/FITTING/brief', ['version' => 'newest', 'brief' => []]],
    'wants that are one word' => ['PATCH', 'api/fittings/FITTING/brief', ['version' => 1, 'brief' => ['wants' => 'everything']]],
    'a carry that is a list' => ['PATCH', 'api/fittings/FITTING/brief', ['version' => 1, 'brief' => ['carryM' => [1, 2, 3]]]],
    'a corridor that is a number' => [
        'PATCH', 'api/fittings/FITTING/brief',
        ['version' => 1, 'brief' => ['corridor' => ['widthM' => ['value' => ['x'], 'unit' => 'm']]]],
    ],
    'a reason as long as a book' => [
        'PATCH', 'api/fittings/FITTING/brief', ['version' => 1, 'brief' => [], 'why' => str_repeat('x', 301)],
    ],
    'shots that are a word' => ['POST', 'api/fittings/FITTING/shots', ['setupId' => 1, 'shots' => 'many']],
    'a head that is a list' => ['POST', 'api/heads', ['label' => ['x'], 'hand' => 'right', 'statedLoftDeg' => 10]],
    'slots that are a word' => ['POST', 'api/heads', ['label' => 'x', 'hand' => 'right', 'statedLoftDeg' => 10, 'slots' => 'four']],
    'a slot that is a word' => ['POST', 'api/heads', ['label' => 'x', 'hand' => 'right', 'statedLoftDeg' => 10, 'slots' => ['back']]],
    'a sleeve of nothing' => ['POST', 'api/sleeves', ['spec' => []]],
    'a sleeve whose positions are words' => [
        'POST', 'api/sleeves', ['spec' => ['name' => 'S', 'kind' => 'single', 'tiltDeg' => 1, 'positions' => ['N', 'F']]],
    ],
    'a part of nothing' => ['POST', 'api/parts', []],
    'a sleeve check of nothing' => ['POST', 'api/sleeves/check', []],
]);

it('holds numbers that are none away from the mathematics', function (string $value): void {
    $this->patchJson("api/fittings/{$this->case->id}/brief", [
        'version' => 1, 'brief' => ['carryM' => ['value' => $value, 'unit' => 'yd']],
    ])->assertUnprocessable();
    $this->postJson('api/heads', ['label' => 'x', 'hand' => 'right', 'statedLoftDeg' => $value])->assertUnprocessable();
    expect($this->case->fresh()->version)->toBe(1)->and(RackHead::query()->count())->toBe(0);
})->with(['NaN', 'INF', '1e999', '-0x1A', '٣٤', '1;DROP TABLE heads', '--5', '1.2.3']);

it('round-trips every choice that a brief has', function (string $field, string $choice): void {
    $extra = $choice === 'own weights' ? ['weights' => ['carry' => '2', 'fairways' => '1,5']] : [];
    $this->patchJson("api/fittings/{$this->case->id}/brief", ['version' => 1, 'brief' => [$field => $choice] + $extra])
        ->assertOk()->assertJsonPath("brief.{$field}", $choice);
    expect(Fitting::query()->findOrFail($this->case->id)->brief()->toArray()[$field])->toBe($choice);
})->with(function (): Generator {
    foreach (Brief::CHOICES as $field => $choices) {
        foreach ($choices as $choice) {
            yield "{$field}: {$choice}" => [$field, $choice];
        }
    }
});

it('never lets two screens store one shot twice', function (): void {
    $setup = $this->addSetup($this->case);
    $body = [
        'setupId' => $setup->id,
        'shots' => [
            [
                'clientId' => 'same',
                'values' => [
                    'ballSpeedMps' => ['value' => '150', 'unit' => 'mph'], 'launchDeg' => ['value' => '12', 'unit' => 'deg'],
                    'spinRpm' => ['value' => '2400', 'unit' => 'rpm'],
                ],
            ],
        ],
    ];
    foreach (range(1, 3) as $i) {
        $this->postJson("api/fittings/{$this->case->id}/shots", $body)->assertCreated();
    }
    expect(Shot::query()->count())->toBe(1);
});

it('serves files only as downloads that no browser runs', function (string $uri): void {
    $this->rackHead($this->user);
    $answer = $this->get(str_replace('FITTING', (string) $this->case->id, $uri))->assertOk();
    expect($answer->headers->get('Content-Disposition'))->toContain('attachment')
        ->and($answer->headers->get('X-Content-Type-Options'))->toBe('nosniff');
})->with(['api/rack.json', 'api/rack.csv', 'api/fittings/FITTING/shots.csv']);
