<?php

declare(strict_types=1);

use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Corridor;
use MintCarry\Core\Record\FittingFile;
use MintCarry\Core\Record\SetupNames;
use MintCarry\Core\Report\CompareReport;
use MintCarry\Core\Report\DecideReport;
use MintCarry\Core\Report\FinderReport;
use MintCarry\Core\Report\JudgingReport;
use MintCarry\Core\Report\NextStep;
use MintCarry\Core\Statistics\Arrow;
use MintCarry\Core\Statistics\KeyedDraws;
use MintCarry\Core\Statistics\Matrix;

// Any two screens tell the same figure of the same thing, and one next step.

/** @param  array<string, mixed>  $more  @return array<string, mixed> a fitting file */
function storyFile(array $more = [], string $name = 'right-handed-club-seen'): array
{
    return $more + json_decode((string) file_get_contents(dirname(__DIR__)."/fixtures/figures/{$name}.json"), true);
}

it('tells one share and one difference of carry on Compare, Finder, Decide and in the file’s judgement', function (string $name): void {
    $record = FittingFile::read(storyFile(name: $name));
    $decide = array_column(DecideReport::of($record)['setups'], null, 'tag');
    $judged = array_column(JudgingReport::of($record)['judge']['setups'], null, 'tag');
    $advice = array_column(CompareReport::of($record)['advice']['setups'] ?? [], null, 'tag');
    $seen = 0;
    foreach (FinderReport::of($record)['setups'] as $found) {
        $tag = $found['setupTag'];
        if ($tag === null || ! isset($decide[$tag])) {
            continue;
        }
        $seen++;
        foreach (['share', 'carryGainM', 'gain', 'leftShare', 'rightShare'] as $figure) {
            expect($found[$figure])->toEqualWithDelta($decide[$tag][$figure], 1e-9)
                ->and($judged[$tag][$figure])->toEqualWithDelta($decide[$tag][$figure], 1e-9);
            if ($advice !== []) {
                expect($advice[$tag][$figure])->toEqualWithDelta($decide[$tag][$figure], 1e-9);
            }
        }
        expect($found['shareInterval'])->toEqual($decide[$tag]['shareInterval']);
    }
    expect($seen)->toBe(count($decide));
})->with(['right-handed-club-seen', 'left-handed-ball-alone']);

it('advises what the tie-break chose, and holds the other days against what is not advised', function (): void {
    $report = DecideReport::of(FittingFile::read(storyFile()));
    if ($report['tieBreak'] !== null && $report['tieBreak']['choice'] !== null) {
        expect($report['tieBreak']['choice'])->toBe($report['pick']);
    }
    foreach ($report['days'] as $day) {
        // Who keeps the own club sees the runner-up against it; who changes sees the change.
        expect($day['of'])->toBe($report['pick'] === $report['benchmark'] ? $report['runnerUp'] : $report['pick']);
    }
});

it('picks the straightest by the share that is shown, with the aim held', function (): void {
    $hits = ['A' => [64.0, 12.0, 5.0, 12], 'B' => [64.0, 12.0, 0.0, 12]];
    $report = DecideReport::of(caseOf($hits, new Brief(scoring: 'straightest', corridor: new Corridor(30.0))));
    $shares = array_column($report['setups'], 'share', 'tag');
    expect($report['best'])->toBe(array_search(max($shares), $shares, true));
    foreach ($report['setups'] as $s) {
        expect($s['gain'])->toEqualWithDelta(100 * ($s['share'] - $shares['A']), 0.05);
    }
});

it('names one next step: the own club, then enough of what is in the hand', function (): void {
    $file = storyFile();
    $shotsOf = fn (string $tag): array => array_values(array_filter($file['shots'], fn (array $s): bool => $s['setup'] === $tag));
    $step = fn (array $more): NextStep => NextStep::of(FittingFile::read(storyFile($more)), 'x', false);
    expect($step(['shots' => []])->kind)->toBe('baseline');
    $few = array_map(fn (array $s): array => array_diff_key($s, ['trial' => 1]), [...$shotsOf('A'), ...array_slice($shotsOf('B'), 0, 2)]);
    $bare = ['shots' => $few, 'trials' => [['number' => 1, 'setup' => 'B']], 'ratings' => [], 'confirms' => [], 'blinds' => [], 'decisions' => []];
    $more = $step($bare);
    expect([$more->kind, $more->tag, $more->shots])->toBe(['more', 'B', NextStep::SHOTS - 2]);
    // Once enough was hit, what the finder wants to know; nothing where more shots would not pay.
    $enough = FittingFile::read(storyFile());
    expect(NextStep::of($enough, 'x', false)->kind)->toBeIn(['hit', 'benchmark', 'more'])
        ->and(NextStep::of($enough, null, true)->kind)->toBeIn(['stop', 'benchmark', 'more']);
});

it('gives six shafts in one head six names, and says only what differs', function (): void {
    $setup = storyFile()['setups'][0];
    $setups = array_map(
        fn (int $i): array => ['tag' => chr(65 + $i), 'shaft' => "Shaft {$i}"] + array_diff_key($setup, ['shaftPart' => 1, 'branchedFrom' => 1]),
        range(0, 5),
    );
    $bare = ['shots' => [], 'trials' => [], 'ratings' => [], 'confirms' => [], 'blinds' => [], 'decisions' => [], 'benchmark' => 'A'];
    $names = SetupNames::of(FittingFile::read(storyFile(['setups' => $setups] + $bare))->setups);
    expect(array_unique(array_map(fn (array $n): string => (string) json_encode($n), $names)))->toHaveCount(6);
    foreach ($names as $name) {
        expect(array_keys($name))->toBe(['head', 'shaft']);
    }
    $one = SetupNames::of(FittingFile::read(storyFile(['setups' => [$setups[0]]] + $bare))->setups);
    expect(array_keys($one['A']))->toBe(['head']);
});

it('compares within a visit: today’s trial is shorter than today’s own club, whatever last week’s was', function (): void {
    // Own club 206 m today and 174 m last week, today's trial 181 m: shorter, not too close to tell.
    $shots = [];
    $hit = function (string $tag, int $trial, float $carry) use (&$shots): void {
        foreach (range(1, 8) as $i) {
            $ball = ['ballSpeedMps' => 0.23 * $carry + 17.5, 'launchDeg' => 12.5, 'spinRpm' => 2600.0, 'clubSpeedMps' => 45.0 + 0.1 * ($i % 3)];
            $flight = ['carryM' => $carry + [-4, 3, 0, 5, -5, 2, -2, 1][$i - 1], 'sideM' => 3.0 * ($i % 4) - 5];
            $shots[] = ['setup' => $tag, 'trial' => $trial, 'measured' => $ball + $flight];
        }
    };
    $hit('A', 1, 174.0);
    $hit('A', 2, 206.0);
    $hit('B', 3, 181.0);
    $setup = array_diff_key(storyFile()['setups'][0], ['branchedFrom' => 1]);
    $trials = [
        ['number' => 1, 'setup' => 'A', 'visit' => 1], ['number' => 2, 'setup' => 'A', 'visit' => 2], ['number' => 3, 'setup' => 'B', 'visit' => 2],
    ];
    $file = storyFile([
        'setups' => [['tag' => 'A'] + $setup, ['tag' => 'B', 'branchedFrom' => 'A'] + $setup], 'shots' => $shots, 'trials' => $trials,
        'benchmark' => 'A', 'ratings' => [], 'confirms' => [], 'blinds' => [], 'decisions' => [], 'visits' => [],
        'brief' => ['wants' => ['carry']],
    ]);
    $words = array_column(JudgingReport::of(FittingFile::read($file))['setups'], null, 'tag')['B']['verdicts'];
    $longer = array_column(array_map(fn ($v): array => (array) $v, $words), null, 'name')['longer'];
    $said = $longer['verdict'] instanceof BackedEnum ? $longer['verdict']->value : $longer['verdict'];
    expect($said)->toBe('worse')->and($longer['value'])->toEqualWithDelta(-25.0, 1.0);
    // Compare's table says the same difference.
    $row = array_column(CompareReport::of(FittingFile::read($file))['rows'], null, 'measure')['carryM'];
    expect($row['cells']['B']['difference']['value'])->toEqualWithDelta(-25.0, 1.0);
});

it('spreads the draws of a key evenly: their mean and square are far closer than plain luck, and each key has its own', function (): void {
    $worst = [0.0, 0.0];
    foreach (range(1, 20) as $k) {
        $z = KeyedDraws::normals("key {$k}", 256, 64);
        $mean = array_sum($z) / 256;
        $square = array_sum(array_map(fn (float $v): float => $v * $v, $z)) / 256;
        $worst = [max($worst[0], abs($mean)), max($worst[1], abs($square - 1))];
        // The first 64 are spread by themselves.
        expect(abs(array_sum(array_slice($z, 0, 64)) / 64))->toBeLessThan(0.03);
    }
    // Plain draws: standard errors of 0.0625 and 0.088.
    expect($worst[0])->toBeLessThan(0.006)->and($worst[1])->toBeLessThan(0.06)
        ->and(KeyedDraws::normals('key 1', 256, 64))->toBe(KeyedDraws::normals('key 1', 256, 64))
        ->and(KeyedDraws::normals('key 1', 256, 64))->not->toBe(KeyedDraws::normals('key 2', 256, 64));
});

it('solves beliefs by blocks as the whole matrix does', function (): void {
    // Two core unknowns and three blocks of two, coupled to the core alone.
    $blocks = [[2, 3], [4, 5], [6, 7]];
    $p = array_fill(0, 8, array_fill(0, 8, 0.0));
    foreach (range(0, 7) as $i) {
        $p[$i][$i] = 3.0 + 0.4 * $i;
    }
    $couple = function (int $i, int $j, float $v) use (&$p): void {
        $p[$i][$j] = $p[$j][$i] = $v;
    };
    $couple(0, 1, 0.7);
    foreach ($blocks as $b => [$x, $y]) {
        $couple($x, $y, 0.5 - 0.2 * $b);
        $couple($x, 0, 0.9);
        $couple($y, 1, -0.6 + 0.1 * $b);
    }
    $arrow = new Arrow($p, $blocks, [0, 1]);
    $b = [1.0, -2.0, 0.5, 0.3, -0.7, 1.1, 0.0, 2.0];
    $x = $arrow->solve($b);
    foreach ($p as $i => $row) {
        expect(array_sum(array_map(fn (float $a, float $v): float => $a * $v, $row, $x)))->toEqualWithDelta($b[$i], 1e-9);
    }
    // The covariance is the inverse: each column solves for a unit.
    foreach ([0, 3, 6] as $j) {
        $unit = array_fill(0, 8, 0.0);
        $unit[$j] = 1.0;
        foreach ($arrow->solve($unit) as $i => $v) {
            expect($arrow->covariance($i, $j))->toEqualWithDelta($v, 1e-9);
        }
    }
    expect(Matrix::cholesky($p))->toHaveCount(8);
});
