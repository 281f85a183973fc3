<?php

declare(strict_types=1);

use App\Models\Confirm;
use App\Models\Decision;
use App\Models\LogEntry;
use App\Models\Rating;
use App\Models\Setup;
use App\Models\Shot;
use App\Models\Trial;

// The grounds of a decision, the confirm run, and versions that are locked and reopened.

beforeEach(function (): void {
    $this->user = $this->fitter();
    $this->case = $this->fitting($this->user);
    $this->head = $this->rackHead($this->user);
    $this->actingAs($this->user);
    $this->url = "api/fittings/{$this->case->id}";
    $this->hit = fn (Setup $setup, float $mph = 148, int $n = 4, float $direction = 0) => $this->hitAbout(
        $this->user, $setup, $mph, $n, $direction,
    );
    [$this->a, $this->b] = [$this->build($this->case, $this->head), $this->build($this->case, $this->head, ['sleeveLabel' => '+1.4'])];
    ($this->hit)($this->a, 146, 6, 3);
    ($this->hit)($this->b, 150, 6);
});

it('gives the grounds of a decision with the same figures as the finder', function (): void {
    $decide = $this->getJson("{$this->url}/grounds")->assertOk()->json();
    $found = $this->getJson("{$this->url}/finder")->json();
    expect($decide['basis'])->toBe('models')
        ->and($decide['confirm'])->toBeNull()
        ->and($this->getJson("{$this->url}/schools")->assertOk()->json('rows'))->toHaveCount(5)
        ->and($decide['days'])->toHaveCount(9)
        ->and($decide['worth'])->toBeNull() // both are the own head
        ->and(collect($decide['setups'])->firstWhere('tag', 'B')['gain'])
        ->toEqualWithDelta(collect($found['setups'])->firstWhere('setupTag', 'B')['gain'], 1e-9)
        ->and($this->getJson("{$this->url}/advice")->json('setups'))->toEqual($decide['setups']);
});

it('breaks ties in the order that the fitter set, and refuses an order that is none', function (): void {
    $version = fn (): int => $this->getJson($this->url)->json('version');
    $this->patchJson($this->url, ['version' => $version(), 'tieOrder' => ['price', 'confidence']])
        ->assertOk()->assertJsonPath('tieOrder', ['price', 'confidence']);
    expect($this->getJson("{$this->url}/grounds")->json('tieBreak.order') ?? ['price', 'confidence'])->toBe(['price', 'confidence'])
        ->and(LogEntry::query()->latest('id')->value('words'))->toContain('price, then confidence');
    $this->patchJson($this->url, ['version' => $version(), 'tieOrder' => ['luck']])->assertUnprocessable();
    expect($this->getJson($this->url)->json('tieOrder'))->toBe(['price', 'confidence']);
});

it('takes what the player said of confidence into the pick where feel goes first', function (): void {
    $same = $this->build($this->case, $this->head, ['sleeveLabel' => '-1.4', 'branchedFromId' => $this->a->id]);
    $trial = Trial::query()->findOrFail(
        $this->postJson("{$this->url}/trials", ['setupId' => $same->id])
            ->assertCreated()->json('running.id'),
    );
    ($this->hit)($same, 146, 6, 3);
    foreach ([[$this->a, 2], [$this->b, 2], [$same, 5]] as $i => [$setup, $stars]) {
        $of =
            $i === 2
                ? $trial
                : Trial::query()->create([
                    'studio_id' => $this->user->studio_id, 'fitting_id' => $this->case->id, 'setup_id' => $setup->id,
                    'number' => 10 + $i, 'conditions' => [], 'begun_by' => $this->user->id,
                ]);
        Rating::query()->create([
            'studio_id' => $this->user->studio_id, 'fitting_id' => $this->case->id, 'setup_id' => $setup->id, 'trial_id' => $of->id,
            'kind' => 'confidence', 'stars' => $stars, 'rated_by' => $this->user->id,
        ]);
    }
    expect($this->getJson("{$this->url}/grounds")->json('pick'))->not->toBe('C');
    $version = $this->getJson($this->url)->json('version');
    $this->patchJson("{$this->url}/brief", ['version' => $version, 'brief' => ['scoring' => 'feel first']])->assertOk();
    // Where feel goes first, what they said leads.
    $this->getJson("{$this->url}/grounds")->assertJsonPath('pick', 'C');
});

it('runs a confirm run: pause, three legs of counted shots, a word', function (): void {
    // The player has just hit.
    $this->postJson("{$this->url}/confirm", ['setupId' => $this->b->id])->assertUnprocessable()->assertJsonValidationErrors('rested');
    expect(Confirm::query()->count())->toBe(0);
    $this->travel(6)->minutes();
    $this->postJson("{$this->url}/confirm", ['setupId' => $this->a->id])->assertUnprocessable(); // the benchmark itself
    $this->postJson("{$this->url}/confirm", ['setupId' => $this->b->id, 'shotsEach' => 3])
        ->assertCreated()->assertJsonPath('verdict', 'running')->assertJsonPath('rested', false);
    $this->postJson("{$this->url}/confirm", ['setupId' => $this->b->id])->assertUnprocessable(); // one at a time
    expect($this->getJson("{$this->url}/bay")->json('confirm'))->toMatchArray(['leg' => 0, 'tag' => null, 'next' => 'A', 'shotsEach' => 3]);

    foreach ([[$this->a, 146, 3.0], [$this->b, 150, 0.0], [$this->a, 146, 3.0]] as $leg => [$setup, $mph, $direction]) {
        $this->postJson("{$this->url}/confirm/next", [])->assertOk();
        expect($this->getJson("{$this->url}/bay")->json('running.tag'))->toBe($setup->tag);
        ($this->hit)($setup, $mph, 2, $direction);
        $this->postJson("{$this->url}/confirm/next", [])
            ->assertUnprocessable()->assertJsonFragment(['message' => 'This leg still needs 1 counted shot.']);
        ($this->hit)($setup, $mph + 1, 1, $direction);
        expect($this->getJson("{$this->url}/bay")->json('confirm'))->toMatchArray([
            'leg' => $leg + 1, 'tag' => $setup->tag, 'n' => 3, 'next' => ['B', 'A', null][$leg],
        ]);
    }
    $done = $this->postJson("{$this->url}/confirm/next", [])->assertOk()->json();
    $chance = collect($this->getJson("{$this->url}/advice")->json('setups'))->firstWhere('tag', 'B')['chanceBetter'];
    expect($done['ended'])->not->toBeNull()
        ->and(array_column($done['legs'], 'tag'))->toBe(['A', 'B', 'A'])
        ->and($done['chance'])->toEqual($chance)
        ->and($done['verdict'])->toBe($chance >= 0.8 ? 'confirmed' : ($chance < 0.5 ? 'overturned' : 'open'))
        ->and($this->getJson("{$this->url}/bay")->json('confirm'))->toBeNull()
        // Its shots count like any others.
        ->and(Shot::query()->count())->toBe(21);
    $this->postJson("{$this->url}/confirm/next", [])->assertUnprocessable();
});

it('leaves out of a leg what does not count, and keeps the shots of a run that is ended', function (): void {
    $this->postJson("{$this->url}/confirm", ['setupId' => $this->b->id, 'rested' => true])->assertCreated()->assertJsonPath('rested', true);
    $this->postJson("{$this->url}/confirm/next", [])->assertOk();
    ($this->hit)($this->a, 146, 5, 3);
    $this->patchJson('api/shots/'.Shot::query()->latest('id')->value('id'), ['leftOut' => ['reason' => 'mishit']])->assertOk();
    $this->postJson("{$this->url}/confirm/next", [])->assertUnprocessable();
    $this->postJson("{$this->url}/confirm/end")->assertOk()->assertJsonPath('verdict', 'running');
    expect(Shot::query()->count())->toBe(17)->and($this->getJson("{$this->url}/bay")->json('confirm'))->toBeNull();
    $this->postJson("{$this->url}/confirm/end")->assertUnprocessable();
    expect(LogEntry::query()->pluck('words')->all())->toContain('began a confirm run of B', 'ended the confirm run');
});

it('keeps a confirm run and a blind trial apart', function (): void {
    $this->postJson("{$this->url}/confirm", ['setupId' => $this->b->id, 'rested' => true])->assertCreated();
    $this->postJson("{$this->url}/blind", [
        'setupIds' => [$this->a->id, $this->b->id], 'rounds' => 1, 'shotsEach' => 2,
    ])->assertUnprocessable();
    $this->postJson("{$this->url}/confirm/end")->assertOk();
    $this->postJson("{$this->url}/blind", [
        'setupIds' => [$this->a->id, $this->b->id], 'rounds' => 1, 'shotsEach' => 2,
    ])->assertCreated();
    $this->postJson("{$this->url}/confirm", ['setupId' => $this->b->id, 'rested' => true])
        ->assertUnprocessable()->assertJsonFragment(['message' => 'A blind trial is going on: reveal it first.']);
});

it('locks a decision with its grounds, refuses another, and makes a new version when it is reopened', function (): void {
    $save = fn (Setup $setup, string $why = 'feels right') => $this->postJson("{$this->url}/decisions", [
        'setupId' => $setup->id, 'reason' => $why,
    ]);
    $first = $save($this->b)->assertCreated()->assertJsonPath('version', 1)->json('id');
    expect($save($this->b)->assertCreated()->json('id'))->toBe($first); // pressed twice
    $second = $save($this->a)->assertCreated()->assertJsonPath('version', 2)->json('id');
    $this->postJson("api/decisions/{$first}/lock")->assertUnprocessable(); // a newer one has been saved
    $locked = $this->postJson("api/decisions/{$second}/lock")
        ->assertOk()->json();
    expect($locked['lockedAt'])->not->toBeNull()
        ->and($locked['proof']['schools']['rows'])->toHaveCount(5)
        ->and($locked['proof']['days'])->toHaveCount(9)
        ->and($this->getJson($this->url)->json('missing.answer'))->toBe('');
    $this->postJson("api/decisions/{$second}/lock")->assertUnprocessable();
    $save($this->b)
        ->assertStatus(409)
        ->assertJsonFragment([
            'message' => 'The decision for A is locked as version 2. Reopen it with a reason; that makes a new version and keeps this one.',
        ]);
    expect(Decision::query()->count())->toBe(2);

    $this->postJson("api/decisions/{$second}/reopen", ['why' => ''])->assertUnprocessable();
    $this->postJson("api/decisions/{$second}/reopen", ['why' => 'She broke the shaft'])
        ->assertOk()->assertJsonPath('reopenWhy', 'She broke the shaft');
    $this->postJson("api/decisions/{$second}/reopen", ['why' => 'again'])->assertUnprocessable();
    expect($this->getJson($this->url)->json('missing.answer'))->toBe('reopened');
    $save($this->b)->assertCreated()->assertJsonPath('version', 3);
    $all = $this->getJson("{$this->url}/decisions")->json();
    expect(array_column($all, 'version'))->toBe([3, 2, 1])
        ->and($this->getJson("api/decisions/{$all[0]['id']}")->json('proof'))->toBeNull()
        ->and($this->getJson("api/decisions/{$all[1]['id']}")->json('proof.brief.scoring'))->toBe('fewest strokes');
});

it('does not let the log take a locked decision back', function (): void {
    $id = $this->postJson("{$this->url}/decisions", ['setupId' => $this->b->id, 'reason' => 'x'])->assertCreated()->json('id');
    $entry = LogEntry::query()->where('words', 'decided for B')->value('id');
    $this->postJson("api/decisions/{$id}/lock")->assertOk();
    $this->postJson("api/log/{$entry}/undo")
        ->assertUnprocessable()
        ->assertJsonFragment(['message' => 'The decision is locked: reopen it on the answer, which makes a new version.']);
    $this->postJson('api/log/'.LogEntry::query()->latest('id')->value('id').'/undo')->assertUnprocessable();
    expect(Decision::query()->findOrFail($id)->isLocked())->toBeTrue();
});

it('keeps what it rested on when it was locked, whatever is hit after', function (): void {
    $id = $this->postJson("{$this->url}/decisions", ['setupId' => $this->b->id, 'reason' => 'x'])->assertCreated()->json('id');
    $proof = $this->postJson("api/decisions/{$id}/lock")->json('proof');
    ($this->hit)($this->b, 130, 6);
    expect($this->getJson("api/decisions/{$id}")->assertOk()->json('proof'))->toEqual($proof)
        // It is asked for by itself: a fitting and its list of decisions do not carry it about.
        ->and($this->getJson("{$this->url}/decisions")->json('0'))->not->toHaveKey('proof')
        ->and($this->getJson($this->url)->json('decision'))->not->toHaveKey('proof')
        ->and($this->getJson("{$this->url}/grounds")->json('setups'))->not->toEqual($proof['setups']);
});

it('says why nothing can be decided', function (): void {
    $empty = $this->fitting($this->user);
    $this->getJson("api/fittings/{$empty->id}/grounds")->assertUnprocessable();
    $this->addSetup($empty);
    expect(
        $this->getJson("api/fittings/{$empty->id}/grounds")
            ->assertUnprocessable()->json('message'),
    )->toContain('No setup has a counted shot yet');
});

it('gives the bay the judge’s last figures with their shots, and the same next step as the finder', function (): void {
    $judge = $this->getJson("{$this->url}/judge")->assertOk()->json();
    $grounds = $this->getJson("{$this->url}/grounds")->json();
    $found = $this->getJson("{$this->url}/finder")->json();
    expect($judge['n'])->toBe(12)
        ->and($judge['step'])->toEqual($found['step'])
        ->and($this->getJson("{$this->url}/judging")->json('judge.setups'))->toEqual($judge['judge']['setups']);
    foreach ($judge['judge']['setups'] as $i => $setup) {
        foreach (['tag', 'share', 'carryGainM', 'carryGainInterval', 'never'] as $figure) {
            expect($setup[$figure])->toEqual($grounds['setups'][$i][$figure]);
        }
    }
    // With nothing hit there is no judge, and still a next step.
    $bare = $this->fitting($this->user);
    expect($this->getJson("api/fittings/{$bare->id}/judge")->assertOk()->json())->toMatchArray(['judge' => null, 'n' => 0]);
    $this->actingAs($this->fitter())->getJson("{$this->url}/judge")->assertNotFound();
});
