<?php

declare(strict_types=1);

use App\Models\Setup;
use App\Models\Shot;
use MintCarry\Core\Fitting\Brief;

// Two swings in one set, and odd data, as the screens get them.

beforeEach(function (): void {
    $this->user = $this->fitter();
    $this->case = $this->fitting($this->user);
    $this->actingAs($this->user);
    $this->hit = function (Setup $setup, array $balls, string $launch = '12.5'): void {
        $this->type($this->user, $this->case, $setup, array_map(static fn (float $mph, int $i): array => [
            'ballSpeedMps' => (string) $mph, 'launchDeg' => (string) ((float) $launch + 0.3 * ($i % 3)), 'spinRpm' => (string) (2500 + 40 * ($i % 5)),
            'directionDeg' => (string) (0.4 * ($i % 4)).' R', 'spinAxisDeg' => (string) ($i % 3).' R',
        ], $balls, array_keys($balls)))->assertCreated();
    };
    $this->get = fn (string $what): array => $this->getJson("api/fittings/{$this->case->id}/{$what}")->assertOk()->json();
});

it('shows each swing by itself on every screen, and saves the decision of the one that is looked at', function (): void {
    [$a, $b] = [$this->addSetup($this->case), $this->addSetup($this->case)];
    ($this->hit)($a, [124, 125, 123.4, 124.6, 153, 152.2, 153.6, 152.7]);
    ($this->hit)($b, [124.3, 125.2, 123.5, 124.9, 152.4, 153.1, 153.9, 152.2], '14.0');
    $full = ($this->get)('advice');
    $slow = ($this->get)('advice?swing=cruising');
    expect($full['swing'])->toBe('full')->and(array_column($full['swings'], 'n', 'name'))->toBe(['cruising' => 8, 'full' => 8])
        ->and($slow['swing'])->toBe('cruising')->and($full['setups'][0]['n'])->toBe(4)
        ->and($full['setups'][0]['expectedCarryM'])->toBeGreaterThan($slow['setups'][0]['expectedCarryM'] + 30.0);
    foreach (['comparison', 'judging', 'grounds'] as $screen) {
        expect(($this->get)("{$screen}?swing=cruising")['swing'])->toBe('cruising', $screen);
    }
    expect(($this->get)('grounds')['otherSwings'])->toHaveCount(1);
    $made = $this->postJson("api/fittings/{$this->case->id}/decisions", [
        'setupId' => $slow['pick'] === 'A' ? $a->id : $b->id, 'reason' => 'She plays the smooth one.', 'swing' => 'cruising',
    ])->assertCreated()->json();
    expect($made['advice']['swing'])->toBe('cruising');
    $this->getJson("api/fittings/{$this->case->id}/advice?swing=backwards")->assertStatus(422)->assertJsonFragment([
        'message' => "There is no swing 'backwards' in this fitting; it has cruising and full.",
    ]);
});

it('stores a topped ball, flags it, leaves it out, and counts it when the fitter says so', function (): void {
    $a = $this->addSetup($this->case);
    ($this->hit)($a, [147, 148, 146.4, 147.6]);
    $this->type($this->user, $this->case, $a, [[
        'ballSpeedMps' => '70', 'launchDeg' => '2', 'spinRpm' => '3000', 'directionDeg' => '1 R', 'spinAxisDeg' => '100.7 R',
    ]])->assertCreated();
    $topped = Shot::query()->where('fitting_id', $this->case->id)->orderByDesc('sequence')->firstOrFail();
    expect($topped->left_out_reason)->toBe('mishit')->and(implode(' ', $topped->flags))->toContain('Topped')
        ->and(($this->get)('advice')['setups'][0]['n'])->toBe(4);
    $this->patchJson("api/fittings/{$this->case->id}", ['version' => $this->case->refresh()->version, 'screening' => 'all'])->assertOk();
    expect(($this->get)('advice')['setups'][0]['n'])->toBe(5);
});

it('tells what was seen beside what is expected, the wanted flight, and answers the wish', function (): void {
    [$a, $b] = [$this->addSetup($this->case), $this->addSetup($this->case)];
    $this->case->setBrief(new Brief(wants: ['less spin']));
    $this->case->save();
    ($this->hit)($a, [147, 148, 146.4, 147.6, 147.1]);
    ($this->hit)($b, [147.3, 148.2, 146.5, 147.9, 147.0]);
    $advice = ($this->get)('advice');
    $one = collect($advice['setups'])->keyBy('tag')['B'];
    expect($one['seen']['fairways']['of'])->toBe(5)->and($one['seen']['averages']['spinRpm'])->toEqualWithDelta(2580, 1)
        ->and($one['wishes'][0]['name'])->toBe('less spin')->and($one['wishes'][0]['figure'])->toBe('spinRpm')
        ->and(array_keys($one['flight']))->toBe(['launchDeg', 'spinRpm', 'apexM', 'descentDeg'])
        ->and($advice['wanted']['spinRpm']['high'])->toBeGreaterThan($advice['wanted']['spinRpm']['low']);
});
