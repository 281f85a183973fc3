<?php

declare(strict_types=1);

use App\Models\Fitting;
use App\Models\Player;
use MintCarry\Core\Fitting\Brief;

beforeEach(function (): void {
    $this->user = $this->fitter();
    $this->actingAs($this->user);
});

it('lists the newest work first', function (): void {
    [$old, $new] = [$this->fitting($this->user), $this->fitting($this->user)];
    Fitting::query()->whereKey($old->id)->update(['updated_at' => now()->subDay()]);
    expect($this->getJson('api/fittings')->json('*.id'))->toBe([$new->id, $old->id]);
    $this->travel(1)->minutes();
    $this->patchJson("api/fittings/{$old->id}", ['version' => 1, 'name' => 'Renamed'])->assertOk();
    expect($this->getJson('api/fittings')->json('*.id'))->toBe([$old->id, $new->id]);
});

it('finds a fitting by player, by head and by wish', function (string $search, bool $found): void {
    $fitting = $this->fitting($this->user, 'right', new Brief(wish: 'Hold a small cut'));
    $fitting->player->update(['name' => 'Jørn Abel-Ås']);
    $this->addSetup($fitting, ['head' => 'Plover 445']);
    expect(count($this->getJson('api/fittings?q='.urlencode($search))->json()))->toBe($found ? 1 : 0);
})->with([
    ['jørn', true],
    ['ABEL', true],
    ['plover', true],
    ['small cut', true],
    ['  plover ', true],
    ['tern', false],
    ['%', false],
    ['_', false],
    ["' OR 1=1 --", false],
]);

it('says what each fitting waits for', function (): void {
    $fitting = $this->fitting($this->user);
    $missing = fn (): array => $this->getJson('api/fittings')->json('0.missing');
    expect($missing())->toMatchArray([
        'brief' => 'not talked through', 'bench' => 'no setup yet', 'bay' => 'no shots yet', 'answer' => 'needs two setups with shots',
        'sheet' => 'after the decision',
    ]);
    $a = $this->addSetup($fitting, ['measured_loft_deg' => 9.0]);
    $b = $this->addSetup($fitting);
    expect($missing()['bench'])->toBe('1 not on the gauge');
    $shot = ['ballSpeedMps' => '150', 'launchDeg' => '12', 'spinRpm' => '2400'];
    $this->type($this->user, $fitting, $a, [$shot]);
    expect($missing()['bay'])->toBe('')->and($missing()['answer'])->toBe('needs two setups with shots');
    $this->type($this->user, $fitting, $b, [$shot]);
    expect($missing())->toMatchArray(['answer' => 'not decided']);
    $this->postJson("api/fittings/{$fitting->id}/decisions", ['setupId' => $a->id, 'reason' => 'own club'])->assertCreated();
    expect($missing())->toMatchArray(['answer' => 'not locked', 'sheet' => '']);
    $this->postJson('api/decisions/'.$this->getJson("api/fittings/{$fitting->id}/decisions")->json('0.id').'/lock')->assertOk();
    expect($missing()['answer'])->toBe('');
    expect($this->getJson('api/fittings')->json('0.decided'))->toBe('A');
});

it('begins a second fitting for a player who is known', function (): void {
    $first = $this->fitting($this->user, 'left');
    $made = $this->postJson('api/fittings', ['playerId' => $first->player_id])->assertCreated();
    expect($made->json('player.hand'))->toBe('left')
        ->and(Player::query()->count())->toBe(1)
        ->and($this->getJson('api/players')->json())->toHaveCount(1);
});

it('lists players by name', function (): void {
    foreach (['Zoë', 'Abel', 'Mina'] as $name) {
        $this->postJson('api/fittings', ['name' => $name, 'hand' => 'right'])->assertCreated();
    }
    expect($this->getJson('api/players')->json('*.name'))->toBe(['Abel', 'Mina', 'Zoë']);
});

it('refuses half a player', function (array $body, string $field): void {
    $this->postJson('api/fittings', $body)->assertUnprocessable()->assertJsonValidationErrors($field);
    expect(Player::query()->count())->toBe(0);
})->with([
    'no hand' => [['name' => 'Ann'], 'hand'],
    'no name' => [['hand' => 'right'], 'name'],
    'a third hand' => [['name' => 'Ann', 'hand' => 'both'], 'hand'],
    'a unit of no kind' => [
        ['name' => 'Ann', 'hand' => 'left', 'units' => ['speed' => 'parsec', 'distance' => 'm', 'height' => 'm', 'length' => 'mm']],
        'units.speed',
    ],
    'half of the units' => [['name' => 'Ann', 'hand' => 'left', 'units' => ['speed' => 'mph']], 'units.distance'],
    'a name like a page' => [['name' => str_repeat('a', 81), 'hand' => 'left'], 'name'],
]);

it('renames a player and changes hand and units without touching what was measured', function (): void {
    $fitting = $this->fitting($this->user);
    $setup = $this->addSetup($fitting);
    $this->type($this->user, $fitting, $setup, [['ballSpeedMps' => '150', 'launchDeg' => '12', 'spinRpm' => '2400', 'sideM' => '10 R']]);
    $before = $this->getJson("api/fittings/{$fitting->id}/shots")->json('0.measured');
    $this->patchJson("api/fittings/{$fitting->id}", [
        'version' => 1, 'name' => 'New name', 'hand' => 'left',
        'units' => ['speed' => 'km/h', 'distance' => 'm', 'height' => 'm', 'length' => 'mm'],
    ])
        ->assertOk()->assertJsonPath('player.name', 'New name')->assertJsonPath('player.hand', 'left')
        ->assertJsonPath('player.units.distance', 'm');
    expect($this->getJson("api/fittings/{$fitting->id}/shots")->json('0.measured'))->toBe($before);
});
