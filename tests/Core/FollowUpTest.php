<?php

declare(strict_types=1);

use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\FollowUp\CourseBook;
use MintCarry\Core\FollowUp\FairwaysCompared;
use MintCarry\Core\FollowUp\FollowUp;
use MintCarry\Core\FollowUp\Kept;
use MintCarry\Core\FollowUp\PlayedRound;
use MintCarry\Core\FollowUp\Promise;
use MintCarry\Core\Statistics\Binomial;
use MintCarry\Core\Statistics\Normal;
use Random\Engine\Mt19937;
use Random\Randomizer;

// Three rounds against the promise.

function promised(float $now, float $before, string $tag = 'C', float $unsure = 0.02): Promise
{
    $gain = static fn (float $share, float $by): float => $share - $before + 1.96 * $by * $unsure;
    $one = static fn (string $t, float $share): array => [
        'tag' => $t, 'share' => $share, 'shareGainInterval' => ['low' => $gain($share, -1), 'high' => $gain($share, 1)], 'sideKnown' => 1, 'carryGainM' => $t === 'A' ? 0.0 : 6.0,
        'carryGainInterval' => ['low' => 1.0, 'high' => 11.0], 'chanceBetter' => $t === 'A' ? 0.5 : 0.86, 'expectedCarryM' => 200.0,
    ];

    return Promise::of(['benchmark' => 'A', 'pick' => 'C', 'setups' => [$one('A', $before), $one('C', $now), $one('B', 0.4)]], $tag, 'A');
}
/** @return list<PlayedRound> of fourteen drives each */
function rounds(array $hits, string $club = 'new', string $course = 'Reedmere', int $left = 0, int $right = 0, ?int $feel = 4): array
{
    return array_map(static fn (int $hit): PlayedRound => PlayedRound::of($course, $club, 14, $hit, $left, $right, 0, [], $feel), $hits);
}

it('counts shares as R does: exact, score, an uneven split', function (): void {
    $r = json_decode((string) file_get_contents(__DIR__.'/../reference/rounds.json'), true);
    foreach ($r['hit'] as $i => $hit) {
        $exact = Binomial::interval((int) $hit, (int) $r['of'][$i]);
        $score = Binomial::wilson((int) $hit, (int) $r['of'][$i]);
        expect($exact->low)->toEqualWithDelta($r['exact_low'][$i], 1e-8)->and($exact->high)->toEqualWithDelta($r['exact_high'][$i], 1e-8)
            ->and($score->low)->toEqualWithDelta($r['score_low'][$i], 1e-6)->and($score->high)
            ->toEqualWithDelta($r['score_high'][$i], 1e-6);
    }
    foreach ($r['one'] as $i => $one) {
        expect(Binomial::evenSplit((int) $one, (int) $r['other'][$i]))->toEqualWithDelta($r['split'][$i], 1e-9);
    }
    expect(fn () => Binomial::interval(15, 14))->toThrow(InvalidInput::class);
});

it('takes a round as it can be and names what cannot', function (array $more, string $field): void {
    $round = $more + ['course' => 'Reedmere', 'club' => 'new', 'holes' => 14, 'hit' => 7, 'left' => 3, 'right' => 2,
        'lost' => 1, 'drivesM' => [205.0], 'feel' => 4];
    try {
        PlayedRound::of(...$round);
        expect($field)->toBe('');
    } catch (InvalidInput $e) {
        expect($e->field)->toBe($field);
    }
})->with([
    [[], ''], [['hit' => 40], 'hit'], [['holes' => 40], 'holes'], [['left' => 6], 'hit'], [['lost' => 9], 'lost'],
    [['course' => ' '], 'course'],
    [['drivesM' => [900.0]], 'drives'], [['feel' => 9], 'feel'], [['club' => 'mine'], 'club'], [['right' => -1], 'right'],
]);

it('knows a course however it is written', function (): void {
    $key = fn (string $course): string => PlayedRound::keyOf($course);
    expect($key(' Reedmere  G.C.'))->toBe($key('reedmere g c'))->and($key('Reedmere'))->not->toBe($key('Reedmoor'));
});

it('says kept where it is better than before for sure and not short of the promise, broken where the promise can be excluded', function (): void {
    $before = rounds([4, 5, 4], 'before');
    $of = fn (Promise $p, array $now): FollowUp => FollowUp::of($p, [...$before, ...$now]);
    expect($of(promised(0.6, 0.35), rounds([9, 10, 9]))->fairways)->toBe(Kept::Kept)
        ->and($of(promised(0.6, 0.35), rounds([9, 10, 9]))->advice)->toBe('keep')
        ->and($of(promised(0.9, 0.3), rounds([4, 3, 4]))->fairways)->toBe(Kept::Broken)
        ->and($of(promised(0.9, 0.3), rounds([4, 3, 4]))->advice)->toBe('come again')
        ->and($of(promised(0.45, 0.35), rounds([6, 5, 6]))->fairways)->toBe(Kept::NotYet)
        ->and($of(promised(0.45, 0.35), rounds([6, 5, 6]))->against)->toBe('same courses');
});

it('says nothing of fairways where there is nothing to hold them against', function (): void {
    $alone = FollowUp::of(promised(0.7, 0.3), rounds([12, 13, 12]));
    expect($alone->fairways)->toBe(Kept::NotYet)->and($alone->against)->toBe('nothing')->and($alone->gain)->toBeNull()
        // The same player on another course before: no comparison either.
        ->and(FollowUp::of(promised(0.7, 0.3), [...rounds([4, 4, 4], 'before', 'Elsewhere'),
            ...rounds([12, 12, 12])])->against)->toBe('nothing')
        ->and($alone->share->low)->toBeLessThan(37 / 42)->and($alone->now)->toMatchArray(['rounds' => 3, 'drives' => 42, 'hit' => 37]);
});

it('takes a course’s own effect from other players, and is less sure by it', function (): void {
    $book = new CourseBook;
    foreach ([[20, 0.6], [18, 0.55], [22, 0.66]] as $i => [$hit, $promised]) {
        $book->add('reedmere', $i + 1, $hit, 42, $promised);
    }
    $effect = $book->effect('reedmere', 9);
    expect($effect->offset)->toEqualWithDelta((20 / 42 - 0.6 + 18 / 42 - 0.55 + 22 / 42 - 0.66) / 3, 1e-12)
        ->and($effect->sd)->toEqualWithDelta(sqrt(0.25 / 42 / 3), 1e-12)
        // Of three players one is left out: two are too few. Nobody is there twice.
        ->and($book->effect('reedmere', 2))->toBeNull()->and($book->effect('elsewhere', 9))->toBeNull();
    $book->add('reedmere', 4, 10, 42, 0.6);
    $book->add('reedmere', 4, 42, 42, 0.1);
    expect($book->effect('reedmere', 4)->offset)->toEqualWithDelta($effect->offset, 1e-12)
        ->and($book->effect('reedmere', 4)->sd)->toEqualWithDelta($effect->sd, 1e-12)
        ->and($book->effect('reedmere', 1)->offset)->toEqualWithDelta((18 / 42 - 0.55 + 22 / 42 - 0.66 + 10 / 42 - 0.6) / 3, 1e-12);
    // A narrow course: ten of 42 fewer than the corridor, for everybody.
    $held = FollowUp::of(promised(0.6, 0.35), rounds([6, 7, 6]), ['reedmere' => $effect]);
    array_map(fn (int $i) => $book->add('easy', $i, 30, 42, 0.6), [1, 2, 3]);
    $easy = FollowUp::of(promised(0.6, 0.35), rounds([6, 7, 6]), ['reedmere' => $book->effect('easy', 9)]);
    expect($held->against)->toBe('course effect')->and(($held->gain->low + $held->gain->high) / 2)
        ->toBeGreaterThan(($easy->gain->low + $easy->gain->high) / 2)
        ->and($held->gain->high - $held->gain->low)->toBeGreaterThan(Binomial::wilson(19, 42)->high - Binomial::wilson(19, 42)->low);
});

it('names a side that misses lie on only where that is no accident, the mirrored twin alike', function (): void {
    $right = FollowUp::of(promised(0.5, 0.4), rounds([8, 8, 8], 'new', 'Reedmere', 0, 5));
    $left = FollowUp::of(promised(0.5, 0.4), rounds([8, 8, 8], 'new', 'Reedmere', 5, 0));
    expect($right->miss)->toBe('right')->and($left->miss)->toBe('left')->and([$right->advice, $left->advice])->toBe(['tweak', 'tweak'])
        ->and(FollowUp::of(promised(0.5, 0.4), rounds([8, 8, 8], 'new', 'Reedmere', 3, 2))->miss)->toBeNull();
});

it('compares course by course: another mix of courses is no gain and no loss', function (): void {
    // Worked by hand: 20 of 70 and 8 of 14 on Reedmere, 9 of 14 and 40 of 70 on Ashdyke. Weights 70·14/84 each; (2/7 + −1/14)/2 = 3/28.
    $before = [...rounds([4, 4, 4, 4, 4], 'before'), ...rounds([9], 'before', 'Ashdyke')];
    $new = [...rounds([8]), ...rounds([8, 8, 8, 8, 8], 'new', 'Ashdyke')];
    $compared = FairwaysCompared::of($before, $new);
    expect($compared->difference)->toEqualWithDelta(3 / 28, 1e-12)->and($compared->courses)->toBe(['reedmere', 'ashdyke'])
        // Counted together it would be 29 of 84 against 48 of 84: more than twice as much.
        ->and(48 / 84 - 29 / 84)->toBeGreaterThan(2 * $compared->difference)
        ->and(FairwaysCompared::of($before, rounds([8], 'new', 'Elsewhere')))->toBeNull();
    // The mirrored question has the mirrored answer, as unsure.
    $back = FairwaysCompared::of(array_map(fn (PlayedRound $r): PlayedRound => PlayedRound::of($r->course, 'before', 14,
        $r->hit, 0, 0, 0), $new), $before);
    expect($back->difference)->toEqualWithDelta(-3 / 28, 1e-12)->and($back->error)->toEqualWithDelta($compared->error, 1e-12);
});

it('tells seldom that an unsure promise was broken that was honest, or kept where nothing came, and is not silent', function (
    int $n, float $unsure, int $oneFirst, float $found,
): void {
    $random = new Randomizer(new Mt19937(1912 + $n));
    // Days differ by 0.08, one course is wide and one is narrow, and they are played in another mix with the new club.
    $play = static function (float $p, string $club, int $wide) use ($random, $n): array {
        $out = [];
        for ($i = 0; $i < $n; $i++) {
            [$course, $offset] = $i % 6 < $wide ? ['Reedmere', 0.12] : ['Ashdyke', -0.12];
            $day = min(0.97, max(0.03, $p + $offset + 0.08 * Normal::draw($random)));
            $hits = count(array_filter(range(1, 14), static fn (): bool => Normal::uniform($random) < $day));
            $out[] = PlayedRound::of($course, $club, 14, $hits, 0, 0, 0);
        }

        return $out;
    };
    [$broken, $kept, $null, $runs] = [0, 0, 0, 400];
    for ($i = 0; $i < $runs; $i++) {
        $told = 0.25 + $unsure * Normal::draw($random);
        $honest = FollowUp::of(promised(0.4 + $told, 0.4, unsure: $unsure),
            [...$play(0.4, 'before', $oneFirst), ...$play(0.65, 'new', 6 - $oneFirst)]);
        $broken += $honest->fairways === Kept::Broken ? 1 : 0;
        $kept += $honest->fairways === Kept::Kept ? 1 : 0;
        $null += FollowUp::of(promised(0.65, 0.4, unsure: $unsure),
            [...$play(0.4, 'before', $oneFirst), ...$play(0.4, 'new', 6 - $oneFirst)])
            ->fairways === Kept::Kept ? 1 : 0;
    }
    expect($broken / $runs)->toBeLessThan(0.05)->and($null / $runs)->toBeLessThan(0.05)->and($kept / $runs)->toBeGreaterThan($found);
})->with(['3 rounds, half and half' => [3, 0.08, 3, 0.3], '6 rounds, 5 to 1' => [6, 0.08, 5,
    0.4], '20 rounds, 5 to 1' => [20, 0.1, 5, 0.93], '20 rounds, 1 to 5' => [20, 0.1, 1, 0.93]]);

it('reads what was promised out of what a decision keeps', function (): void {
    expect(promised(0.6, 0.4, 'A')->shareGain())->toBeNull()
        ->and(FollowUp::of(promised(0.6, 0.4, 'A'), [...rounds([2, 2, 2], 'before'), ...rounds([12, 12, 12])])->fairways)
        ->toBe(Kept::NotYet);
    expect(promised(0.6, 0.4)->shareGain())->toEqualWithDelta(0.2, 1e-12)->and(promised(0.6, 0.4)->carryGainM)->toBe(6.0)
        ->and(promised(0.6, 0.4)->isOverruled)->toBeFalse()->and(promised(0.6, 0.4, 'B')->isOverruled)->toBeTrue()
        ->and(promised(0.6, 0.4, 'A')->keepsOwn)->toBeTrue()->and(Promise::of([], 'C', 'A')->shareGain())->toBeNull();
});
