<?php

declare(strict_types=1);

use App\Models\Decision;
use App\Models\Fitting;
use App\Models\Setup;
use MintCarry\Core\Fitting\Brief;

// A player who comes back: found by name, and fitted from where the last fitting ended.

beforeEach(function (): void {
    $this->user = $this->fitter();
    $this->case = $this->fitting($this->user, 'left', new Brief(wish: 'higher', carryM: 205 * 0.9144));
    $this->case->player->update(['name' => 'Wenna Halloway']);
    $this->case->update(['typed' => ['carryM' => ['value' => '205', 'unit' => 'yd']]]);
    $head = $this->rackHead($this->user, ['hand' => 'left']);
    $this->a = $this->build($this->case, $head);
    $this->b = $this->build($this->case, $head, ['sleeveLabel' => '+1.4', 'note' => 'felt heavy']);
    $this->actingAs($this->user);
    $this->player = $this->case->player_id;
});

it('is found by a part of the name, with earlier fittings and their clubs', function (): void {
    $found = $this->getJson('api/players?q=hallo')->assertOk()->json();
    expect($found)->toHaveCount(1)
        ->and($found[0])->toMatchArray(['name' => 'Wenna Halloway', 'hand' => 'left'])
        ->and($found[0]['fittings'][0])->toMatchArray(['id' => $this->case->id, 'wish' => 'higher', 'decided' => null])
        ->and(array_column($found[0]['fittings'][0]['clubs'], 'tag'))->toBe(['A', 'B'])
        ->and($this->getJson('api/players?q=%25')->json())->toBe([])
        ->and($this->actingAs($this->fitter())->getJson('api/players?q=hallo')->json())->toBe([]);
});

it('starts from the brief as it was typed and from the club they took home, and leaves the shots where they were hit', function (): void {
    $this->hitAbout($this->user, $this->b);
    $made = $this->postJson('api/fittings', [
        'playerId' => $this->player, 'fromFittingId' => $this->case->id, 'setupId' => $this->b->id,
    ])->assertCreated()->json();
    $own = Setup::query()->where('fitting_id', $made['id'])->get();
    expect($made['brief']['carryM'])->toEqualWithDelta(187.452, 1e-9)
        ->and($made['typed']['carryM']['value'])->toBe('205')
        ->and($made['earlier'][0]['id'])->toBe($this->case->id)
        ->and($own)->toHaveCount(1)
        ->and($own[0]->only('tag', 'is_baseline', 'sleeve_label', 'note', 'branched_from_id'))
        ->toBe(['tag' => 'A', 'is_baseline' => true, 'sleeve_label' => '+1.4', 'note' => '', 'branched_from_id' => null])
        ->and($made['benchmarkSetupId'])->toBe($own[0]->id)
        ->and($this->getJson("api/fittings/{$made['id']}/shots")->json())->toBe([])
        ->and($this->getJson("api/fittings/{$this->case->id}/shots")->json())->not->toBe([])
        // The earlier one is untouched, and does not name the later as earlier.
        ->and($this->getJson("api/fittings/{$this->case->id}")->json('earlier'))->toBe([]);
    // The next setup takes the next letter, and branches off the own club.
    $b = $this->build(Fitting::query()->findOrFail($made['id']), ['id' => $this->b->head_id]);
    expect($b->only('tag', 'branched_from_id'))->toBe(['tag' => 'B', 'branched_from_id' => $own[0]->id]);
});

it('may start from an empty brief, or without a club', function (): void {
    $bare = $this->postJson('api/fittings', ['playerId' => $this->player])->assertCreated()->json();
    $brief = $this->postJson('api/fittings', ['playerId' => $this->player, 'fromFittingId' => $this->case->id])->assertCreated()->json();
    expect($bare['brief']['wish'])->toBe('')->and($bare['player']['name'])->toBe('Wenna Halloway')
        ->and($brief['brief']['wish'])->toBe('higher')->and($brief['setups'])->toBe([]);
});

it('tells the club that was decided first', function (): void {
    $this->hitAbout($this->user, $this->a);
    $this->hitAbout($this->user, $this->b, 152);
    $this->postJson("api/fittings/{$this->case->id}/decisions", ['setupId' => $this->b->id, 'reason' => 'it goes'])->assertSuccessful();
    expect(Decision::query()->count())->toBe(1);
    $found = $this->getJson('api/players?q=wenna')->json('0.fittings.0');
    expect($found['decided'])->toBe('B')->and($found['clubs'][0]['tag'])->toBe('B');
});

it('takes nothing of another player or studio', function (): void {
    $other = $this->fitting($this->user);
    $n = Fitting::query()->count();
    $this->postJson('api/fittings', ['playerId' => $other->player_id, 'fromFittingId' => $this->case->id])->assertUnprocessable();
    $strange = $this->build($other, $this->rackHead($this->user));
    $this->postJson('api/fittings', ['playerId' => $this->player, 'fromFittingId' => $this->case->id, 'setupId' => $strange->id])
        ->assertUnprocessable();
    $this->actingAs($this->fitter())
        ->postJson('api/fittings', ['name' => 'Wenna Halloway', 'hand' => 'left', 'fromFittingId' => $this->case->id])->assertNotFound();
    expect(Fitting::query()->count())->toBe($n);
});

it('names a head of the other hand once the player’s hand is put right', function (): void {
    expect($this->getJson("api/fittings/{$this->case->id}")->json('wrongHand'))->toBe([]);
    $this->patchJson("api/fittings/{$this->case->id}", ['version' => $this->getJson("api/fittings/{$this->case->id}")->json('version'), 'hand' => 'right'])
        ->assertOk()->assertJsonPath('wrongHand', ['A', 'B']);
});
