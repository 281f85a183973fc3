<?php

declare(strict_types=1);

use App\Models\LogEntry;
use App\Models\Trial;
use Illuminate\Http\UploadedFile;
use MintCarry\Core\Fitting\Brief;

// Wind and air of a trial outdoors: typed, kept with the trial, taken out of what is compared, undone like anything else.

beforeEach(function (): void {
    $this->user = $this->fitter();
    $this->case = $this->fitting($this->user);
    $this->actingAs($this->user);
    $this->url = "api/fittings/{$this->case->id}";
    $this->setup = $this->build($this->case, $this->rackHead($this->user));
    $this->begin = fn (): int => $this->postJson("{$this->url}/trials", ['setupId' => $this->setup->id])->assertCreated()
        ->json('running.id');
    $this->hit = fn () => $this->type($this->user, $this->case, $this->setup, [
        ['ballSpeedMps' => '148', 'launchDeg' => '13', 'spinRpm' => '2500', 'carryM' => '200'],
    ])->assertCreated();
    $this->breeze = ['windMps' => 6.2, 'windFromDeg' => 0, 'temperatureC' => 12, 'altitudeM' => 40];
});

it('takes the wind out of a trial, keeps what was measured, and gives the next trial of the visit the same', function (): void {
    $first = ($this->begin)();
    ($this->hit)();
    $before = $this->getJson("{$this->url}/bay")->json('shots.0');
    $now = $this->putJson("api/trials/{$first}/open-air", ['openAir' => $this->breeze])->assertOk()->json();
    expect($now['running']['openAir'])->toEqual($this->breeze)
        ->and($now['shots'][0]['inWind']['carryM'])->toEqual($before['measured']['carryM'])
        ->and($now['shots'][0]['computed']['carryM'])->toBeGreaterThan($before['measured']['carryM'] + 5);
    ($this->begin)();
    expect($this->getJson("{$this->url}/bay")->json('running.openAir'))->toEqual($this->breeze);
    // The journal tells it and takes it back.
    $this->postJson('api/log/'.LogEntry::query()->where('words', 'like', 'typed wind%')->value('id').'/undo')->assertOk();
    expect(Trial::query()->findOrFail($first)->conditions['outdoors'] ?? false)->toBeFalse()
        ->and($this->getJson("{$this->url}/shots")->json('0.measured.carryM'))
        ->toEqual($before['measured']['carryM']);
});

it('types it for all trials of a visit at once, and takes it off again', function (): void {
    $ids = [($this->begin)(), ($this->begin)()];
    $this->putJson("api/trials/{$ids[1]}/open-air", ['openAir' => $this->breeze, 'wholeVisit' => true])->assertOk();
    expect(Trial::query()->get()->map(fn (Trial $t) => $t->conditions['windMps'])->all())->toEqual([6.2, 6.2]);
    $this->putJson("api/trials/{$ids[0]}/open-air", ['openAir' => null])->assertOk();
    expect(Trial::query()->orderBy('number')->get()->map(fn (Trial $t) => $t->conditions['outdoors'])->all())->toBe([false, true]);
});

it('refuses what cannot blow by name, and keeps what was typed before', function (): void {
    $id = ($this->begin)();
    $this->putJson("api/trials/{$id}/open-air", ['openAir' => $this->breeze])->assertOk();
    foreach (['windMps' => 45, 'windFromDeg' => 400, 'temperatureC' => 'warm', 'altitudeM' => -9000] as $field => $value) {
        $this->putJson("api/trials/{$id}/open-air", ['openAir' => [$field => $value] + $this->breeze])
            ->assertUnprocessable()->assertJsonValidationErrors("openAir.{$field}");
    }
    $this->putJson("api/trials/{$id}/open-air", [])->assertUnprocessable();
    expect(Trial::query()->findOrFail($id)->conditions['windMps'])->toEqual(6.2);
});

it('takes the wind alone, with the air of the brief, and asks where it comes from', function (): void {
    $id = ($this->begin)();
    $this->case->setBrief(Brief::fromArray(['temperatureC' => 9, 'altitudeM' => 640] + $this->case->brief()->toArray()));
    $this->case->save();
    $this->putJson("api/trials/{$id}/open-air", ['openAir' => ['windMps' => 5]])->assertUnprocessable()
        ->assertJsonPath('errors', ['openAir.windFromDeg' => ['Type where the wind comes from. Nothing was saved; what you typed is still on this screen.']]);
    expect(Trial::query()->findOrFail($id)->conditions['outdoors'] ?? false)->toBeFalse();
    expect($this->putJson("api/trials/{$id}/open-air", ['openAir' => ['windMps' => 5, 'windFromDeg' => 90,
        'temperatureC' => null]])->assertOk()->json('running.openAir'))
        ->toEqual(['windMps' => 5, 'windFromDeg' => 90, 'temperatureC' => 9, 'altitudeM' => 640]);
    $this->putJson("api/trials/{$id}/open-air", ['openAir' => ['temperatureC' => 20]])->assertOk()
        ->assertJsonPath('running.openAir.windMps', 0);
});

it('is nobody else’s to type', function (): void {
    $id = ($this->begin)();
    $this->actingAs($this->fitter())->putJson("api/trials/{$id}/open-air", ['openAir' => $this->breeze])->assertNotFound();
});

it('goes out and comes in with the fitting file', function (): void {
    $id = ($this->begin)();
    ($this->hit)();
    $this->putJson("api/trials/{$id}/open-air", ['openAir' => $this->breeze])->assertOk();
    $carry = $this->getJson("{$this->url}/bay")->json('shots.0.computed.carryM');
    $file = $this->getJson("{$this->url}/file")->assertOk()->json();
    $made = $this->actingAs($this->fitter())->postJson('api/fittings/import',
        ['keep' => true, 'file' => UploadedFile::fake()->createWithContent(
            'x.json', json_encode($file, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION),
        )])->assertOk()->json();
    expect($this->getJson("api/fittings/{$made['fittingId']}/bay")->json('trials.0.openAir'))->toEqual($this->breeze)
        ->and($this->getJson("api/fittings/{$made['fittingId']}/shots")->json('0.computed.carryM'))->toEqualWithDelta($carry, 1e-9);
});
