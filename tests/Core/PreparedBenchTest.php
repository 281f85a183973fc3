<?php

declare(strict_types=1);

use MintCarry\Core\Club\ChangeOver;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\SetupParts;
use MintCarry\Core\Club\Weights;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Record\FittingFile;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Record\SetupRecord;
use MintCarry\Core\Report\PreparedBench;

// What to lay out before the player comes.

function benchRecord(Brief $brief, string $name = 'right-handed-club-seen'): FittingRecord
{
    return FittingFile::read(FittingFile::parse((string) file_get_contents(__DIR__."/../fixtures/figures/{$name}.json")))->withBrief($brief);
}
/** @return list<float> of each item on the base head, how its face points against the head at home; + open */
function faces(FittingRecord $record, array $items): array
{
    $out = [];
    foreach ($items as $item) {
        $head = $record->rack[$item['rackAt']];
        $at = fn (string $label): float => (new SetupRecord('x', $head->label, $head, $head->sleeve, $label, $head->standard))->playing(0.0)->faceOpenDeg;
        $out[] = $at($item['sleeve']) - $at($head->sleeve->home);
    }

    return $out;
}

it('lays out legal setups of the hand, none twice, each with why, and what of it was never read', function (string $name): void {
    $record = benchRecord(new Brief, $name);
    $plan = PreparedBench::of($record);
    expect(count($plan['items']))->toBeGreaterThan(2)->toBeLessThanOrEqual(6);
    $seen = [];
    foreach ($plan['items'] as $item) {
        $head = $record->rack[$item['rackAt']];
        Weights::requireLegal($head->slots, $head->stockG, $item['masses']);
        expect($head->hand)->toBe($record->hand)->and(array_map(fn ($p): string => (string) $p->label, $head->sleeve->positions))->toContain($item['sleeve'])
            ->and($item['why'])->not->toBe('')->and($item['inStock'])->toBe($head->isInStock());
        foreach (['loftDeg', 'lieDeg', 'faceOpenDeg', 'massG'] as $q) {
            expect(in_array($q, $item['missing'], true))->toBe($head->gauged()->inForce($q) === null);
        }
        $seen[] = json_encode([$item['rackAt'], $item['sleeve'], $item['masses']]);
    }
    expect(array_unique($seen))->toBe($seen);
})->with(['right-handed-club-seen', 'left-handed-ball-alone']);

it('puts them in the order that needs the fewest turns of the wrench', function (): void {
    $record = benchRecord(new Brief);
    $plan = PreparedBench::of($record);
    $own = $record->own();
    $parts = array_map(fn (array $i): SetupParts => new SetupParts($i['head'], $i['sleeve'], $i['masses'], $i['weights'], $own->build()), $plan['items']);
    $turns = function (array $order) use ($parts, $own): int {
        $from = new SetupParts($own->head, $own->sleeveLabel, $own->masses, $own->weights, $own->build(), $own->grip, $own->swingWeightPoints);
        $sum = 0;
        foreach ($order as $i) {
            $sum += ChangeOver::between($from, $parts[$i])->wrenchChanges;
            $from = $parts[$i];
        }

        return $sum;
    };
    $best = INF;
    $walk = function (array $left, array $order) use (&$walk, &$best, $turns): void {
        if ($left === []) {
            $best = min($best, $turns($order));
        }
        foreach ($left as $k => $i) {
            $walk(array_diff_key($left, [$k => 1]), [...$order, $i]);
        }
    };
    $walk(array_keys($parts), []);
    expect($plan['wrenchChanges'])->toBe($best)->and($turns(array_keys($parts)))->toBe($best)
        ->and(array_sum(array_column($plan['items'], 'wrenchChanges')))->toBe($best);
});

it('goes against the miss: the mirrored miss goes the other way', function (): void {
    $of = function (string $miss): array {
        $record = benchRecord(new Brief(miss: $miss));

        return array_values(array_filter(faces($record, PreparedBench::of($record)['items']), fn (float $f): bool => abs($f) > 0.2));
    };
    $record = benchRecord(new Brief);
    $sign = $record->hand === Hand::Right ? 1 : -1;
    [$right, $left] = [$of('right'), $of('left')];
    expect($right)->not->toBe([])->and($left)->not->toBe([]);
    foreach ($right as $face) {
        expect($sign * $face)->toBeLessThan(0.0);
    }
    foreach ($left as $face) {
        expect($sign * $face)->toBeGreaterThan(0.0);
    }
    // Whose miss nobody knows is laid out both ways.
    expect(array_unique(array_map(fn (float $f): int => $f <=> 0, $of('unknown'))))->toHaveCount(2);
});

it('keeps to the swings of the brief, and says where there is nothing', function (): void {
    expect(PreparedBench::of(benchRecord(new Brief(swings: 24)))['items'])->toHaveCount(2)
        ->and(PreparedBench::of(benchRecord(new Brief(swings: 10)))['items'])->toHaveCount(1);
    $record = benchRecord(new Brief);
    $none = new FittingRecord(...['rack' => []] + get_object_vars($record));
    expect(PreparedBench::of($none)['nothing'])->toContain('No head');
});
