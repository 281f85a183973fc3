<?php

declare(strict_types=1);

use App\Journal\Undo;
use App\Journal\Undoable;
use App\Models\Blind;
use App\Models\Fitting;
use App\Models\LogEntry;
use App\Models\Rating;
use App\Models\Setup;
use App\Models\Shot;
use App\Models\Trial;
use App\Models\Visit;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

// What is kept of a fitting beside its shots: visits, ratings, parked setups, blind trials, and a log of who did what that can be
// taken back.

beforeEach(function (): void {
    $this->user = $this->fitter();
    $this->case = $this->fitting($this->user);
    $this->a = $this->addSetup($this->case);
    $this->b = $this->addSetup($this->case);
    $this->actingAs($this->user);
    $this->url = "api/fittings/{$this->case->id}";
    $this->begin = fn (Setup $setup, string $kind = 'trial') => $this->postJson("{$this->url}/trials", [
        'setupId' => $setup->id, 'kind' => $kind,
    ])->assertCreated();
    $this->bay = fn (): array => $this->getJson("{$this->url}/bay")
        ->assertOk()->json();
    $this->hit = function (Setup $setup, int $n = 3): void {
        $this->type(
            $this->user, $this->case, $setup,
            array_map(
                fn (int $i): array => ['ballSpeedMps' => (string) (148 + ($i % 3)), 'launchDeg' => '12', 'spinRpm' => '2400'],
                range(1, $n),
            ),
        );
    };
    $this->undoLast = fn () => $this->postJson(
        'api/log/'.LogEntry::query()->whereNull('undone_at')->whereNull('undo_of')->latest('id')->firstOrFail()->id.'/undo',
    );
});

it('puts typed shots into the trial that is being hit with that setup, and into no other', function (): void {
    ($this->begin)($this->a);
    ($this->hit)($this->a, 2);
    ($this->hit)($this->b, 1);
    expect(Shot::query()->where('setup_id', $this->a->id)->pluck('trial_id')->unique()->all())->toBe([Trial::query()->value('id')])
        ->and(Shot::query()->where('setup_id', $this->b->id)->value('trial_id'))->toBeNull();
});

it('keeps trials of one go in one visit, and begins another after a pause or when told', function (): void {
    ($this->begin)($this->a);
    ($this->begin)($this->b);
    expect(Visit::query()->count())->toBe(1)
        ->and(Trial::query()->pluck('visit_id')->unique()->count())->toBe(1);
    $this->travel(7)->hours();
    ($this->begin)($this->a);
    expect(Visit::query()->orderByDesc('id')->value('number'))->toBe(2);
    $this->postJson("{$this->url}/visits")->assertCreated()->assertJsonPath('visit.number', 3);
    ($this->begin)($this->a);
    expect(Trial::query()->latest('id')->firstOrFail()->visit_id)->toBe(Visit::query()->where('number', 3)->value('id'));
});

it('keeps with a trial the air, ground, ball and monitor it was hit with', function (): void {
    $bay = $this->postJson('api/bays', ['name' => 'Bay 4'])->json('id');
    $this->patchJson("api/bays/{$bay}", ['fittingId' => $this->case->id])->assertOk();
    ($this->begin)($this->a);
    expect(Trial::query()->firstOrFail()->conditions)->toHaveKeys(['temperatureC', 'altitudeM', 'windMps', 'turf', 'ball', 'monitor'])
        ->and(Trial::query()->firstOrFail()->conditions['monitor'])->toBe('Bay 4');
});

it('asks for ratings once a setup has been hit: at the trial’s last shot what the brief asks first, and not again', function (): void {
    ($this->begin)($this->a);
    expect(($this->bay)()['asks'])->toBeNull();
    ($this->hit)($this->a, 1);
    $trial = Trial::query()->value('id');
    $asks = ['trialId' => $trial, 'open' => ['confidence', 'looks', 'feel', 'sound'], 'first' => ['confidence'], 'due' => false];
    expect(($this->bay)()['asks'])->toBe($asks);
    ($this->hit)($this->a, 3);
    expect(($this->bay)()['asks'])->toEqual(['due' => true] + $asks);
    $this->patchJson("{$this->url}/brief", [
        'version' => Fitting::query()->value('version'), 'brief' => ['asked' => ['feel', 'confidence']],
    ])->assertOk();
    expect(($this->bay)()['asks'])->toMatchArray(['open' => ['feel', 'confidence', 'looks', 'sound'], 'first' => ['feel', 'confidence']]);
    foreach (Rating::KINDS as $i => $kind) {
        $left = $this->postJson("api/trials/{$trial}/ratings", ['kind' => $kind, 'stars' => $i + 2])->assertOk()->json('asks');
    }
    expect($left)->toBeNull()
        ->and($this->getJson($this->url)->json("ratings.{$this->a->id}"))
        ->toEqual(['looks' => 2, 'feel' => 3, 'sound' => 4, 'confidence' => 5]);
    ($this->begin)($this->a);
    ($this->hit)($this->a, 1);
    expect(($this->bay)()['asks'])->toBeNull();
});

it('asks no ratings where they are switched off, skipped, or the shots are warm-up', function (): void {
    ($this->begin)($this->a, 'warm-up');
    ($this->hit)($this->a, 1);
    expect(($this->bay)()['asks'])->toBeNull();
    ($this->begin)($this->a);
    ($this->hit)($this->a, 1);
    expect(
        $this->patchJson('api/trials/'.Trial::query()->latest('id')->value('id'), ['ratingSkipped' => true])
            ->assertOk()->json('asks'),
    )->toBeNull();
    ($this->begin)($this->b);
    ($this->hit)($this->b, 1);
    expect(($this->bay)()['asks'])->not->toBeNull();
    $this->patchJson($this->url, ['version' => Fitting::query()->value('version'), 'asksRatings' => false])
        ->assertOk()->assertJsonPath('asksRatings', false);
    expect(($this->bay)()['asks'])->toBeNull();
});

it('takes 1 to 5 and nothing else as a rating', function (mixed $stars): void {
    ($this->begin)($this->a);
    $this->postJson('api/trials/'.Trial::query()->value('id').'/ratings', ['kind' => 'feel', 'stars' => $stars])->assertUnprocessable();
    $this->postJson('api/trials/'.Trial::query()->value('id').'/ratings', ['kind' => 'smell', 'stars' => 3])->assertUnprocessable();
    expect(Rating::query()->count())->toBe(0);
})->with([0, 6, 'four', null, [[3]]]);

it('parks and drops a setup with a reason, keeps its letter and shots, and brings it back', function (): void {
    ($this->hit)($this->b, 3);
    $this->patchJson("api/setups/{$this->b->id}/shelf", ['shelf' => 'dropped'])
        ->assertUnprocessable()->assertJsonValidationErrors('reason');
    $this->patchJson("api/setups/{$this->b->id}/shelf", ['shelf' => 'dropped', 'reason' => 'too heavy for him'])
        ->assertOk()->assertJsonPath('shelfReason', 'too heavy for him')->assertJsonPath('shots', 3);
    expect(($this->bay)()['queue']['tags'])->not->toContain('B');
    $this->patchJson("api/setups/{$this->b->id}/shelf", ['shelf' => ''])
        ->assertOk()->assertJsonPath('shelf', '')->assertJsonPath('shelfReason', '');
    $this->patchJson("api/setups/{$this->a->id}/shelf", ['shelf' => 'parked', 'reason' => 'x'])
        ->assertUnprocessable()->assertJsonValidationErrors('shelf');
    $this->patchJson("api/setups/{$this->b->id}/shelf", ['shelf' => 'burnt', 'reason' => 'x'])->assertUnprocessable();
    $this->patchJson("api/setups/{$this->b->id}/shelf", ['starred' => true])->assertOk()->assertJsonPath('starred', true);
});

it('names the screening policy on the averages, and counts by it', function (): void {
    ($this->begin)($this->a);
    ($this->hit)($this->a, 4);
    $shot = Shot::query()->firstOrFail();
    $this->patchJson("api/shots/{$shot->id}", ['leftOut' => ['reason' => 'mishit']])->assertOk();
    expect(($this->bay)()['means']['carryM']['n'])->toBe(3)
        ->and(($this->bay)()['screening']['label'])->toBe('flagged shots out');
    $version = fn (): int => Fitting::query()->value('version');
    $this->patchJson($this->url, ['version' => $version(), 'screening' => 'all'])
        ->assertOk()->assertJsonPath('screening.label', 'all shots');
    expect(($this->bay)()['means']['carryM']['n'])->toBe(4);
    $this->patchJson($this->url, ['version' => $version(), 'screening' => 'best 1 of 3'])->assertOk();
    expect(($this->bay)()['means']['carryM']['n'])->toBe(1);
    $this->patchJson($this->url, ['version' => $version(), 'screening' => 'the nice ones'])
        ->assertUnprocessable()->assertJsonValidationErrors('screening');
});

it('keeps how a shot was meant, and a note that two screens cannot overwrite for each other', function (): void {
    ($this->hit)($this->a, 1);
    $id = Shot::query()->value('id');
    $this->patchJson("api/shots/{$id}", ['intent' => 'smooth'])->assertOk()->assertJsonPath('intent', 'smooth');
    $this->patchJson("api/shots/{$id}", ['intent' => 'angry'])->assertUnprocessable();
    $this->patchJson("api/shots/{$id}", ['note' => 'thin', 'was' => null])->assertOk()->assertJsonPath('note', 'thin');
    $this->patchJson("api/shots/{$id}", ['note' => 'from the heel', 'was' => null])->assertConflict()->assertJsonPath('current', 'thin');
    expect(Shot::query()->value('note'))->toBe('thin');
});

it('keeps a note on a trial, which two screens cannot overwrite for each other either, and takes it off again', function (): void {
    ($this->begin)($this->a);
    $id = ($this->bay)()['running']['id'];
    $this->patchJson("api/trials/{$id}", ['note' => 'wind got up', 'was' => ''])
        ->assertOk()->assertJsonPath('running.note', 'wind got up')
        ->assertJsonPath('lastDone.words', 'noted on trial 1: wind got up');
    $this->patchJson("api/trials/{$id}", ['note' => 'new balls', 'was' => ''])
        ->assertConflict()->assertJsonPath('current', 'wind got up');
    $this->patchJson("api/trials/{$id}", ['note' => 'new balls'])
        ->assertUnprocessable()->assertJsonValidationErrors('was');
    $this->patchJson("api/trials/{$id}", ['note' => str_repeat('x', 501), 'was' => 'wind got up'])
        ->assertUnprocessable()->assertJsonValidationErrors('note');
    $this->patchJson("api/trials/{$id}", ['note' => '', 'was' => 'wind got up'])
        ->assertOk()->assertJsonPath('running.note', '');
    $this->postJson('api/log/'.($this->bay)()['lastDone']['id'].'/undo')->assertOk();
    expect(($this->bay)()['running']['note'])->toBe('wind got up');
});

it('notes who did what, and takes it back', function (): void {
    ($this->hit)($this->a, 2);
    $shot = Shot::query()->firstOrFail();
    $this->patchJson("api/shots/{$shot->id}", ['leftOut' => ['reason' => 'ground contact', 'note' => 'fat']])->assertOk();
    $log = $this->getJson("{$this->url}/log")
        ->assertOk()->json();
    expect($log[0])
        ->toMatchArray(['words' => "left shot {$shot->sequence} out: ground contact", 'by' => $this->user->name, 'undoable' => true])
        ->and(($this->bay)()['lastDone']['id'])->toBe($log[0]['id']);
    $this->postJson("api/log/{$log[0]['id']}/undo")
        ->assertOk()->assertJsonPath('undone', true);
    expect($shot->refresh()->left_out_reason)->toBeNull()
        ->and($this->getJson("{$this->url}/log")->json('0.words'))
        ->toBe("took back: left shot {$shot->sequence} out: ground contact");
    $this->postJson("api/log/{$log[0]['id']}/undo")->assertUnprocessable();
    // The taking back can be taken back: the reason stands again, with its note.
    $this->postJson('api/log/'.LogEntry::query()->latest('id')->value('id').'/undo')->assertOk();
    expect($shot->refresh()->left_out_note)->toBe('fat');
});

it('takes back nothing that was changed again since', function (): void {
    ($this->hit)($this->a, 1);
    $shot = Shot::query()->firstOrFail();
    $this->patchJson("api/shots/{$shot->id}", ['leftOut' => ['reason' => 'mishit']])->assertOk();
    $first = LogEntry::query()->latest('id')->value('id');
    $this->patchJson("api/shots/{$shot->id}", ['leftOut' => ['reason' => 'other']])->assertOk();
    $this->postJson("api/log/{$first}/undo")->assertUnprocessable()->assertJsonValidationErrors('entry');
    expect($shot->refresh()->left_out_reason)->toBe('other');
});

it('takes every kind of step back', function (Closure $do, Closure $state): void {
    $before = $state->call($this);
    $do->call($this);
    expect($state->call($this))->not->toEqual($before);
    ($this->undoLast)()->assertOk();
    expect($state->call($this))->toEqual($before);
})->with([
    'a trial begun' => [
        fn () => ($this->begin)($this->a), fn () => [Trial::query()->count(), Fitting::query()->value('running_trial_id')],
    ],
    'a benchmark' => [
        fn () => $this->patchJson($this->url, [
            'version' => Fitting::query()->value('version'), 'benchmarkSetupId' => $this->b->id,
        ])->assertOk(),
        fn () => Fitting::query()->value('benchmark_setup_id'),
    ],
    'a policy' => [
        fn () => $this->patchJson($this->url, ['version' => Fitting::query()->value('version'), 'screening' => 'robust'])->assertOk(),
        fn () => Fitting::query()->value('screening'),
    ],
    'a setup added' => [
        fn () => $this->postJson("{$this->url}/setups", ['head' => 'Curlew L', 'statedLoftDeg' => 9])->assertCreated(),
        fn () => Setup::query()->count(),
    ],
    'a setup removed' => [
        fn () => $this->deleteJson("api/setups/{$this->b->id}")->assertOk(), fn () => Setup::query()->pluck('tag')->all(),
    ],
    'a setup parked' => [
        fn () => $this->patchJson("api/setups/{$this->b->id}/shelf", ['shelf' => 'parked', 'reason' => 'later'])->assertOk(),
        fn () => Setup::query()->pluck('shelf')->all(),
    ],
    'shots typed: left out, not lost' => [
        fn () => ($this->hit)($this->a, 3), fn () => Shot::query()->whereNull('left_out_reason')->count(),
    ],
    'a brief agreed' => [
        fn () => $this->patchJson("{$this->url}/brief", [
            'version' => Fitting::query()->value('version'), 'brief' => ['wish' => 'find the fairway'],
        ])->assertOk(),
        fn () => [Fitting::query()->value('brief_agreed_at'), Fitting::query()->firstOrFail()->brief()->wish],
    ],
]);

it('runs a blind trial that no answer gives away', function (): void {
    ($this->begin)($this->a);
    ($this->hit)($this->a, 3);
    $bay = $this->postJson("{$this->url}/blind", ['setupIds' => [$this->a->id, $this->b->id], 'rounds' => 1, 'shotsEach' => 2])
        ->assertCreated()->json();
    expect($bay['blind'])->toBe(['ordinal' => 1, 'of' => 2, 'shotsEach' => 2, 'set' => false, 'guess' => null])
        ->and($bay['running']['setupId'])->toBe(0)
        ->and($bay['running']['tag'])->toBe('');
    $this->postJson("{$this->url}/trials", ['setupId' => $this->a->id])->assertUnprocessable();
    $order = Blind::query()->firstOrFail()->setups;
    foreach ([0, 1] as $place) {
        Shot::query()->insert(
            array_map(
                fn (int $i): array => [
                    'studio_id' => $this->case->studio_id, 'fitting_id' => $this->case->id, 'setup_id' => $order[$place],
                    'trial_id' => Trial::query()->latest('id')->value('id'), 'source' => 'monitor',
                    'sequence' => 100 + 10 * $place + $i, 'shot_key' => "{$place}{$i}",
                    'measured' => json_encode(['ballSpeedMps' => 66, 'launchDeg' => 12, 'spinRpm' => 2400]), 'typed' => '{}',
                    'flags' => '[]',
                ],
                [1, 2],
            ),
        );
        $bay = ($this->bay)();
        $told = [
            $bay['changeOver'], $bay['queue']['tags'], $bay['verdicts'], $bay['inLine'],
            array_unique(array_column($bay['shots'], 'setupId')),
        ];
        expect($told)->toBe([[], [], [], null, [0]])
            ->and(collect($this->getJson($this->url)->json('setups'))->sum('shots'))->toBe(3)
            ->and($this->getJson("{$this->url}/shots")->json())->toHaveCount(3)
            ->and(
                $this->getJson("{$this->url}/blind/hand")
                    ->assertOk()->json('tag'),
            )
            ->toBe(Setup::query()->findOrFail($order[$place])->tag);
        if ($place === 0) {
            $this->postJson("{$this->url}/blind/next")->assertOk();
        }
    }
    $this->postJson("{$this->url}/blind/next")->assertUnprocessable();
    $after = $this->postJson("{$this->url}/blind/reveal")->assertOk()->json();
    expect($after['blind'])->toBeNull()
        ->and(array_slice(array_column($after['trials'], 'setupId'), 1))->toBe($order)
        ->and($this->getJson("{$this->url}/shots")->json())->toHaveCount(7);
    $this->postJson("{$this->url}/blind/reveal")->assertUnprocessable();
});

it('wants two or three settings of this fitting for a blind trial', function (Closure $ids): void {
    $this->postJson("{$this->url}/blind", ['setupIds' => $ids->call($this), 'rounds' => 2, 'shotsEach' => 3])->assertUnprocessable();
    expect(Blind::query()->count())->toBe(0);
})->with([
    fn () => [fn () => [$this->a->id]], fn () => [fn () => [$this->a->id, $this->a->id]],
    fn () => [fn () => [$this->a->id, 999999]], fn () => [fn () => []],
]);

it('compares a setup hit again with the first time', function (): void {
    ($this->begin)($this->a);
    ($this->hit)($this->a, 4);
    ($this->begin)($this->b);
    ($this->begin)($this->a);
    expect(($this->bay)()['repeat'])->toBe([]);
    $this->type($this->user, $this->case, $this->a, array_fill(0, 4, ['ballSpeedMps' => '129', 'launchDeg' => '12', 'spinRpm' => '2400']));
    $repeat = collect(($this->bay)()['repeat'])->keyBy('measure');
    expect($repeat['ballSpeedMps']['moved'])->toBeTrue()
        ->and($repeat['ballSpeedMps']['value'])->toBeLessThan(-8.0)
        ->and($repeat['ballSpeedMps']['since'])->toBe(1);
});

it('shows none of it to another studio', function (string $method, Closure $path, array $body): void {
    ($this->begin)($this->a);
    $path = $path->call($this);
    $this->actingAs($this->fitter('other'));
    $this->json($method, $path, $body)->assertNotFound();
})->with([
    'log' => ['GET', fn () => "{$this->url}/log", []],
    'undo' => ['POST', fn () => 'api/log/'.LogEntry::query()->value('id').'/undo', []],
    'rating' => ['POST', fn () => 'api/trials/'.Trial::query()->value('id').'/ratings', ['kind' => 'feel', 'stars' => 3]],
    'trial' => ['PATCH', fn () => 'api/trials/'.Trial::query()->value('id'), ['ratingSkipped' => true]],
    'shelf' => ['PATCH', fn () => "api/setups/{$this->b->id}/shelf", ['starred' => true]],
    'visit' => ['POST', fn () => "{$this->url}/visits", []],
    'blind' => ['POST', fn () => "{$this->url}/blind", ['setupIds' => [1, 2], 'rounds' => 1, 'shotsEach' => 2]],
    'blind hand' => ['GET', fn () => "{$this->url}/blind/hand", []],
]);

it('says so when the letter of a setup that is to come back belongs to another since', function (): void {
    $this->deleteJson("api/setups/{$this->b->id}")->assertSuccessful();
    $entry = LogEntry::query()->latest('id')->value('id');
    $again = $this->addSetup($this->case);
    expect($again->tag)->toBe($this->b->tag);
    $this->postJson("api/log/{$entry}/undo")->assertUnprocessable()
        ->assertJsonPath('errors.entry.0', "The letter {$this->b->tag} belongs to another setup since: nothing was taken back.");
    $this->deleteJson("api/setups/{$again->id}")->assertSuccessful();
    $this->postJson("api/log/{$entry}/undo")->assertOk();
    expect(Setup::query()->whereKey($this->b->id)->exists())->toBeTrue();
});

it('keeps a change of the player in the log, and takes it back', function (): void {
    $was = $this->case->player->only(['name', 'units']);
    $this->patchJson($this->url, [
        'version' => $this->case->version, 'name' => 'Ada Fenwick', 'hand' => 'left',
        'units' => ['speed' => 'km/h', 'distance' => 'm', 'height' => 'm', 'length' => 'mm'],
    ])->assertOk();
    $entry = LogEntry::query()->latest('id')->firstOrFail();
    expect($entry->words)->toBe('changed the player’s name, hand, units');
    $this->postJson("api/log/{$entry->id}/undo")->assertOk();
    $player = $this->case->player->fresh();
    expect($player->only(['name', 'units']))->toBe($was)->and($player->hand->value)->toBe('right');
});

/** A monitor's post into the bay of the fitting. */
function postFromMonitor(mixed $test, int $bay, string $token, string ...$ids): void
{
    foreach ($ids as $i => $id) {
        $test->withHeader('Authorization', "Bearer {$token}")->postJson("api/bays/{$bay}/shots", [
            'session' => 's1',
            'shots' => [['id' => $id, 'values' => ['ballSpeedMps' => 66 + $i, 'launchDeg' => 12.5, 'spinRpm' => 2500], 'firmware' => '9.1']],
        ])->assertOk();
    }
}

it('takes a begun trial back with its shots, which go to the tray, and brings all of it again', function (): void {
    // The moment of a change is no part of what is held against the other.
    $this->freezeSecond();
    $bay = $this->postJson('api/bays', ['name' => 'Bay 4'])->json('id');
    $token = $this->postJson("api/bays/{$bay}/token")->json('token');
    $this->patchJson("api/bays/{$bay}", ['fittingId' => $this->case->id])->assertOk();
    ($this->begin)($this->a);
    $entry = LogEntry::query()->latest('id')->value('id');
    postFromMonitor($this, $bay, $token, 'one', 'two');
    ($this->hit)($this->a, 1);
    $shots = fn (): array => Shot::query()->orderBy('id')->get()->map(fn (Shot $s): array => $s->getRawOriginal())->all();
    $before = $shots();
    expect($this->getJson("{$this->url}/log")->json('1'))->toMatchArray(['id' => $entry, 'undoable' => true]);
    expect($shots())->toBe($before); // to offer it changes nothing
    $this->postJson("api/log/{$entry}/undo")->assertOk();
    // The typed line says itself what it was hit with.
    expect(Shot::query()->pluck('trial_id')->all())->toBe([null])
        ->and(Trial::query()->count())->toBe(0)
        ->and(($this->bay)()['setupId'] ?? null)->toBeNull();
    $held = array_map(
        fn (int $id): array => $this->getJson("api/held/{$id}")->json(), array_column($this->getJson("{$this->url}/held")->json(), 'id'),
    );
    expect(array_column($held, 'senderId'))->toBe(['one', 'two'])
        ->and($held[0]['reason'])->toContain('Trial 1 with A was taken back')
        ->and($held[0]['values'])->toEqual(['ballSpeedMps' => 66, 'launchDeg' => 12.5, 'spinRpm' => 2500]);
    // What the monitor repeats now is the shot in the tray.
    postFromMonitor($this, $bay, $token, 'one');
    expect($this->getJson("{$this->url}/held")->json())->toHaveCount(2);
    $this->postJson('api/log/'.LogEntry::query()->latest('id')->value('id').'/undo')->assertOk();
    expect($shots())->toEqual($before)
        ->and($this->getJson("{$this->url}/held")->json())->toBe([])
        ->and(Fitting::query()->value('running_trial_id'))->toBe(Trial::query()->value('id'));
});

it('offers no undo that would be refused', function (): void {
    ($this->begin)($this->a);
    $first = LogEntry::query()->latest('id')->value('id');
    $trial = Trial::query()->firstOrFail();
    ($this->hit)($this->b, 1);
    $shot = Shot::query()->firstOrFail();
    $this->patchJson("api/shots/{$shot->id}", ['trialId' => $trial->id])->assertOk();
    $offered = fn (int $id): bool => collect($this->getJson("{$this->url}/log")->json())->firstWhere('id', $id)['undoable'];
    expect($offered($first))->toBeFalse();
    $this->postJson("api/log/{$first}/undo")->assertUnprocessable()
        ->assertJsonPath('errors.entry.0', "Shots that are not its own were moved into trial 1 ({$shot->sequence}): move them out first.");
    expect(Trial::query()->count())->toBe(1)->and($shot->fresh()->trial_id)->toBe($trial->id);
    ($this->undoLast)()->assertOk();
    expect($offered($first))->toBeTrue();
    $this->postJson("api/trials/{$trial->id}/ratings", ['kind' => 'feel', 'stars' => 3])->assertOk();
    expect($offered($first))->toBeFalse();
});

it('offers of everything that was done just what would be taken back, and writes nothing to find out', function (): void {
    ($this->begin)($this->a);
    ($this->hit)($this->a, 2);
    ($this->begin)($this->b, 'warm-up');
    $c = $this->postJson("{$this->url}/setups", ['head' => 'Tern 460', 'statedLoftDeg' => 9])->assertCreated()->json('id');
    $this->patchJson("api/setups/{$c}", ['shelf' => 'parked', 'shelfReason' => 'later']);
    $shot = Shot::query()->firstOrFail();
    $this->patchJson("api/shots/{$shot->id}", ['leftOut' => ['reason' => 'mishit']])->assertOk();
    $this->patchJson("api/shots/{$shot->id}", ['leftOut' => null])->assertOk();
    $this->patchJson("api/shots/{$shot->id}", ['note' => 'thin', 'was' => null])->assertOk();
    $this->postJson("{$this->url}/visits")->assertCreated();
    ($this->begin)($this->a);
    $trial = Trial::query()->latest('id')->firstOrFail();
    $this->postJson("api/trials/{$trial->id}/ratings", ['kind' => 'feel', 'stars' => 3])->assertOk();
    $this->putJson("api/trials/{$trial->id}/open-air", [
        'openAir' => ['windMps' => 3, 'windFromDeg' => 0, 'temperatureC' => 20, 'altitudeM' => 0],
    ])->assertOk();
    ($this->undoLast)()->assertOk();
    $this->deleteJson("api/setups/{$c}");
    $this->postJson("{$this->url}/setups", ['head' => 'Plover 445', 'statedLoftDeg' => 9])->assertCreated();
    $entries = LogEntry::query()->where('fitting_id', $this->case->id)->get();
    $writes = 0;
    DB::listen(function ($query) use (&$writes): void {
        $writes += preg_match('/^\s*(insert|update|delete)|for update/i', $query->sql);
    });
    $offered = $entries->mapWithKeys(fn (LogEntry $e): array => [$e->id => app(Undoable::class)->holds($e)])->all();
    expect($writes)->toBe(0)->and(count(array_unique($offered)))->toBe(2);
    foreach ($entries as $entry) {
        DB::beginTransaction();
        try {
            app(Undo::class)->takeBack($entry->fresh(), $this->case->fresh(), $this->user);
            $done = true;
        } catch (ValidationException) {
            $done = false;
        }
        DB::rollBack();
        expect($done)->toBe($offered[$entry->id], $entry->words);
    }
});

it('knows what points at what can be taken away, as the database does', function (): void {
    $keys = DB::table('information_schema.key_column_usage')->where('table_schema', DB::connection()->getDatabaseName())
        ->whereIn('referenced_table_name', array_keys(Undoable::POINTING))->orderBy('table_name')->orderBy('column_name')
        ->get(['table_name as t', 'column_name as c', 'referenced_table_name as of']);
    $is = [];
    foreach ($keys as $key) {
        $is[$key->of][$key->t][] = $key->c;
    }
    ksort($is);
    expect($is)->toBe(Undoable::POINTING);
});
