<?php

declare(strict_types=1);

use App\Access\Role;
use App\Data\Eraser;
use App\Judged\StudioLearning;
use App\Models\Fitting;
use App\Models\Memory;
use App\Models\User;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use MintCarry\Core\Impact\PlayerPriors;
use Tests\AppTestCase;

// What a studio learns of its heads from its fittings, and what later ones begin with.

/** Fittings in which a head of the rack starts the ball to the right of the own club, each of another player. */
function taught(AppTestCase $test, User $user, array $head, int $n): void
{
    for ($i = 0; $i < $n; $i++) {
        $fitting = $test->fitting($user);
        $test->hitAbout($user, $test->addSetup($fitting), 144 + $i, 6, $i % 3 - 1);
        $test->hitAbout($user, $test->build($fitting, $head), 145 + $i, 6, 3 + $i % 3);
    }
}
/** A new fitting whose visit has begun. */
function begun(AppTestCase $test, User $user): Fitting
{
    $fitting = $test->fitting($user);
    $setup = $test->addSetup($fitting);
    $test->postJson("api/fittings/{$fitting->id}/trials", ['setupId' => $setup->id])->assertSuccessful();

    return $fitting->refresh();
}

beforeEach(function (): void {
    $this->user = $this->fitter();
    $this->actingAs($this->user);
    $this->head = $this->rackHead($this->user);
    $this->learn = fn (): ?Memory => (new StudioLearning)->learn($this->user->studio->refresh());
});

it('learns of a head from five fittings on, and only fittings that begin later begin with it', function (): void {
    taught($this, $this->user, $this->head, 4);
    expect(($this->learn)())->toBeNull();
    taught($this, $this->user, $this->head, 2);
    $old = Fitting::query()->orderBy('id')->firstOrFail();
    $before = $this->getJson("api/fittings/{$old->id}/judge")->assertOk()->json('judge');
    $memory = ($this->learn)();
    // The head starts the ball right of the own club by about 4°: its face is believed to, where little else is.
    expect($memory->version)->toBe(1)->and($memory->learned()->heads['Tern 460']['players'])->toBe(6)
        ->and($memory->learned()->heads['Tern 460']['mean'][2])->toBeGreaterThan(0.1)
        ->and($old->refresh()->memory_id)->toBeNull()
        ->and($this->getJson("api/fittings/{$old->id}/judge")->json('judge'))->toEqual($before);
    $new = begun($this, $this->user);
    expect($new->memory_id)->toBe($memory->id);
    // The same once more is the same version; a later version moves nothing that was begun.
    expect(($this->learn)()->id)->toBe($memory->id);
    taught($this, $this->user, $this->head, 1);
    expect(($this->learn)()->version)->toBe(2)->and($new->refresh()->memory_id)->toBe($memory->id);
});

it('takes what is known when the visit begins, not when the fitting was written down', function (): void {
    taught($this, $this->user, $this->head, 5);
    $early = $this->fitting($this->user);
    $setup = $this->addSetup($early);
    expect($early->memory_id)->toBeNull();
    $memory = ($this->learn)();
    $this->postJson("api/fittings/{$early->id}/trials", ['setupId' => $setup->id])->assertSuccessful();
    expect($early->refresh()->memory_id)->toBe($memory->id);
});

it('changes what is expected of a head that the player has not hit, and nothing where nothing is remembered', function (): void {
    taught($this, $this->user, $this->head, 8);
    $memory = ($this->learn)();
    $sides = [];
    foreach ([$memory->id, null] as $id) {
        $fitting = $this->fitting($this->user);
        $this->hitAbout($this->user, $this->addSetup($fitting), 146, 8);
        Fitting::query()->whereKey($fitting->id)->update(['memory_id' => $id]);
        $found = $this->getJson("api/fittings/{$fitting->id}/finder")->assertOk()->json('setups');
        $ofHead = collect($found)->where('head', 'Tern 460')->where('sleeve', 'N')->first();
        $sides[] = $ofHead['sideM'];
    }
    expect($sides[0])->toBeGreaterThan($sides[1] + 0.5);
});

it('has nothing of an erased player after the next learning', function (): void {
    taught($this, $this->user, $this->head, 6);
    $first = ($this->learn)();
    $erased = Fitting::query()->orderBy('id')->firstOrFail();
    app(Eraser::class)->erase($erased->player_id, $this->user->id);
    expect(DB::table('lessons')->where('fitting_id', $erased->id)->exists())->toBeFalse();
    $next = ($this->learn)();
    expect($next->id)->not->toBe($first->id)->and($next->learned()->fittings)->toBe(5);
    app(Eraser::class)->erase(Fitting::query()->whereKeyNot($erased->id)->orderBy('id')->firstOrFail()->player_id, $this->user->id);
    // Four are too few to say anything.
    expect(($this->learn)()->learned()->heads)->toBe([]);
});

it('can be switched off and forgotten; what was begun with it stays as it was', function (): void {
    taught($this, $this->user, $this->head, 5);
    $this->postJson('api/studio/memory')->assertOk()->assertJsonPath('memory.fittings', 5)->assertJsonPath('memory.heads', 1);
    $begun = begun($this, $this->user);
    $this->putJson('api/studio/rules', ['remembers' => false])->assertOk()->assertJsonPath('memory', null);
    expect(begun($this, $this->user)->memory_id)->toBeNull();
    $this->putJson('api/studio/rules', ['remembers' => true])->assertOk()->assertJsonPath('memory.version', 1);
    $this->deleteJson('api/studio/memory')->assertOk()->assertJsonPath('memory', null);
    expect(begun($this, $this->user)->memory_id)->toBeNull()->and($begun->refresh()->memory()->fittings)->toBe(5)
        ->and(($this->learn)())->toBeNull();
});

it('tells owner and fitter what it rests on, on the page of the head, and nobody else', function (): void {
    taught($this, $this->user, $this->head, 5);
    expect($this->getJson("api/heads/{$this->head['id']}")->assertOk()->json('memory'))->toBeNull();
    ($this->learn)();
    $told = $this->getJson("api/heads/{$this->head['id']}")->json('memory');
    expect($told['players'])->toBe(5)->and(array_column($told['effects'], 'effect'))->toContain('faceDeg');
    foreach ($told['effects'] as $effect) {
        expect($effect['low'])->toBeLessThan($effect['mean'])->and($effect['high'])->toBeGreaterThan($effect['mean']);
    }
    $desk = $this->fitter();
    $desk->update(['studio_id' => $this->user->studio_id, 'role' => Role::Desk]);
    $this->actingAs($desk->refresh());
    $this->getJson("api/heads/{$this->head['id']}")->assertForbidden();
    $this->postJson('api/studio/memory')->assertForbidden();
});

it('keeps to its studio', function (): void {
    taught($this, $this->user, $this->head, 5);
    ($this->learn)();
    $other = $this->fitter();
    $this->actingAs($other);
    expect(begun($this, $other)->memory_id)->toBeNull()->and((new StudioLearning)->learn($other->studio))->toBeNull();
});

it('goes with the file of a fitting, which has the same figures elsewhere', function (): void {
    taught($this, $this->user, $this->head, 6);
    ($this->learn)();
    $fitting = begun($this, $this->user);
    $this->hitAbout($this->user, $fitting->setups()->firstOrFail(), 146, 6);
    $this->hitAbout($this->user, $this->build($fitting, $this->head), 147, 5, 2);
    $here = $this->getJson("api/fittings/{$fitting->id}/judge")->json('judge.setups');
    $file = $this->getJson("api/fittings/{$fitting->id}/file")->assertOk()->json();
    expect($file['memory']['heads'])->toHaveKey('Tern 460')->and(json_encode($file['memory']))->not->toContain('player_id');
    $other = $this->fitter();
    $this->actingAs($other);
    $id = $this->postJson('api/fittings/import', [
        'keep' => true,
        'file' => UploadedFile::fake()->createWithContent('x.json', json_encode($file, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION)),
    ])->assertSuccessful()->json('fittingId');
    $there = $this->getJson("api/fittings/{$id}/judge")->json('judge.setups');
    foreach ($here as $i => $one) {
        expect($there[$i]['expectedCarryM'] ?? null)->toEqualWithDelta($one['expectedCarryM'] ?? null, 1e-6);
    }
    // It came for that fitting alone.
    expect(begun($this, $other)->memory_id)->toBeNull();
});

it('is looked at without what was learned, on Answer and wherever that is asked; what is decided rests on what the visit began with', function (): void {
    taught($this, $this->user, $this->head, 8);
    ($this->learn)();
    $fitting = begun($this, $this->user);
    $this->hitAbout($this->user, $fitting->setups()->firstOrFail(), 150, 8, 0);
    $other = $this->build($fitting, $this->head);
    $this->hitAbout($this->user, $other, 151, 4, 1);
    $told = fn (string $how): float => $this->getJson("api/fittings/{$fitting->id}/answer{$how}")->assertOk()->json('judge.setups.1.expectedCarryM');
    [$with, $without] = [$told(''), $told('?memory=without')];
    expect($with)->not->toEqual($without)->and($told(''))->toEqual($with);
    // The same as where it never had any.
    $fitting->newQuery()->toBase()->where('id', $fitting->id)->update(['memory_id' => null]);
    expect($told(''))->toEqual($without);
    $fitting->newQuery()->toBase()->where('id', $fitting->id)->update(['memory_id' => $fitting->memory_id]);
    $chosen = ['setupId' => $other->id, 'reason' => 'It looks right.'];
    $this->postJson("api/fittings/{$fitting->id}/decisions?memory=without", $chosen)->assertStatus(422);
    $this->postJson("api/fittings/{$fitting->id}/decisions", $chosen)->assertCreated()
        ->assertJsonPath('advice.setups.1.expectedCarryM', $with);
    $this->getJson("api/fittings/{$fitting->id}/answer?memory=with")->assertStatus(422)->assertJsonValidationErrors('memory');
});

it('tells the season of owner and fitter what it is worth, once enough heads were foretold', function (): void {
    taught($this, $this->user, $this->head, 6);
    ($this->learn)();
    $this->getJson('api/season')->assertOk()->assertJsonPath('memory', null);
    $memory = Memory::query()->firstOrFail();
    $worth = ['without' => 0.9, 'with' => 0.5, 'verdict' => 'nearer'];
    $memory->update(['content' => ['replay' => ['heads' => 24, 'effects' => array_fill(0, 7, $worth)]] + $memory->content]);
    $this->getJson('api/season')->assertOk()->assertJsonPath('memory.heads', 24)->assertJsonPath('memory.effects.0.effect', 'faceDeg');
    $desk = $this->fitter();
    $desk->update(['studio_id' => $this->user->studio_id, 'role' => Role::Desk]);
    $this->actingAs($desk->refresh());
    expect($this->getJson('api/season')->json('memory'))->toBeNull();
});

it('is given to other studios in fives and rounded, and taken in where they know nothing themselves', function (): void {
    $this->getJson('api/studio/memory/file')->assertStatus(422)->assertJsonValidationErrors('memory');
    taught($this, $this->user, $this->head, 7);
    ($this->learn)();
    $file = $this->get('api/studio/memory/file')->assertOk()->json();
    expect($file['memory'])->toMatchArray(['fittings' => 5])->and($file['memory']['heads']['Tern 460']['players'])->toBe(5)
        ->and(json_encode($file))->not->toContain($this->user->studio->name);
    $step = array_values(PlayerPriors::OWN_EFFECT_SD)[2] / 20;
    $face = $file['memory']['heads']['Tern 460']['mean'][2];
    expect($face / $step)->toEqualWithDelta(round($face / $step), 1e-4);
    // Two more fittings change nothing of it, the fifth does.
    taught($this, $this->user, $this->head, 2);
    ($this->learn)();
    expect($this->get('api/studio/memory/file')->json())->toEqual($file);
    taught($this, $this->user, $this->head, 1);
    ($this->learn)();
    expect($this->get('api/studio/memory/file')->json('memory.fittings'))->toBe(10);

    $take = fn (string $bytes) => $this->post('api/studio/memory/file', ['file' => UploadedFile::fake()->createWithContent('memory.json', $bytes)], ['Accept' => 'application/json']);
    $other = $this->fitter();
    $this->actingAs($other);
    $head = $this->rackHead($other);
    $take((string) json_encode($file))->assertOk()->assertJsonPath('memory.elsewhere', 1)->assertJsonPath('memory.fittings', 0);
    $this->getJson("api/heads/{$head['id']}")->assertOk()->assertJsonPath('memory.elsewhere', true)->assertJsonPath('memory.players', 5);
    $begun = begun($this, $other)->memory();
    expect($begun->effectsOf('Tern 460', null)[2]['mean'])->toEqualWithDelta($face, 1e-9);
    // It is not handed on, and what the studio learns itself stands before it.
    expect($this->get('api/studio/memory/file')->json('memory.heads'))->toBe([]);
    taught($this, $other, $head, 5);
    expect((new StudioLearning)->learn($other->studio->refresh())->content['heads']['Tern 460'])->not->toHaveKey('elsewhere');

    $before = Memory::latest($other->studio)->id;
    $bad = $file;
    $bad['memory']['heads']['Tern 460']['sd'][2] = 0;
    foreach (['', '[]', 'x', '{"format":"mint-carry-memory/9","memory":{}}', (string) json_encode($bad)] as $bytes) {
        $take($bytes)->assertStatus(422)->assertJsonValidationErrors('file');
    }
    expect(Memory::latest($other->studio)->id)->toBe($before);
    $this->deleteJson('api/studio/memory')->assertOk();
    expect($other->studio->refresh()->memory_of_others)->toBeNull();
    $other->update(['role' => Role::Desk]);
    $this->actingAs($other->refresh());
    $this->getJson('api/studio/memory/file')->assertForbidden();
    $take('{}')->assertForbidden();
});
