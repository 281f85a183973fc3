<?php

declare(strict_types=1);

use App\Models\HeldShot;
use App\Models\Shot;

// What a monitor can do to the intake: ids used again, a body that breaks off, values that are none; and what the fitter does
// with what was held.

beforeEach(fn () => $this->atTheMonitor());

it('stores the shots of a monitor that counts 1, 2, 3 anew each day', function (): void {
    foreach ([0, 1, 30] as $day) {
        $this->travel($day)->days();
        foreach ([1, 2, 3] as $n) {
            $answer = ($this->shot)((string) $n, 2000 + 100 * $day + $n, ['sequence' => $n])
                ->assertOk()->json('results.0');
            expect($answer['status'])->toBe('stored')
                ->and((float) Shot::query()->findOrFail($answer['shot'])->measured['spinRpm'])->toBe(2000.0 + 100 * $day + $n);
        }
    }
    expect(($this->spins)())->toBe([2001.0, 2002.0, 2003.0, 2101.0, 2102.0, 2103.0, 5001.0, 5002.0, 5003.0])
        ->and(Shot::query()->orderBy('sequence')->get()->map(fn (Shot $s): int => count($s->flags))->all())
        ->toBe([0, 0, 0, 1, 1, 1, 1, 1, 1]);
});

it('holds the same shot under the same id when it comes after the hour, and names the one it equals', function (): void {
    $first = ($this->shot)('7')->json('results.0.shot');
    $this->travel(59)->minutes();
    expect(($this->shot)('7')->json('results.0'))->toBe(['id' => '7', 'status' => 'stored', 'shot' => $first, 'reason' => null]);
    $this->travel(2)->minutes();
    $held = ($this->shot)('7')->json('results.0');
    expect($held['status'])->toBe('held')->and($held['shot'])->toBeNull()->and($held['reason'])->toContain('It equals shot 1 with A')
        // And that one sent again is answered as it was.
        ->and(($this->shot)('7')->json('results.0'))->toBe($held)
        ->and(Shot::query()->count())->toBe(1)
        ->and(HeldShot::query()->count())->toBe(1);
    $this->travel(2)->hours();
    expect(($this->shot)('7')->json('results.0.reason'))->toContain('It equals a shot that was held')
        ->and(HeldShot::query()->count())->toBe(2);
});

it('lets ids hold within the session that the sender names', function (): void {
    $first = ($this->shot)('7', 2400, ['session' => 'one'])->json('results.0');
    $this->travel(9)->days();
    expect(($this->shot)('7', 2400, ['session' => 'one'])->json('results.0'))->toBe($first)
        ->and(($this->shot)('7', 2500, ['session' => 'two'])->json('results.0.status'))->toBe('stored')
        ->and(Shot::query()->latest('id')->firstOrFail()->flags)->toBe([])
        // Another session with the same shot to the last digit: nobody can know.
        ->and(($this->shot)('7', 2400, ['session' => 'two', 'at' => 'x'])->json('results.0.status'))->toBe('stored')
        ->and(($this->shot)('7', 2400, ['session' => 'ONE'])->json('results.0.status'))->toBe('held')
        ->and(($this->shot)('7', 2400)->json('results.0.status'))->toBe('held')
        ->and(($this->shot)('7', 2600, ['session' => 'one'])->json('results.0.status'))->toBe('stored')
        ->and(Shot::query()->latest('id')->firstOrFail()->flags[0])->toContain('used the id “7” before');
});

it('says stored only of this very shot', function (): void {
    $seen = [];
    foreach ([['7', 2400], ['7', 2500], ['7', 2400], ['7', 2500], ['8', 2400]] as [$id, $spin]) {
        $answer = ($this->shot)($id, $spin)->json('results.0');
        $seen[] = $answer['shot'];
        expect((float) Shot::query()->findOrFail($answer['shot'])->measured['spinRpm'])->toBe((float) $spin);
    }
    expect(array_map(fn (int $shot): int => (int) array_search($shot, array_values(array_unique($seen)), true), $seen))->toBe([0, 1, 0, 1, 2])
        ->and(($this->spins)())->toBe([2400.0, 2500.0, 2400.0]);
});

it('gives each shot of a batch an answer of its own', function (): void {
    $values = json_encode(($this->values)());
    $answer = ($this->send)(
        '{"shots":[{"id":"a","values":'.
            $values.
            '},{"id":"b","values":{"spinRpm":1e999}},{"values":{}},{"id":"c","values":'.
            $values.
            ',"sequence":"x"},{"id":"d","values":'.
            str_repeat('[', 500).
            str_repeat(']', 500).
            '},{"id":"a","values":'.
            $values.
            '},{"id":"e","values":'.
            $values.
            '}]}',
    )
        ->assertOk()->json('results');
    expect(array_column($answer, 'status'))->toBe(['stored', 'held', 'refused', 'held', 'refused', 'stored', 'stored'])
        ->and($answer[5])->toBe($answer[0])
        ->and($answer[2])->toMatchArray(['id' => null, 'doNotRepeat' => true])
        ->and($answer[2]['reason'])->toContain('do not repeat')
        ->and($answer[0])->not->toHaveKey('doNotRepeat')
        ->and(Shot::query()->count())->toBe(2)
        ->and(HeldShot::query()->count())->toBe(2);
    // Only where none can ever be read is it the post that is wrong.
    ($this->send)('{"shots":[{"values":{}},3]}')
        ->assertStatus(422)->assertJsonPath('results.0.status', 'refused')->assertJsonPath('results.1.doNotRepeat', true);
});

it('never fails of a body that is none, and keeps what stands', function (string $body, string $status): void {
    $answer = ($this->send)($body);
    expect($answer->getStatusCode())->toBe($status === 'refused' ? 422 : 200)
        ->and($answer->json('results.0.status'))->toBe($status)
        ->and(Shot::query()->count())->toBe(0)
        ->and(HeldShot::query()->count())->toBe($status === 'held' ? 1 : 0);
    if ($status === 'held') {
        $held = HeldShot::query()->firstOrFail();
        expect($held->sent())->toBe($body)
            ->and($this->actingAs($this->user)->getJson("api/held/{$held->id}")->assertOk()->json('sent'))->toBe($body);
        $this->getJson("api/fittings/{$this->case->id}/bay")->assertOk();
    }
})->with(
    fn (): array => [
        'no JSON' => ['{"id":"a","values":{"ballSpeedMps":67', 'refused'], 'nothing' => ['', 'refused'],
        'no UTF-8 in the id' => ["{\"id\":\"\xFF\",\"values\":{}}", 'refused'],
        'too large a number' => ['{"id":"a","values":{"ballSpeedMps":67,"launchDeg":12,"spinRpm":1e999}}', 'held'],
        'too small a number' => ['{"id":"a","values":{"ballSpeedMps":67,"launchDeg":12,"spinRpm":1e-400}}', 'held'],
        'true for a number' => ['{"id":"a","values":{"ballSpeedMps":67,"launchDeg":12,"spinRpm":true}}', 'held'],
        'true for a value' => ['{"id":"a","values":{"ballSpeedMps":{"value":true},"launchDeg":12,"spinRpm":2400}}', 'held'],
        'a list for an optional value' => [
            '{"id":"a","values":{"ballSpeedMps":67,"launchDeg":12,"spinRpm":2400,"carryM":{"value":[200]}}}', 'held',
        ],
        'a unit that is a number' => [
            '{"id":"a","values":{"ballSpeedMps":{"value":67,"unit":5},"launchDeg":12,"spinRpm":2400}}', 'held',
        ],
        'something beside value and unit' => [
            '{"id":"a","values":{"ballSpeedMps":{"value":67,"x":'.
            str_repeat('[', 50).
            str_repeat(']', 50).
            '},"launchDeg":12,"spinRpm":2400}}', 'held',
        ],
        'nested 400 deep' => ['{"id":"a","values":{"spinRpm":'.str_repeat('{"x":', 400).'1'.str_repeat('}', 400).'}}', 'held'],
        'a sequence of the wrong kind' => [
            '{"id":"a","sequence":[1],"values":{"ballSpeedMps":67,"launchDeg":12,"spinRpm":2400}}', 'held',
        ],
        'a time of the wrong kind' => ['{"id":"a","at":1714732927,"values":{"ballSpeedMps":67,"launchDeg":12,"spinRpm":2400}}', 'held'],
    ],
);

it('holds a shot with letters that are no UTF-8, and what could be read of it', function (): void {
    $answer = ($this->send)("{\"id\":\"a\",\"values\":{\"ballSpeedMps\":67,\"launchDeg\":12,\"spinRpm\":2400},\"note\":\"\xFFx\"}")
        ->assertOk()->json('results.0');
    $held = HeldShot::query()->firstOrFail();
    expect($answer['status'])->toBe('held')
        ->and($answer['reason'])->toContain('not UTF-8')
        ->and($held->body['values']['spinRpm'])->toBe(2400);
    $this->actingAs($this->user)
        ->patchJson("api/held/{$held->id}", ['values' => $held->body['values']])->assertOk();
    expect(($this->spins)())->toBe([2400.0]);
});

it('keeps what was sent beside the values, up to 4 kB', function (): void {
    ($this->shot)('a', 2400, ['mood' => 'fine', 'loft' => ['dial' => 3]])->assertOk();
    ($this->shot)('b', 2410, ['picture' => str_repeat('x', 5000)])->assertOk();
    [$a, $b] = Shot::query()->orderBy('id')->get()->all();
    expect(json_decode((string) $a->beside, true))->toBe(['mood' => 'fine', 'loft' => ['dial' => 3]])->and($a->flags)->toBe([])
        ->and($b->beside)->toBeNull()
        ->and($b->flags[0])->toContain('larger than 4 kB')->toContain('picture');
});

it('does not carry held shots about whole', function (): void {
    ($this->send)('{"id":"a","values":{"note":"'.str_repeat('x', 30_000).'"}}')->assertJsonPath('results.0.status', 'held');
    $this->actingAs($this->user);
    $bay = $this->getJson("api/fittings/{$this->case->id}/bay")->assertOk();
    expect(strlen((string) $bay->getContent()))->toBeLessThan(10_000)
        ->and($bay->json('held.0'))->toHaveKeys(['id', 'reason', 'at'])->not->toHaveKey('values')
        ->and($bay->json('heldInAll'))->toBe(1)
        ->and($this->getJson("api/fittings/{$this->case->id}/held")->assertOk()->json('0.id'))->toBe($bay->json('held.0.id'))
        ->and($this->getJson('api/held/'.$bay->json('held.0.id'))->assertOk()->json('values.note'))->toHaveLength(30_000);
});
