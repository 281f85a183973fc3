<?php

declare(strict_types=1);

use App\Actions\AddSetup;
use App\Models\Fitting;
use App\Models\Setup;
use App\Models\Shot;
use Database\Seeders\DemoSeeder;

it('begins a fitting from a name and a hand', function (): void {
    $this->actingAs($this->fitter());
    $made = $this->postJson('api/fittings', [
        'name' => '<b>Ann</b>', 'hand' => 'left',
        'units' => ['speed' => 'km/h', 'distance' => 'm', 'height' => 'm', 'length' => 'mm'],
    ])->assertCreated();
    expect($made->json('player.name'))->toBe('<b>Ann</b>')
        ->and($made->json('brief.corridor.widthM'))->toEqual(30)
        ->and($made->json('setups'))->toBe([]);
    expect($this->getJson('api/fittings?q=ann')->json('0.player.name'))->toBe('<b>Ann</b>')
        ->and($this->getJson('api/fittings?q=100%25')->json())->toBe([]);
    $this->postJson('api/fittings', ['name' => 'X'])->assertUnprocessable();
    expect(Fitting::query()->count())->toBe(1);
});

it('never overwrites what another screen saved meanwhile', function (): void {
    $user = $this->fitter();
    $fitting = $this->fitting($user);
    $this->actingAs($user)
        ->patchJson("api/fittings/{$fitting->id}", ['version' => 1, 'name' => 'From the tablet'])->assertOk()
        ->assertJsonPath('version', 2);
    $this->patchJson("api/fittings/{$fitting->id}", ['version' => 1, 'name' => 'From the bay'])
        ->assertStatus(409)->assertJsonPath('current.player.name', 'From the tablet');
    $this->patchJson("api/fittings/{$fitting->id}/brief", ['version' => 1, 'brief' => ['wish' => 'x']])
        ->assertStatus(409)->assertJsonPath('current.version', 2);
    expect($fitting->fresh()->brief()->wish)->toBe('');
});

it('gives letters in order, and the first setup is baseline and benchmark', function (): void {
    $user = $this->fitter();
    $fitting = $this->fitting($user);
    $post = fn (array $more = []) => $this->actingAs($user)->postJson(
        "api/fittings/{$fitting->id}/setups", $more + ['head' => 'Tern', 'statedLoftDeg' => '10,5'],
    );
    $post(['measuredLoftDeg' => '9.1', 'length' => ['value' => '45.5', 'unit' => 'in']])
        ->assertCreated()->assertJsonPath('tag', 'A')->assertJsonPath('isBaseline', true)->assertJsonPath('lengthMm', 1155.7);
    $b = $post([
        'sleeveLoftDeg' => '1.5', 'sleeveLabel' => '+1.5', 'measuredLoftDeg' => '7.5', 'measuredLieDeg' => '58',
    ])->assertJsonPath('tag', 'B');
    expect($b->json('playing.squared.loftDeg'))->toEqualWithDelta(9.0, 1e-6)
        ->and($b->json('playing.soled.faceOpenDeg'))->toEqualWithDelta(-2.4, 0.05)
        ->and($b->json('branchedFromId'))->toBe($this->getJson("api/fittings/{$fitting->id}")->json('benchmarkSetupId'));
    $post(['statedLoftDeg' => '105'])
        ->assertUnprocessable()->assertJsonPath('errors.statedLoftDeg.0', 'The stated loft field must be between 4 and 20.');
    expect(AddSetup::tag(26))->toBe('Z')->and(AddSetup::tag(27))->toBe('AA')->and(AddSetup::tag(53))->toBe('BA');
});

it('freezes a setup once it has been hit, save for readings', function (): void {
    $user = $this->fitter();
    $fitting = $this->fitting($user);
    $a = $this->addSetup($fitting);
    $b = $this->addSetup($fitting);
    $this->actingAs($user)->patchJson("api/setups/{$b->id}", ['head' => 'Other', 'statedLoftDeg' => 9])->assertOk();
    $this->type($user, $fitting, $b, [['ballSpeedMps' => '150', 'launchDeg' => '12', 'spinRpm' => '2400']])->assertCreated();
    $this->patchJson("api/setups/{$b->id}", ['head' => 'Third', 'statedLoftDeg' => 9])->assertStatus(409);
    $this->patchJson("api/setups/{$b->id}", ['head' => 'Other', 'statedLoftDeg' => 9, 'measuredLoftDeg' => 8.2])
        ->assertOk()->assertJsonPath('playing.loftFromPrint', false);
    $this->deleteJson("api/setups/{$b->id}")->assertStatus(409);
    $this->deleteJson("api/setups/{$a->id}")->assertStatus(409); // the benchmark
    $c = $this->addSetup($fitting);
    $this->deleteJson("api/setups/{$c->id}")->assertOk();
    expect(Setup::query()->count())->toBe(2);
});

it('stores typed shots once, keeps them as typed, and names what is wrong', function (): void {
    $user = $this->fitter();
    $fitting = $this->fitting($user, 'left');
    $setup = $this->addSetup($fitting);
    $body = [
        'setupId' => $setup->id,
        'shots' => [
            [
                'clientId' => 'one',
                'values' => [
                    'ballSpeedMps' => ['value' => '150,5', 'unit' => 'mph'], 'launchDeg' => ['value' => '12', 'unit' => 'deg'],
                    'spinRpm' => ['value' => '2,450', 'unit' => 'rpm'], 'sideM' => ['value' => '12 L', 'unit' => 'yd'],
                ],
            ],
        ],
    ];
    $this->actingAs($user)
        ->postJson("api/fittings/{$fitting->id}/shots", $body)->assertCreated()->assertJson(['stored' => 1, 'already' => 0]);
    $this->postJson("api/fittings/{$fitting->id}/shots", $body)
        ->assertCreated()->assertJson(['stored' => 0, 'already' => 1]);
    $shot = $this->getJson("api/fittings/{$fitting->id}/shots")->json('0');
    expect($shot['measured']['sideM'])->toEqualWithDelta(-10.97, 0.01)
        ->and($shot['computed'])->toHaveKeys(['carryM', 'totalM'])
        ->and($shot['typed']['ballSpeedMps']['value'])->toBe('150,5');
    $body['shots'][0]['clientId'] = 'two';
    $body['shots'][0]['values']['spinRpm']['value'] = '2,4OO';
    $this->postJson("api/fittings/{$fitting->id}/shots", $body)
        ->assertUnprocessable()
        ->assertJsonPath('message', "Shot 1: spin rate '2,4OO' is not a number. Nothing was saved; what you typed is still here.");
    expect(Shot::query()->count())->toBe(1);
});

it('leaves a shot out with a reason, and brings it back', function (): void {
    $user = $this->fitter();
    $fitting = $this->fitting($user);
    $setup = $this->addSetup($fitting);
    $this->type($user, $fitting, $setup, [
        ['ballSpeedMps' => '150', 'launchDeg' => '12', 'spinRpm' => '2400'],
        ['ballSpeedMps' => '120', 'launchDeg' => '8', 'spinRpm' => '3900'],
    ]);
    $shot = Shot::query()->orderByDesc('sequence')->firstOrFail();
    $this->patchJson("api/shots/{$shot->id}", ['leftOut' => ['reason' => 'did not like it']])->assertUnprocessable();
    $this->patchJson("api/shots/{$shot->id}", ['leftOut' => ['reason' => 'mishit', 'note' => 'heel']])
        ->assertOk()->assertJsonPath('leftOut.reason', 'mishit');
    expect($this->getJson("api/fittings/{$fitting->id}/comparison")->json('sets.0.n'))->toBe(1);
    $this->patchJson("api/shots/{$shot->id}", ['leftOut' => null])->assertOk()->assertJsonPath('leftOut', null);
    expect($this->getJson("api/fittings/{$fitting->id}/comparison")->json('sets.0.n'))->toBe(2);
});

it('compares, advises and saves a decision with its reason', function (): void {
    app(DemoSeeder::class)->run();
    $fitting = Fitting::query()->whereRelation('player', 'name', 'Rafe Quillon')->firstOrFail();
    $user = App\Models\User::query()->firstOrFail();
    $judge = $this->actingAs($user)->getJson("api/fittings/{$fitting->id}/judging")->assertOk()->json('judge.setups');
    $advice = $this->getJson("api/fittings/{$fitting->id}/advice")->assertOk();
    // One share, one figure, on every screen; and the same figure tomorrow.
    expect($judge)->toEqual($advice->json('setups'));
    expect($this->getJson("api/fittings/{$fitting->id}/advice")->json())->toBe($advice->json());
    $pick = $advice->json('pick');
    $other = $fitting->setups()->where('tag', '!=', $pick)->firstOrFail();
    $this->postJson("api/fittings/{$fitting->id}/decisions", ['setupId' => $other->id])
        ->assertUnprocessable()->assertJsonValidationErrors('reason');
    $this->postJson("api/fittings/{$fitting->id}/decisions", ['setupId' => $other->id, 'reason' => 'He likes the look'])
        ->assertCreated()->assertJsonPath('tag', $other->tag);
    expect($this->getJson("api/fittings/{$fitting->id}")->json('decision.reason'))->toBe('He likes the look')
        ->and($this->getJson("api/fittings/{$fitting->id}/decisions")->json())->toHaveCount(1);
});

it('says plainly what is missing before a decision', function (): void {
    $user = $this->fitter();
    $fitting = $this->fitting($user);
    $this->actingAs($user)
        ->getJson("api/fittings/{$fitting->id}/advice")->assertUnprocessable()
        ->assertJsonPath('message', 'No setup has a counted shot yet: read a file or type shots first.');
    expect(
        $this->getJson("api/fittings/{$fitting->id}/comparison")
            ->assertOk()->json('sets'),
    )
        ->toBe([])
        ->and($this->getJson("api/fittings/{$fitting->id}")->json('missing.bench'))->toBe('no setup yet');
});

it('loads the demo once', function (): void {
    $this->artisan('mint:demo')->assertSuccessful();
    $this->artisan('mint:demo')->assertSuccessful();
    // Sixty of earlier seasons, three to look at that began with what those showed, and twelve of a season.
    expect(Fitting::query()->count())->toBe(75)
        ->and(Fitting::query()->whereNotNull('memory_id')->count())->toBe(15)
        ->and(Fitting::query()->whereHas('decisions')->count())->toBe(13)
        ->and(App\Models\Order::query()->distinct()->count('state'))->toBe(count(MintCarry\Core\Order\OrderState::cases()))
        ->and(App\Models\Round::query()->distinct()->count('player_id'))->toBe(6)
        ->and(Shot::query()->whereNotNull('left_out_reason')->count())->toBe(1);
});
