<?php

declare(strict_types=1);

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Finder\Belief;
use MintCarry\Core\Finder\Lesson;
use MintCarry\Core\Impact\PlayerModel;
use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Impact\Swing;
use MintCarry\Core\Memory\LearnedFitting;
use MintCarry\Core\Memory\Learning;
use MintCarry\Core\Memory\Replay;
use MintCarry\Core\Memory\StudioMemory;
use MintCarry\Core\Statistics\Normal;
use MintCarry\Core\Statistics\RandomEffects;
use Random\Engine\Mt19937;
use Random\Randomizer;

require_once dirname(__DIR__).'/MadeRack.php';

// What studios learn of their heads (core/Memory), and the random effects below it.

/** @return array<string, mixed> */
function lme4(): array
{
    return json_decode((string) file_get_contents(dirname(__DIR__).'/reference/random_effects.json'), true, 512, JSON_THROW_ON_ERROR);
}

/** @return list<array{y: list<float>, error: list<list<float>>, groups: list<array<int, float>>, hasOffset: bool}> */
function blocksOfLme4(): array
{
    $of = lme4();
    $blocks = [];
    foreach ($of['player'] as $i => $p) {
        $blocks[$p]['y'][] = $of['y'][$i];
        $blocks[$p]['groups'][] = [$of['head'][$i] - 1 => 1.0];
    }

    return array_values(array_map(static fn (array $b): array => $b + [
        'error' => array_fill(0, count($b['y']), array_fill(0, count($b['y']), 0.0)), 'hasOffset' => true,
    ], $blocks));
}

const USUAL_EFFECTS = ['group' => 0.5, 'offset' => 0.5, 'own' => 0.5];

it('finds the variances and the heads that lme4 finds (REML, crossed effects)', function (): void {
    $of = lme4();
    $found = RandomEffects::of(blocksOfLme4(), 8, USUAL_EFFECTS, 0.0, isRobust: false);
    foreach (['group', 'offset', 'own'] as $which) {
        expect(sqrt($found[$which] / $of[$which]))->toEqualWithDelta(1.0, 0.02, $which);
    }
    foreach ($of['mean'] as $g => $mean) {
        expect($found['mean'][$g])->toEqualWithDelta($mean, 0.01)
            ->and(sqrt($found['variance'][$g] / $of['variance'][$g]))->toEqualWithDelta(1.0, 0.02);
    }
});

it('keeps what is usual without figures, and gives a wild block little weight', function (): void {
    expect(RandomEffects::of([], 0, USUAL_EFFECTS, 8.0))->toMatchArray(['mean' => [], 'variance' => []] + USUAL_EFFECTS);
    $blocks = blocksOfLme4();
    $calm = RandomEffects::of($blocks, 8, USUAL_EFFECTS, 8.0);
    foreach ($blocks[0]['y'] as $i => $y) {
        $blocks[0]['y'][$i] = $y + 40.0 * (-1) ** $i;
    }
    $wild = RandomEffects::of($blocks, 8, USUAL_EFFECTS, 8.0);
    expect($wild['weights'][0])->toBeLessThan(0.05)->and($calm['weights'][0])->toBeGreaterThan(0.5);
    foreach ($calm['mean'] as $g => $mean) {
        expect($wild['mean'][$g])->toEqualWithDelta($mean, 0.25);
    }
});

/**
 * Fittings of made-up players on one rack whose heads do the same of their own for everybody (`PlayerModel::headPeculiarity`).
 *
 * @return list<array{prior: Belief, after: Belief, lesson: LearnedFitting, tested: list<array<string, mixed>>, player: PlayerModel}>
 */
function studioOf(int $players, int $from = 1, ?StudioMemory $memory = null, int $shots = 5, Hand $hand = Hand::Right): array
{
    $random = new Randomizer(new Mt19937($from));
    $out = [];
    for ($p = $from; $p < $from + $players; $p++) {
        $normal = static fn (float $sd): float => $sd * Normal::draw($random);
        $player = new PlayerModel(
            44 + $normal(2), $normal(2), $normal(2), $normal(2), 13 + $normal(1), $normal(3), $normal(3), mishitShare: 0.0, headPeculiarity: 1.0,
        );
        $own = ownClub($hand);
        $tested = [['spec' => $own, 'shots' => hitWith($own, $player, $shots + 3, 1000 * $p), 'order' => 0.1]];
        foreach ([2, 8] as $k => $i) {
            $spec = rackOf($hand)[$i];
            $tested[] = ['spec' => $spec, 'shots' => hitWith($spec, $player, $shots, 1000 * $p + 1 + $k), 'order' => 0.3 + 0.2 * $k];
        }
        $prior = Belief::prior(
            $own, 44.0, ['Tern 460', 'Plover 445'], array_column($tested, 'spec'), 0.5, memory: $memory, isOwnRacked: true,
        );
        $after = $prior->after($tested);
        $lesson = Lesson::of($prior, $after, array_column($tested, 'spec'), true);
        $out[] = compact('prior', 'after', 'lesson', 'tested', 'player');
    }

    return $out;
}

function learnedFrom(int $players, int $from = 1): StudioMemory
{
    static $known = [];

    return $known["{$players} {$from}"] ??= Learning::of(array_column(studioOf($players, $from), 'lesson'), Belief::usualFactors());
}

it('learns of heads what two halves of the players agree on, and better the more there are', function (): void {
    [$few, $one, $other] = [learnedFrom(4), learnedFrom(16, 100), learnedFrom(16, 200)];
    $difference = static fn (StudioMemory $m, int $k): array => [
        $m->effectsOf('Tern 460', 'Curlew L')[$k]['mean'], hypot($m->heads['Tern 460']['sd'][$k], $m->heads['Curlew L']['sd'][$k]),
    ];
    $far = 0;
    foreach (array_keys(PlayerPriors::OWN_EFFECT_SD) as $k) {
        [[$a, $aSd], [$b, $bSd]] = [$difference($one, $k), $difference($other, $k)];
        expect(abs($a - $b))->toBeLessThan(3.5 * hypot($aSd, $bSd), "effect {$k}")
            ->and($one->heads['Tern 460']['sd'][$k])->toBeLessThan($few->heads['Tern 460']['sd'][$k]);
        $far += abs($a) > 2 * $aSd ? 1 : 0;
    }
    // Speed, toe, height of the strike or spin: something of this made-up head stands out.
    expect($far)->toBeGreaterThan(0)->and($one->fittings)->toBe(16)->and($one->heads['Tern 460']['players'])->toBe(16);
});

it('begins a later fitting nearer to what its heads do, before anybody hits them', function (): void {
    $memory = learnedFrom(16, 100);
    $missed = static function (array $fittings): array {
        $out = [];
        foreach ($fittings as ['prior' => $prior, 'tested' => $tested, 'player' => $player]) {
            // The own club alone was hit; then many swings with a head of the rack.
            $after = $prior->after([$tested[0]]);
            $spec = $tested[1]['spec'];
            $shots = hitWith($spec, $player, 60, 77);
            $toe = array_sum(array_map(static fn ($s): float => $s->measured['strikeToeMm'], $shots)) / 60;
            $out[] = ($after->swing($spec)[Swing::TOE] - $toe) ** 2;
        }

        return $out;
    };
    $without = $missed(studioOf(8, 500));
    $with = $missed(studioOf(8, 500, $memory));
    expect(sqrt(array_sum($with) / 8))->toBeLessThan(0.9 * sqrt(array_sum($without) / 8));
});

it('takes out of a lesson what was believed before: with a memory and without it a fitting says the same', function (): void {
    $memory = learnedFrom(16, 100);
    $again = array_column(studioOf(2, 900, $memory, 12), 'lesson');
    foreach (array_column(studioOf(2, 900, shots: 12), 'lesson') as $i => $lesson) {
        foreach ($lesson->effects as $k => $values) {
            foreach ($values as $h => $value) {
                expect($again[$i]->effects[$k][$h])->toEqualWithDelta($value, 0.5 * sqrt($lesson->errors[$k][$h][$h]), "effect {$k}");
            }
        }
    }
});

it('begins as it ever did where nothing was learned', function (): void {
    $empty = Learning::of([], Belief::usualFactors());
    expect($empty->heads)->toBe([]);
    foreach ($empty->effectsOf('Tern 460', null) as $k => ['mean' => $mean, 'sd' => $sd]) {
        expect($mean)->toBe(0.0)->and($sd)->toEqualWithDelta(PlayerPriors::OWN_EFFECT_SD[$k], 1e-12);
    }
    foreach (Belief::usualFactors() as $name => ['mean' => $mean, 'sd' => $sd]) {
        expect($empty->factors[$name]['mean'])->toBe($mean)->and($empty->factors[$name]['sd'])->toBeGreaterThan($sd);
    }
});

it('tells a head whose last fittings differ from those before: a bent sleeve', function (): void {
    $random = new Randomizer(new Mt19937(3));
    $fitting = static function (float $face) use ($random): LearnedFitting {
        $values = $errors = [];
        foreach (PlayerPriors::OWN_EFFECT_SD as $k => $sd) {
            $values[] = [($k === 2 ? $face : 0.0) + 0.5 * $sd * Normal::draw($random), 0.5 * $sd * Normal::draw($random)];
            $errors[] = [[0.2 * $sd ** 2, 0.0], [0.0, 0.2 * $sd ** 2]];
        }

        return new LearnedFitting(null, ['Tern 460', 'Plover 445'], $values, $errors, []);
    };
    $same = Learning::of(array_map(static fn (): LearnedFitting => $fitting(0.0), range(1, 50)), []);
    $bent = Learning::of(array_map(static fn (int $i): LearnedFitting => $fitting($i > 30 ? 1.6 : 0.0), range(1, 50)), []);
    expect($same->heads['Tern 460']['moved'])->toBe([])
        ->and($bent->heads['Tern 460']['moved'])->toBe([2])->and($bent->heads['Plover 445']['moved'])->toBe([]);
});

it('finds out by going through the fittings what a memory is worth, and that one of swapped heads is worth less than none', function (): void {
    $random = new Randomizer(new Mt19937(9));
    $sd = array_values(PlayerPriors::OWN_EFFECT_SD);
    $made = static function (array $does, float $noise) use ($random, $sd): LearnedFitting {
        $heads = array_keys($does);
        $effects = $errors = [];
        foreach ($sd as $k => $unit) {
            $effects[] = array_map(static fn (string $h): float => $unit * ($does[$h] + $noise * Normal::draw($random)), $heads);
            $errors[] = array_map(
                static fn (int $i): array => array_map(static fn (int $j): float => $i === $j ? ($noise * $unit) ** 2 : 0.0, [0, 1]), [0, 1],
            );
        }

        return new LearnedFitting('Own', $heads, $effects, $errors, []);
    };
    $at = static fn (array $fittings): ?array => Replay::of($fittings, Belief::usualFactors(), 5);
    $alike = array_map(static fn (): LearnedFitting => $made(['P' => 0.9, 'Q' => -0.9], 0.4), range(1, 40));
    $worth = $at($alike);
    // Effects are 0.9 of a usual width, seen with an error of 0.4.
    expect($worth['heads'])->toBe(60);
    foreach ($sd as $k => $unit) {
        expect($worth['effects'][$k]['verdict'])->toBe('nearer')
            ->and($worth['effects'][$k]['without'] / $unit)->toEqualWithDelta(hypot(0.9, 0.4), 0.12)
            ->and($worth['effects'][$k]['with'] / $unit)->toEqualWithDelta(0.45, 0.12);
    }
    // Heads that do nothing of their own are no reason for a word; those that are swapped half way are.
    $none = $at(array_map(static fn (): LearnedFitting => $made(['P' => 0.0, 'Q' => 0.0], 0.6), range(1, 40)));
    expect(array_count_values(array_column($none['effects'], 'verdict'))['open'] ?? 0)->toBeGreaterThanOrEqual(5);
    $swapped = $at([...array_slice($alike, 0, 30), ...array_map(static fn (): LearnedFitting => $made(['P' => -0.9, 'Q' => 0.9], 0.4), range(1, 10))]);
    expect($swapped['effects'][0]['with'])->toBeGreaterThan($worth['effects'][0]['with'])
        ->and($at(array_slice($alike, 0, 15)))->toBeNull();
});

it('is read again as it was kept, and not where it is something else', function (): void {
    $memory = learnedFrom(4);
    $kept = json_decode((string) json_encode($memory->toArray()), true);
    expect(StudioMemory::from($kept))->toEqual($memory)
        ->and(StudioMemory::from(['heads' => ['X' => ['mean' => [1, 2]]]] + $kept))->toBeNull()
        ->and(StudioMemory::from([]))->toBeNull();
    $lesson = studioOf(1)[0]['lesson'];
    expect(LearnedFitting::from(json_decode((string) json_encode($lesson->toArray()), true)))->toEqual($lesson)
        ->and(LearnedFitting::from(['heads' => []]))->toBeNull();
});

it('remembers the two hands apart, each as of a right-hander', function (): void {
    expect(StudioMemory::keyOf('Tern 460', Hand::Left))->toBe('Tern 460, left');
    $left = studioOf(4, hand: Hand::Left)[0]['lesson'];
    $right = studioOf(4)[0]['lesson'];
    expect($left->heads)->toBe(['Tern 460, left', 'Plover 445, left'])->and($right->own)->toBe('Curlew L');
});
