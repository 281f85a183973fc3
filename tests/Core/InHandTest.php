<?php

declare(strict_types=1);

use MintCarry\Core\Fitting\BlindGuess;
use MintCarry\Core\Judging\SpeedSince;
use MintCarry\Core\Record\FittingFile;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Record\SetupRecord;
use MintCarry\Core\Report\Expected;
use MintCarry\Core\Report\FinderReport;
use MintCarry\Core\Report\InHand;
use MintCarry\Core\Statistics\Normal;
use Random\Engine\Mt19937;
use Random\Randomizer;

// What is in the hand: what it can be turned to, what that is expected to change, whether a blind setting was felt, and whether the player
// still swings as before.

function handRecord(string $name = 'right-handed-club-seen'): FittingRecord
{
    return FittingFile::read(FittingFile::parse((string) file_get_contents(__DIR__."/../fixtures/figures/{$name}.json")));
}
/** @return SetupRecord one that is built from the rack */
function racked(FittingRecord $record): SetupRecord
{
    return array_values(array_filter($record->setups, static fn (SetupRecord $s): bool => $s->racked !== null && $s->racked->slots !== []))[0];
}

it('tells every position as this player delivers it, and only arrangements that slots and stock allow', function (): void {
    $setup = racked(handRecord());
    $hand = InHand::of($setup, 0.8);
    expect($hand['sleeve'])->toBe($setup->sleeveLabel)
        ->and(array_column($hand['positions'], 'label'))->toBe(array_map(strval(...), array_keys($setup->sleeveSystem()->positions)));
    // The position it stands at plays as the setup does, for whoever squares as much.
    $at = array_values(array_filter($hand['positions'], static fn (array $p): bool => $p['label'] === $setup->sleeveLabel))[0];
    $plays = $setup->playing(0.8);
    expect($at['loftDeg'])->toEqualWithDelta($plays->loftDeg, 1e-9)->and($at['faceOpenDeg'])->toEqualWithDelta($plays->faceOpenDeg, 1e-9)
        ->and($hand['arrangements'][0]['masses'])->toEqual($setup->masses);
    $seen = [];
    foreach ($hand['arrangements'] as $a) {
        MintCarry\Core\Club\Weights::requireLegal($setup->racked->slots, $setup->racked->stockG, $a['masses']);
        $body = $setup->racked->bodyWith($a['masses']);
        expect([$a['massG'], $a['cgToeMm'], $a['cgBackMm']])->toBe([$body->massG, $body->cgToeMm, $body->cgBackMm])
            ->and(abs($a['massG'] - $hand['arrangements'][0]['massG']))->toBeLessThanOrEqual(4.0);
        $seen[] = json_encode($a['masses']);
    }
    expect(array_unique($seen))->toBe($seen)->and(count($seen))->toBeGreaterThan(1)
        ->and(InHand::of(new SetupRecord('A', 'Only described'), 0.5))->toBeNull();
});

it('expects of a turned sleeve what the finder says of it: one figure on both screens', function (string $name): void {
    $record = handRecord($name);
    $own = $record->own()->tag;
    $found = array_values(array_filter(
        FinderReport::of($record, 'all')['setups'], static fn (array $s): bool => $s['setupTag'] === null && (array) $s['with'] === [],
    ));
    expect(count($found))->toBeGreaterThan(5);
    foreach ([$found[0], $found[3], end($found)] as $f) {
        $head = $record->rack[$f['rackAt']];
        $to = new SetupRecord(
            $f['tag'], $f['head'], $head, $head->sleeve, $f['sleeve'], (array) $f['masses'], $f['weights'], null, null, $record->own()->shaft,
            $record->own()->lengthMm, $record->own()->ball, $record->own()->teeMm, $record->own()->cue,
        );
        $expected = Expected::of($record, $own, $to);
        expect($expected['carryM']['value'])->toEqualWithDelta($f['carryGainM'], 0.6)
            ->and($expected['carryM']['interval']->low)->toBeLessThan($expected['carryM']['value'])
            ->and($expected['carryM']['interval']->high)->toBeGreaterThan($expected['carryM']['value']);
    }
})->with(['right-handed-club-seen', 'left-handed-ball-alone']);

it('expects nothing of what is in the hand already, the opposite on the way back, and says nothing where nothing was hit', function (): void {
    $record = handRecord();
    [$a, $b] = array_slice(array_keys($record->sets()), 0, 2);
    $there = Expected::of($record, $a, $record->setups[$b]);
    $back = Expected::of($record, $b, $record->setups[$a]);
    foreach (['carryM', 'sideM', 'apexM', 'share'] as $what) {
        expect($back[$what]['value'])->toEqualWithDelta(-$there[$what]['value'], 1e-9)
            ->and(Expected::of($record, $a, $record->setups[$a])[$what]['value'])->toBe(0.0);
    }
    $bare = new FittingRecord(...['shots' => []] + get_object_vars($record));
    expect(Expected::of($bare, $a, $record->setups[$b]))->toBeNull()
        ->and(Expected::of($record, 'ZZ', $record->setups[$b]))->toBeNull();
});

it('holds answers of a blind trial against every order that could have been drawn', function (): void {
    // Numbers of permutations of three with k in their place: 2, 3, 0, 1 (rencontres numbers; Riordan 1958, from memory).
    $one = fn (array $said): BlindGuess => BlindGuess::of([1, 2, 3], [1, 2, 3], $said);
    expect($one([1, 2, 3])->p)->toEqualWithDelta(1 / 6, 1e-12)
        ->and($one([1, 3, 2])->p)->toEqualWithDelta(4 / 6, 1e-12)
        ->and($one([2, 3, 1])->p)->toEqualWithDelta(1.0, 1e-12)
        ->and($one([1, 2, 3])->canTell)->toBeFalse();
    // Two settings, four rounds, all right: ½ a round, for the second follows from the first.
    $order = [1, 2, 2, 1, 1, 2, 1, 2];
    $all = BlindGuess::of([1, 2], $order, $order);
    expect([$all->right, $all->of, $all->canTell])->toBe([8, 8, false])->and($all->p)->toEqualWithDelta(1 / 16, 1e-12);
    // Three settings, two rounds, all right: (1/6)², and that is better than chance.
    $two = BlindGuess::of([4, 5, 6], [4, 5, 6, 6, 4, 5], [4, 5, 6, 6, 4, 5]);
    expect($two->p)->toEqualWithDelta(1 / 36, 1e-12)->and($two->isBetterThanChance())->toBeTrue()->and($two->canTell)->toBeTrue();
    // Whoever always says the same is right once a round, whatever was drawn.
    expect(BlindGuess::of([1, 2], $order, array_fill(0, 8, 1))->p)->toEqualWithDelta(1.0, 1e-12)
        ->and(BlindGuess::of([1, 2], [1, 2], [null, null]))->toBeNull()
        ->and(BlindGuess::of([1, 2, 3], [1, 2, 3, 2], [null, null, 3, 2])->of)->toBe(2);
});

it('tells a blind guess from luck by as much as drawn orders do', function (): void {
    $random = new Randomizer(new Mt19937(5));
    $said = [1, 2, 3, 1, 3, 3];
    $exact = [];
    $n = 4000;
    $drawn = array_fill(0, 7, 0);
    for ($i = 0; $i < $n; $i++) {
        $order = [...$random->shuffleArray([1, 2, 3]), ...$random->shuffleArray([1, 2, 3])];
        $guess = BlindGuess::of([1, 2, 3], $order, $said);
        $exact[$guess->right] = $guess->p;
        $drawn[$guess->right]++;
    }
    foreach ($exact as $right => $p) {
        expect(array_sum(array_slice($drawn, $right)) / $n)->toEqualWithDelta($p, 0.025);
    }
});

it('finds the cut that trying every cut by itself finds', function (): void {
    $random = new Randomizer(new Mt19937(3));
    $mean = static fn (array $v): float => array_sum($v) / count($v);
    $squares = static fn (array $v): float => array_sum(array_map(static fn (float $x): float => ($x - $mean($v)) ** 2, $v));
    $plain = static function (array $speeds) use ($mean, $squares): ?array {
        [$n, $most, $best] = [count($speeds), 4.0, null];
        for ($at = 4; $at <= $n - 4; $at++) {
            [$before, $after] = [array_slice($speeds, 0, $at), array_slice($speeds, $at)];
            [$was, $is, $now] = [$mean($before), $mean($after), $mean(array_slice($speeds, -4)) - $mean($before)];
            $t = abs($is - $was) / sqrt(($squares($before) + $squares($after)) / ($n - 2) * (1 / $at + 1 / ($n - $at)));
            if ($now * ($is - $was) > 0 && abs($now) > 0.01 * $was && $t > $most && abs($is - $was) > 0.01 * $was) {
                [$most, $best] = [$t, [$at, $is - $was]];
            }
        }

        return $best;
    };
    $found = 0;
    for ($i = 0; $i < 60; $i++) {
        $step = 2.0 * Normal::draw($random);
        $speeds = array_map(fn (int $k): float => 48 + ($k > 12 + $i % 9 ? $step : 0.0) + 0.5 * Normal::draw($random), range(1, 30));
        $one = SpeedSince::of($speeds);
        $its = $plain($speeds);
        expect($one?->at)->toBe($its[0] ?? null)->and($one === null ? 0.0 : $one->byMps)->toEqualWithDelta($its[1] ?? 0.0, 1e-9);
        $found += $one === null ? 0 : 1;
    }
    expect($found)->toBeGreaterThan(15)->toBeLessThan(60);
});

it('says since when the player is slower, and nothing of steady or of what has come back', function (): void {
    $random = new Randomizer(new Mt19937(11));
    $at = fn (int $n, float $mean): array => array_map(fn (): float => $mean + 0.35 * Normal::draw($random), range(1, $n));
    $slow = SpeedSince::of([...$at(20, 50.0), ...$at(12, 48.6)]);
    expect($slow->at)->toBeGreaterThanOrEqual(18)->toBeLessThanOrEqual(22)
        ->and($slow->byMps)->toEqualWithDelta(-1.4, 0.4)
        ->and(SpeedSince::of([...$at(12, 50.0), ...$at(6, 47.0), ...$at(12, 50.0)]))->toBeNull()
        ->and(SpeedSince::of($at(3, 50.0)))->toBeNull()
        // One wild swing is no drift.
        ->and(SpeedSince::of([...$at(15, 50.0), 30.0, ...$at(6, 50.0)]))->toBeNull();
    $false = 0;
    for ($i = 0; $i < 400; $i++) {
        $false += SpeedSince::of($at(40, 50.0)) === null ? 0 : 1;
    }
    expect($false)->toBeLessThanOrEqual(4);
});
