<?php

declare(strict_types=1);

use App\Access\Role;
use App\Models\Appointment;
use App\Models\Bay;
use App\Models\Fitting;
use App\Models\LogEntry;
use App\Models\Player;
use App\Models\User;
use Sabre\VObject\Reader;

// Who comes when. 30 November 2026 is a Monday.

beforeEach(function (): void {
    $this->owner = $this->fitter();
    $this->owner->studio->update(['time_zone' => 'Europe/Berlin']);
    $this->bay1 = Bay::query()->create(['studio_id' => $this->owner->studio_id, 'name' => 'Bay 1'])->id;
    $this->bay2 = Bay::query()->create(['studio_id' => $this->owner->studio_id, 'name' => 'Bay 2'])->id;
    $this->actingAs($this->owner);
    $this->wants = fn (array $more = []): array => $more + [
        'day' => '2026-11-30', 'time' => '10:00', 'minutes' => 90, 'kind' => 'Driver fitting', 'swings' => 60, 'bayId' => $this->bay1,
        'fitterId' => $this->owner->id, 'name' => 'Corin Aldery', 'hand' => 'left',
    ];
    $this->book = fn (array $more = []) => $this->postJson('api/appointments', ($this->wants)($more));
});

it('books a new player by the clock on the wall and shows it on its day', function (): void {
    $made = ($this->book)()->assertCreated()->assertJsonPath('player.name', 'Corin Aldery')->assertJsonPath('until', '11:30')->json();
    expect(Appointment::query()->findOrFail($made['id'])->starts_at->toIso8601String())->toBe('2026-11-30T09:00:00+00:00');
    $days = $this->getJson('api/calendar?from=2026-11-30&days=7')->assertOk()->json();
    expect($days['appointments'])->toHaveCount(1)->and($days['appointments'][0])->toEqual($made)->and($days['days'])->toHaveCount(7)
        ->and($days['days'][6]['open'])->toBe([])->and($days['fitters'][0]['id'])->toBe($this->owner->id);
    expect($this->getJson('api/calendar?from=2026-12-01&days=7')->json('appointments'))->toBe([]);
});

it('books no bay, no fitter and no player twice, and keeps nothing of what it refused', function (array $more, string $field, string $says): void {
    $first = ($this->book)()->json();
    $more = array_map(fn (mixed $v): mixed => $v === 'the player' ? $first['player']['id'] : ($v === 'bay 2' ? $this->bay2 : $v), $more);
    ($this->book)(['time' => '11:00', 'name' => 'Somebody Else'] + $more)->assertUnprocessable()->assertJsonValidationErrors($field)
        ->assertSee($says);
    expect(Appointment::query()->count())->toBe(1)->and(Player::query()->where('name', 'Somebody Else')->count())->toBe(0);
})->with([
    [[], 'bayId', 'Bay 1 is taken from 10:00 to 11:30 (Driver fitting, Corin Aldery)'],
    [['bayId' => 'bay 2'], 'fitterId', 'A fitter is taken from 10:00 to 11:30'],
    [['bayId' => 'bay 2', 'fitterId' => null, 'playerId' => 'the player'], 'playerId', 'Corin Aldery is taken'],
]);

it('says that a time is outside the opening hours and takes it when told to', function (): void {
    ($this->book)(['time' => '18:30'])->assertUnprocessable()->assertJsonValidationErrors('outside')->assertSee('open 09:00 to 19:00');
    ($this->book)(['day' => '2026-12-06'])->assertUnprocessable()->assertSee('closed on Sundays');
    ($this->book)(['time' => '18:30', 'outside' => true])->assertCreated();
    ($this->book)(['day' => '2026-03-29', 'time' => '02:30', 'outside' => true])->assertUnprocessable()->assertJsonValidationErrors('time')
        ->assertSee('There is no 02:30 on 29 March 2026');
});

it('keeps the time on the wall over a change of the clocks, and the hours of a day that has 25', function (): void {
    ($this->book)(['day' => '2026-10-24', 'outside' => true])->assertCreated()->assertJsonPath('start', '2026-10-24T08:00:00+00:00');
    $made = ($this->book)(['day' => '2026-10-25', 'outside' => true])->assertCreated()->assertJsonPath('start', '2026-10-25T09:00:00+00:00')->json();
    $this->patchJson("api/appointments/{$made['id']}", ['version' => 1, 'day' => '2026-10-23'])->assertOk()->assertJsonPath('time', '10:00')
        ->assertJsonPath('start', '2026-10-23T08:00:00+00:00');
    // From 23:30 the day before to half past midnight it is on both days.
    ($this->book)(['day' => '2026-10-24', 'time' => '23:30', 'minutes' => 60, 'outside' => true])->assertCreated();
    expect($this->getJson('api/calendar?from=2026-10-25&days=1')->json('appointments'))->toHaveCount(1);
});

it('moves, refuses what an older screen says, calls off and lets the time be booked again', function (): void {
    $made = ($this->book)()->json();
    $url = "api/appointments/{$made['id']}";
    $this->patchJson($url, ['version' => 1, 'time' => '14:00'])->assertOk()->assertJsonPath('version', 2)->assertJsonPath('until', '15:30');
    $this->patchJson($url, ['version' => 1, 'time' => '16:00'])->assertConflict()->assertJsonPath('current.time', '14:00');
    $this->patchJson($url, ['version' => 2, 'state' => 'cancelled'])->assertOk()->assertJsonPath('state', 'cancelled');
    $other = ($this->book)(['time' => '14:30', 'name' => 'Another'])->assertCreated()->json();
    // It cannot come back while its time is taken.
    $log = $this->getJson('api/studio-log')->assertOk()->json();
    expect(array_column($log, 'words'))->toContain('called off Driver fitting of Corin Aldery, 30 November 14:00');
    $off = collect($log)->firstWhere('words', 'called off Driver fitting of Corin Aldery, 30 November 14:00');
    $this->postJson("api/studio-log/{$off['id']}/undo")->assertUnprocessable()->assertSee('Bay 1 is taken from 14:30');
    $this->patchJson("api/appointments/{$other['id']}", ['version' => 1, 'time' => '16:00'])->assertOk();
    $this->postJson("api/studio-log/{$off['id']}/undo")->assertOk()->assertJsonPath('undone', true);
    expect(Appointment::query()->findOrFail($made['id'])->state)->toBe('booked');
    $this->patchJson($url, ['version' => 1, 'state' => 'booked'])->assertConflict();
});

it('takes a booking back with the player who came by it', function (): void {
    ($this->book)();
    $entry = LogEntry::query()->whereNull('fitting_id')->sole();
    $this->postJson("api/studio-log/{$entry->id}/undo")->assertOk();
    expect(Appointment::query()->count())->toBe(0)->and(Player::query()->count())->toBe(0);
});

it('begins the fitting with the budget that was booked, once', function (): void {
    $made = ($this->book)(['minutes' => 75, 'swings' => 45])->json();
    $id = $this->postJson("api/appointments/{$made['id']}/fitting")->assertCreated()->json('fittingId');
    $this->postJson("api/appointments/{$made['id']}/fitting")->assertOk()->assertJsonPath('fittingId', $id);
    $brief = Fitting::query()->with('player')->findOrFail($id)->brief();
    expect($brief->swings)->toEqual(45)->and($brief->minutes)->toEqual(75)->and(Appointment::query()->sole()->state)->toBe('came');
    $closed = ($this->book)(['time' => '15:00', 'name' => null, 'hand' => null, 'kind' => 'Closed', 'swings' => 0])->assertCreated()->json();
    $this->postJson("api/appointments/{$closed['id']}/fitting")->assertUnprocessable()->assertSee('Nobody comes then');
});

it('takes only what belongs to the studio, and shows another studio nothing', function (): void {
    $other = $this->fitter('Another');
    $theirs = Bay::query()->create(['studio_id' => $other->studio_id, 'name' => 'Theirs'])->id;
    ($this->book)(['bayId' => $theirs])->assertUnprocessable()->assertJsonValidationErrors('bayId');
    ($this->book)(['fitterId' => $other->id])->assertUnprocessable()->assertJsonValidationErrors('fitterId');
    $made = ($this->book)()->json();
    $entry = LogEntry::query()->whereNull('fitting_id')->firstOrFail();
    $this->actingAs($other);
    expect($this->getJson('api/calendar?from=2026-11-30')->json('appointments'))->toBe([])->and($this->getJson('api/studio-log')->json())->toBe([]);
    foreach (['PATCH' => '', 'GET' => '/calendar.ics', 'POST' => '/fitting'] as $method => $more) {
        $this->json($method, "api/appointments/{$made['id']}{$more}", $method === 'PATCH' ? ['version' => 1] : [])->assertNotFound();
    }
    $this->postJson("api/studio-log/{$entry->id}/undo")->assertNotFound();
});

it('gives the player a file for their own calendar, without the studio’s note', function (): void {
    $made = ($this->book)(['note' => 'pays cash, talks a lot; loft, face'])->json();
    $text = $this->get("api/appointments/{$made['id']}/calendar.ics")->assertOk()->assertHeader('Content-Type', 'text/calendar; charset=utf-8')->getContent();
    $event = Reader::read((string) $text)->VEVENT;
    expect((string) $event->DTSTART)->toBe('20261130T090000Z')->and((string) $event->DTEND)->toBe('20261130T103000Z')
        ->and((string) $event->LOCATION)->toBe('Test studio, Bay 1')->and((string) $event->STATUS)->toBe('CONFIRMED')
        ->and($text)->not->toContain('cash')->and(Reader::read((string) $text)->validate())->toBe([]);
});

it('feeds a calendar elsewhere by a secret address, until that is closed', function (): void {
    ($this->book)(['note' => "two lines\nof it"]);
    $path = $this->postJson('api/calendar/feed')->assertCreated()->json('path');
    $read = fn (string $path) => $this->get($path);
    $calendar = Reader::read((string) $read($path)->assertOk()->getContent());
    expect((string) $calendar->VEVENT->SUMMARY)->toBe('Driver fitting: Corin Aldery')->and($calendar->validate())->toBe([])
        ->and((string) $calendar->VEVENT->DESCRIPTION)->toContain("two lines\nof it");
    $this->deleteJson('api/session');
    $read($path)->assertOk();
    $read(str_replace('.ics', 'x.ics', $path))->assertNotFound();
    $this->actingAs($this->owner);
    $second = $this->postJson('api/calendar/feed')->json('path');
    $read($path)->assertNotFound();
    $read($second)->assertOk();
    $this->deleteJson('api/calendar/feed')->assertOk()->assertExactJson(['ended' => 1]);
    $read($second)->assertNotFound();
});

it('feeds a fitter their own appointments, and nobody who was removed', function (): void {
    ($this->book)();
    $fitter = User::query()->create([
        'studio_id' => $this->owner->studio_id, 'name' => 'Nia', 'email' => 'nia@x.example', 'password' => 'x', 'role' => Role::Fitter,
        'password_at' => now(),
    ]);
    ($this->book)(['fitterId' => $fitter->id, 'bayId' => $this->bay2, 'name' => 'Hers'])->assertCreated();
    $path = $this->actingAs($fitter)->postJson('api/calendar/feed')->json('path');
    expect($this->get($path)->getContent())->toContain('Hers')->not->toContain('Corin');
    $fitter->update(['removed_at' => now()]);
    $this->get($path)->assertNotFound();
});

it('keeps hours, zone and kinds of a studio and refuses what is none', function (): void {
    $spans = [[['08:00', '12:00']], [], [], [], [], [], []];
    $this->putJson('api/studio/rules', [
        'timeZone' => 'Europe/Lisbon', 'openingHours' => $spans,
        'appointmentKinds' => [['name' => 'Short', 'minutes' => 30, 'swings' => 15]],
    ])->assertOk()->assertJsonPath('timeZone', 'Europe/Lisbon')->assertJsonPath('openingHours', $spans);
    $days = $this->getJson('api/calendar?from=2026-11-30')->json();
    expect($days['zone'])->toBe('Europe/Lisbon')->and($days['kinds'][0]['name'])->toBe('Short')->and($days['days'][0]['open'])->toBe([['08:00', '12:00']]);
    $this->putJson('api/studio/rules', ['timeZone' => 'Lantern/Yard'])->assertUnprocessable()->assertJsonValidationErrors('timeZone');
    $this->putJson('api/studio/rules', ['openingHours' => [[]]])->assertUnprocessable()->assertSee('seven days');
});
