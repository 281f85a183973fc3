<?php

declare(strict_types=1);

use App\Models\Fitting;
use App\Models\Setup;
use Illuminate\Support\Facades\DB;

// What the judging answer says of a fitting, good and bad data alike.

beforeEach(function (): void {
    $this->user = $this->fitter();
    $this->case = $this->fitting($this->user);
    $this->a = $this->addSetup($this->case, ['head' => 'Curlew L', 'measured_loft_deg' => 9.2, 'stated_loft_deg' => 9]);
    $this->b = $this->addSetup($this->case, ['head' => 'Tern 460', 'measured_loft_deg' => 10.8]);
    $this->hit = function (Setup $setup, float $mph, int $n = 6, array $more = []): void {
        $this->type(
            $this->user, $this->case, $setup,
            array_map(
                fn (int $i): array => [
                    'ballSpeedMps' => (string) ($mph + ($i % 3)), 'launchDeg' => (string) (12 + 0.4 * ($i % 4)),
                    'spinRpm' => (string) (2400 + 60 * ($i % 5)), 'directionDeg' => (string) (($i % 3) - 1),
                    'spinAxisDeg' => (string) (2 * ($i % 3) - 2),
                ] + $more,
                range(1, $n),
            ),
        )->assertCreated();
    };
    $this->judging = fn (): array => $this->actingAs($this->user)->getJson("api/fittings/{$this->case->id}/judging")->assertOk()->json();
});

it('stands setups against the benchmark, like for like, with a bridge that adds up', function (): void {
    ($this->hit)($this->a, 145, more: ['clubSpeedMps' => '100']);
    ($this->hit)($this->b, 152, more: ['clubSpeedMps' => '103']);
    // Three miles an hour faster than with the benchmark: that is another swing, and no word is said until the benchmark comes again.
    $early = collect(($this->judging)()['setups'])->firstWhere('tag', 'B');
    expect($early['withheld']['why'])->toBe('otherSwing')
        ->and(collect($early['verdicts'])->firstWhere('declared', true)['verdict'])->toBe('open');
    ($this->hit)($this->a, 145.1, more: ['clubSpeedMps' => '100.1']);
    $told = ($this->judging)();
    $b = collect($told['setups'])->firstWhere('tag', 'B');
    expect($told['benchmark'])->toBe('A')->and($b['withheld'])->toBeNull()
        ->and(collect($b['verdicts'])->firstWhere('declared', true)['verdict'])->toBe('better')
        ->and($b['clubSeen'])->toBeTrue()
        ->and($b['strikeSeen'])->toBeFalse()
        ->and(collect($b['alike']['rows'])->pluck('measure')->all())->toBe(['carryM', 'totalM', 'spinRpm', 'launchDeg'])
        ->and($b['alike']['corrected'])->toBe(['clubSpeedMps']);
    foreach ($b['bridges'] as $bridge) {
        expect(array_sum(array_column($bridge['lines'], 'happened')))->toEqualWithDelta($bridge['difference'], 1e-9);
    }
    // The lucky half mile per hour is a part of the difference, and less of it would repeat.
    $speed = collect(collect($b['bridges'])->firstWhere('measure', 'carryM')['lines'])->firstWhere('cause', 'club speed');
    expect($speed['happened'])->toBeGreaterThan(2.0)->and($speed['repeats'])->toBeLessThan($speed['happened']);
    expect(collect($told['setups'])->firstWhere('tag', 'A')['bridges'])->toBe([]);
});

it('says what it cannot say', function (Closure $data, Closure $check): void {
    $data->call($this);
    $check->call($this, ($this->judging)());
})->with([
    'nothing hit' => [fn () => null, fn (array $t) => expect($t['setups'])->toBe([])->and($t['next'])->toBeNull()],
    'no baseline' => [
        fn () => ($this->hit)($this->b, 150),
        fn (array $t) => expect($t['setups'][0]['verdicts'])
            ->toBe([])
            ->and($t['setups'][0]['bridges'])->toBe([])
            ->and($t['setups'][0]['alike'])->not->toBeNull(),
    ],
    'one shot' => [
        function (): void {
            ($this->hit)($this->a, 150, 6);
            ($this->hit)($this->b, 150, 1);
        },
        fn (array $t) => expect(collect($t['setups'])->firstWhere('tag', 'B')['verdicts'])
            ->toBe([])
            ->and(collect($t['rails'])->where('tag', 'B')->pluck('kind')->all())->toContain('fewShots'),
    ],
    'identical setups' => [
        function (): void {
            ($this->hit)($this->a, 150);
            ($this->hit)($this->b, 150);
        },
        fn (array $t) => expect(collect($t['setups'])->firstWhere('tag', 'B')['verdicts'][0]['verdict'])->toBeIn(['open', 'same']),
    ],
    'loft up, launch down' => [
        function (): void {
            $up = $this->addSetup($this->case, [
                'head' => 'Curlew L', 'measured_loft_deg' => 9.2, 'stated_loft_deg' => 9, 'sleeve_label' => '+3',
                'sleeve_loft_deg' => 3.0,
            ]);
            ($this->hit)($this->a, 150, 8);
            $this->type(
                $this->user, $this->case, $up,
                array_map(
                    fn (int $i): array => ['ballSpeedMps' => '150', 'launchDeg' => (string) (8 + 0.2 * ($i % 3)), 'spinRpm' => '2400'],
                    range(1, 8),
                ),
            )->assertCreated();
        },
        fn (array $t) => expect(collect($t['rails'])->pluck('kind')->all())->toContain('labelAndDataDisagree'),
    ],
    'club data in one and not in the other' => [
        function (): void {
            ($this->hit)($this->a, 150, 6, ['clubSpeedMps' => '102']);
            ($this->hit)($this->b, 150);
        },
        fn (array $t) => expect(collect($t['setups'])->firstWhere('tag', 'B')['clubSeen'])
            ->toBeFalse()
            ->and(collect($t['setups'])->firstWhere('tag', 'B')['bridges'][0]['clubSeen'])->toBeFalse(),
    ],
]);

it('notes when another policy would turn the verdict', function (): void {
    ($this->hit)($this->a, 145, 6);
    ($this->hit)($this->b, 165, 6);
    foreach ([4, 5, 6] as $i) {
        $id = $this->getJson("api/fittings/{$this->case->id}/shots")->json()[5 + $i]['id'];
        $this->patchJson("api/shots/{$id}", ['leftOut' => ['reason' => 'mishit']])->assertOk();
    }
    $this->type($this->user, $this->case, $this->b, array_fill(0, 3, ['ballSpeedMps' => '120', 'launchDeg' => '12', 'spinRpm' => '2400']));
    foreach (array_slice($this->getJson("api/fittings/{$this->case->id}/shots")->json(), -3) as $shot) {
        $this->patchJson("api/shots/{$shot['id']}", ['leftOut' => ['reason' => 'mishit']])->assertOk();
    }
    $flips = collect(($this->judging)()['setups'])->firstWhere('tag', 'B')['flips'];
    expect(array_column($flips, 'policy'))->toContain('all shots');
});

it('names another visit than the benchmark’s, and a change of two things', function (): void {
    $url = "api/fittings/{$this->case->id}/trials";
    $this->actingAs($this->user)->postJson($url, ['setupId' => $this->a->id])->assertCreated();
    ($this->hit)($this->a, 150);
    $this->travel(8)->hours();
    $c = $this->addSetup($this->case, [
        'head' => 'Curlew L', 'measured_loft_deg' => 9.2, 'stated_loft_deg' => 9, 'shaft' => 'other', 'ball' => 'range ball',
    ]);
    $this->postJson($url, ['setupId' => $c->id])->assertCreated();
    ($this->hit)($c, 150);
    $kinds = collect(($this->judging)()['rails'])->where('tag', 'C')->pluck('kind')->all();
    expect($kinds)->toContain('otherVisit', 'twoChanges', 'otherBall');
});

it('asks the database little, however many setups there are', function (): void {
    foreach (range(1, 6) as $i) {
        $this->addSetup($this->case, ['head' => "Head {$i}"]);
    }
    foreach (Setup::query()->get() as $setup) {
        ($this->hit)($setup, 145 + $setup->id % 5, 4);
    }
    $this->app['auth']->forgetGuards();
    DB::enableQueryLog();
    ($this->judging)();
    expect(count(DB::getQueryLog()))->toBeLessThan(60);
    // What was judged is only read.
    DB::flushQueryLog();
    ($this->judging)();
    expect(count(DB::getQueryLog()))->toBeLessThan(20)
        ->and(Fitting::query()->count())->toBe(1);
});
