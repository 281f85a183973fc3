<?php

declare(strict_types=1);

use App\Access\Role;
use App\Models\Fitting;
use App\Models\LogEntry;
use App\Models\Player;
use App\Models\User;
use Illuminate\Support\Facades\DB;

// What is known of a player over the years, and two records of one person.

beforeEach(function (): void {
    $this->owner = $this->fitter();
    $this->actingAs($this->owner);
    $this->units = ['speed' => 'mph', 'distance' => 'yd', 'height' => 'ft', 'length' => 'in'];
    $this->person = fn (string $name, string $hand = 'right'): Player => Player::query()->create([
        'studio_id' => $this->owner->studio_id, 'name' => $name, 'hand' => $hand, 'units' => $this->units,
    ]);
    $this->begun = fn (Player $p): int => $this->postJson('api/fittings', ['playerId' => $p->id])->assertCreated()->json('id');
});

it('tells the story of a player, their clubs and what their own club did each time', function (): void {
    $player = ($this->person)('Corin');
    $fitting = Fitting::query()->findOrFail(($this->begun)($player));
    $own = $this->addSetup($fitting);
    $this->hitAbout($this->owner, $own, 150, 5);
    $this->postJson("api/fittings/{$fitting->id}/decisions", ['setupId' => $own->id, 'reason' => 'x'])->assertCreated();
    $this->postJson("api/fittings/{$fitting->id}/rounds", [
        'key' => 'round number one', 'playedOn' => now()->subYear()->format('Y-m-d'), 'course' => 'Reedmere', 'club' => 'before', 'holes' => 14, 'hit' => 6, 'forgotMisses' => true, 'lost' => 0,
    ])->assertCreated();
    $this->postJson('api/appointments', [
        'day' => '2031-03-03', 'time' => '10:00', 'minutes' => 60, 'kind' => 'Second visit', 'swings' => 40, 'playerId' => $player->id,
    ])->assertCreated();
    $seen = $this->getJson("api/players/{$player->id}")->assertOk()->json();
    expect(array_column($seen['story'], 'kind'))->toBe(['appointment', 'fitting', 'round'])
        ->and($seen['story'][0]['words'])->toBe('Second visit, booked')->and($seen['clubs'][0])->toMatchArray(['what' => 'decided', 'fittingId' => $fitting->id])
        ->and($seen['known'][0]['n'])->toBe(5)->and($seen['known'][0]['clubSpeedMps'])->toEqualWithDelta(101 * 0.44704, 1e-6);
    $desk = User::query()->create([
        'studio_id' => $this->owner->studio_id, 'name' => 'Desk', 'email' => 'd@x.example', 'password' => 'x', 'role' => Role::Desk,
        'password_at' => now(),
    ]);
    $this->actingAs($desk)->getJson("api/players/{$player->id}")->assertOk()->assertJsonPath('known', null);
});

it('joins two records of one person, and takes it back', function (): void {
    [$one, $two] = [($this->person)('Corin Aldery'), ($this->person)('C. Aldery')];
    [$a, $b] = [($this->begun)($one), ($this->begun)($two)];
    $this->patchJson("api/players/{$two->id}/consent", ['given' => true, 'text' => 'yes'])->assertOk();
    $link = basename($this->postJson("api/players/{$two->id}/links", ['kind' => 'intake'])->json('path'));
    $this->postJson("api/players/{$one->id}/join", ['otherId' => $two->id])->assertOk()->assertJsonCount(2, 'fittings')->assertJsonCount(1, 'consents');
    expect(Fitting::query()->findOrFail($b)->player_id)->toBe($one->id)->and(Player::query()->pluck('id')->all())->toBe([$one->id]);
    // A link that was given to the other goes on.
    $this->postJson('api/for-player/look', ['token' => $link])->assertOk();
    $this->postJson("api/players/{$one->id}/join", ['otherId' => $two->id])->assertUnprocessable();
    $entry = LogEntry::query()->whereNull('fitting_id')->latest('id')->firstOrFail();
    expect($entry->words)->toBe('joined C. Aldery into Corin Aldery');
    $this->postJson("api/studio-log/{$entry->id}/undo")->assertOk();
    expect(Fitting::query()->findOrFail($b)->player_id)->toBe($two->id)->and(Fitting::query()->findOrFail($a)->player_id)->toBe($one->id)
        ->and(Player::query()->count())->toBe(2)->and(DB::table('consents')->value('player_id'))->toBe($two->id);
});

it('joins nobody with another hand, another studio, or themselves', function (): void {
    $one = ($this->person)('Corin');
    $left = ($this->person)('Corin again', 'left');
    $this->postJson("api/players/{$one->id}/join", ['otherId' => $left->id])->assertUnprocessable()->assertSee('would be mirrored');
    $this->postJson("api/players/{$one->id}/join", ['otherId' => $one->id])->assertUnprocessable()->assertSee('same record');
    $other = $this->fitter('Another');
    $theirs = Player::query()->create(['studio_id' => $other->studio_id, 'name' => 'Corin', 'hand' => 'right', 'units' => $this->units]);
    $this->postJson("api/players/{$one->id}/join", ['otherId' => $theirs->id])->assertUnprocessable()->assertJsonValidationErrors('otherId');
    expect(Player::query()->count())->toBe(3);
});
