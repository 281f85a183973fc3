<?php

declare(strict_types=1);

use App\Models\LogEntry;
use App\Models\Shot;
use Illuminate\Http\UploadedFile;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Launch;

beforeEach(function (): void {
    $this->user = $this->fitter();
    $this->case = $this->fitting($this->user);
    $this->a = $this->addSetup($this->case);
    $this->actingAs($this->user);
    $this->shots = fn (): array => $this->getJson("api/fittings/{$this->case->id}/shots")->assertOk()->json();
    $this->good = ['ballSpeedMps' => '150', 'launchDeg' => '12', 'spinRpm' => '2400'];
});

it('computes what was not measured, by the flight that the core flies', function (): void {
    $this->type($this->user, $this->case, $this->a, [$this->good + ['directionDeg' => '1.5', 'spinAxisDeg' => '-4']])->assertCreated();
    $flight = (new BallFlight)->fly(new Launch(150 * 0.44704, 12, 2400, 1.5, -4));
    $computed = ($this->shots)()[0]['computed'];
    expect($computed['carryM'])->toEqualWithDelta($flight->carryM, 1e-6)
        ->and($computed['sideM'])->toEqualWithDelta($flight->sideM, 1e-6)
        ->and($computed['curveM'])->toEqualWithDelta($flight->curveM, 1e-6)
        ->and($computed['apexM'])->toEqualWithDelta($flight->apexM, 1e-6)
        ->and($computed['totalM'])->toEqualWithDelta($flight->totalM, 1e-6);
});

it('leaves side unknown where neither it nor direction and axis were measured', function (): void {
    $this->type($this->user, $this->case, $this->a, [
        $this->good, $this->good + ['directionDeg' => '2'], $this->good + ['sideM' => '5 L', 'carryM' => '230'],
    ]);
    [$bare, $half, $side] = ($this->shots)();
    expect($bare['computed'])->not->toHaveKey('sideM')
        ->and($half['computed'])->not->toHaveKey('sideM')
        ->and($side['measured']['sideM'])->toEqualWithDelta(-4.572, 1e-6);
});

it('never replaces what was measured by what was computed', function (): void {
    $this->type($this->user, $this->case, $this->a, [$this->good + ['carryM' => '231', 'clubSpeedMps' => '103']]);
    $shot = ($this->shots)()[0];
    expect($shot['measured']['carryM'])->toEqualWithDelta(211.2264, 1e-6)
        ->and($shot['computed'])->not->toHaveKey('carryM')
        ->and($shot['computed']['smash'])->toEqualWithDelta(150 / 103, 1e-9)
        // The run is the model's, put behind the measured carry.
        ->and($shot['computed']['totalM'])->toBeGreaterThan(211.2264);
});

it('flags what is unlikely and refuses what cannot be', function (array $more, ?string $flag, ?string $refused): void {
    $answer = $this->type($this->user, $this->case, $this->a, [$more + $this->good]);
    if ($refused !== null) {
        expect($answer->assertUnprocessable()->json('message'))->toContain($refused)->toContain('Nothing was saved')
            ->and(Shot::query()->count())->toBe(0);

        return;
    }
    $answer->assertCreated();
    expect(implode(' ', ($this->shots)()[0]['flags']))->toContain((string) $flag);
})->with([
    'too good a smash' => [['clubSpeedMps' => '92'], 'about 1.50 is the limit', null],
    'a carry in the wrong unit' => [['carryM' => '150'], 'another unit', null],
    'total short of carry' => [['carryM' => '235', 'totalM' => '200'], 'swapped', null],
    'a launch of 85' => [['launchDeg' => '85'], null, 'cannot be'],
    'a ball at 400 mph' => [['ballSpeedMps' => '400'], null, 'cannot be'],
    'no spin' => [['spinRpm' => ''], null, 'Spin rate is missing'],
]);

it('stores all typed shots or none', function (): void {
    $this->type($this->user, $this->case, $this->a, [$this->good, ['launchDeg' => 'steep'] + $this->good])
        ->assertUnprocessable()
        ->assertJsonPath('message', "Shot 2: launch angle 'steep' is not a number. Nothing was saved; what you typed is still here.");
    expect(Shot::query()->count())->toBe(0);
});

it('numbers shots in the order they came, over all setups', function (): void {
    $b = $this->addSetup($this->case);
    foreach ([$this->a, $b, $this->a] as $setup) {
        $this->type($this->user, $this->case, $setup, [$this->good])->assertCreated();
    }
    expect(array_column(($this->shots)(), 'sequence'))->toBe([1, 2, 3])
        ->and(array_column(($this->shots)(), 'setupId'))->toBe([$this->a->id, $b->id, $this->a->id]);
});

it('takes typed shots only for a setup of this fitting', function (): void {
    $stranger = $this->addSetup($this->fitting($this->user));
    $this->type($this->user, $this->case, $stranger, [$this->good])->assertUnprocessable();
    $this->postJson("api/fittings/{$this->case->id}/shots", ['setupId' => $this->a->id, 'shots' => []])->assertUnprocessable();
    $this->postJson("api/fittings/{$this->case->id}/shots", [
        'setupId' => $this->a->id,
        'shots' => array_fill(0, 201, ['clientId' => 'x', 'values' => ['launchDeg' => ['value' => '1']]]),
    ])->assertUnprocessable();
    expect(Shot::query()->count())->toBe(0);
});

it('keeps who left a shot out, when and why, for each reason there is', function (string $reason): void {
    $this->type($this->user, $this->case, $this->a, [$this->good]);
    $shot = Shot::query()->firstOrFail();
    $this->patchJson("api/shots/{$shot->id}", ['leftOut' => ['reason' => $reason, 'note' => 'seen by both']])
        ->assertOk()->assertJsonPath('leftOut.note', 'seen by both');
    $kept = $shot->fresh();
    expect($kept->counts())->toBeFalse()
        ->and($kept->left_out_by)->toBe($this->user->id)
        ->and($kept->left_out_at)->not->toBeNull()
        ->and($kept->measured)->toBe($shot->measured);
})->with(Shot::REASONS);

it('wants the reason, not just the wish', function (array $body): void {
    $this->type($this->user, $this->case, $this->a, [$this->good]);
    $this->patchJson('api/shots/'.Shot::query()->firstOrFail()->id, $body)->assertUnprocessable();
    expect(Shot::query()->firstOrFail()->counts())->toBeTrue();
})->with([[[]], [['leftOut' => ['note' => 'bad']]], [['leftOut' => ['reason' => '']]], [['leftOut' => 'mishit']]]);

it('exports a file that it reads back to the same values', function (): void {
    $this->type($this->user, $this->case, $this->a, [
        $this->good + ['clubSpeedMps' => '103,2', 'directionDeg' => '-1.5', 'spinAxisDeg' => '6', 'strikeToeMm' => '4 heel'],
        ['spinRpm' => '2,950'] + $this->good + ['sideM' => '12 L', 'carryM' => '228'],
    ])->assertCreated();
    $first = Shot::query()->where('fitting_id', $this->case->id)->orderBy('sequence')->firstOrFail();
    $this->patchJson("api/shots/{$first->id}", ['leftOut' => ['reason' => 'mishit', 'note' => 'toe']])->assertOk();
    $csv = $this->get("api/fittings/{$this->case->id}/shots.csv")->streamedContent();
    $other = $this->fitting($this->user);
    $into = $this->addSetup($other);
    $read = $this->postJson("api/fittings/{$other->id}/files", [
        'file' => UploadedFile::fake()->createWithContent('back.csv', $csv),
    ])->assertCreated();
    expect($read->json('counts.shot'))->toBe(2);
    $this->postJson("api/files/{$read->json('id')}/confirm", [
        'map' => $read->json('map'), 'setupId' => $into->id, 'tags' => [['tag' => 'A', 'setupId' => $into->id]],
    ])->assertJson(['stored' => 2]);
    $before = Shot::query()->where('fitting_id', $this->case->id)->orderBy('sequence')->get();
    $after = Shot::query()->where('fitting_id', $other->id)->orderBy('sequence')->get();
    foreach ($before as $i => $shot) {
        foreach ($shot->measured as $field => $value) {
            expect($after[$i]->measured[$field] ?? null)->toEqualWithDelta($value, 1e-3);
        }
        // What was computed does not come back as measured, and what did not count still does not.
        expect(array_keys($after[$i]->measured))->toEqualCanonicalizing(array_keys($shot->measured))
            ->and($after[$i]->left_out_reason)->toBe($shot->left_out_reason);
    }
    expect($after[0]->left_out_reason)->toBe('mishit');
    // Taken back, they are left out, the one that already was too.
    $this->postJson('api/log/'.LogEntry::query()->where('fitting_id', $other->id)->latest('id')->value('id').'/undo')->assertOk();
    expect(Shot::query()->where('fitting_id', $other->id)->whereNull('left_out_reason')->count())->toBe(0);
});

it('mirrors heel and toe for the hand that holds the club', function (string $hand): void {
    // On the strike, + is the toe for either hand; a typed "heel" is the heel.
    $case = $this->fitting($this->user, $hand);
    $setup = $this->addSetup($case);
    $this->type($this->user, $case, $setup, [$this->good + ['strikeToeMm' => '6 heel', 'sideM' => '8 R']])->assertCreated();
    $shot = $this->getJson("api/fittings/{$case->id}/shots")->json('0.measured');
    expect($shot['strikeToeMm'])->toEqual(-6)->and($shot['sideM'])->toEqualWithDelta(7.3152, 1e-6);
})->with(['right', 'left']);

it('takes a bare number as the contract says, in the unit that its field names', function (): void {
    $user = $this->fitter();
    $fitting = $this->fitting($user);
    $setup = $this->addSetup($fitting);
    $this->actingAs($user)->postJson("api/fittings/{$fitting->id}/shots", ['setupId' => $setup->id, 'shots' => [
        ['clientId' => 'bare', 'values' => ['ballSpeedMps' => 66.5, 'launchDeg' => '12,5', 'spinRpm' => 2500, 'sideM' => null]],
    ]])->assertCreated()->assertJson(['stored' => 1]);
    expect(Shot::query()->sole()->measured)->toEqual(['ballSpeedMps' => 66.5, 'launchDeg' => 12.5, 'spinRpm' => 2500.0]);
});

it('lists the last few, or some of each setup spread evenly, of many', function (): void {
    $user = $this->fitter();
    $fitting = $this->fitting($user);
    [$a, $b] = [$this->addSetup($fitting), $this->addSetup($fitting)];
    $this->hitAbout($user, $a, n: 9);
    $this->hitAbout($user, $b, n: 4);
    $url = "api/fittings/{$fitting->id}/shots";
    expect($this->getJson("{$url}?newest=5")->json('*.sequence'))->toBe([9, 10, 11, 12, 13])
        ->and($this->getJson("{$url}?each=3")->json('*.sequence'))->toBe([1, 5, 9, 10, 11, 13])
        ->and($this->getJson("{$url}?each=20")->json())->toHaveCount(13)
        ->and($this->getJson($url)->json())->toHaveCount(13);
    $this->getJson("{$url}?each=1")->assertUnprocessable();
});
