<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Club\EquipmentRules;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Club\SwingWeight;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Errors\ModelFailure;
use MintCarry\Core\Impact\Impact;
use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Impact\Swing;
use MintCarry\Core\Judging\CarryThrough;
use MintCarry\Core\Judging\Evidence;
use MintCarry\Core\Judging\StrikeCheck;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Record\SetupRecord;
use MintCarry\Core\Statistics\Interval;
use MintCarry\Core\Statistics\Normal;

use function abs;
use function array_filter;
use function array_map;
use function array_sum;
use function array_values;
use function count;
use function get_object_vars;
use function hypot;
use function max;
use function min;
use function round;
use function usort;

/**
 * Strikes that sit off the line of the CG, and the ways to bring the two together: the CG behind the strike, or the strike to the CG. Each
 * way with what it is expected to move, in mm from the line, and what that is worth in ball speed and carry, by the impact and flight
 * models.
 *
 * How far a strike follows a tee, a length, a look or a cue is not physics but habit; the priors below are assumptions with wide spreads
 * (fitters' common practice, no source), and the four-shot check is there because of it.
 */
final class StrikeMover
{
    /** Nearer than this to the line there is nothing to mend, mm. */
    public const OFF_MM = 4.0;

    /** Strike toward high for a mm of tee, and its spread. */
    private const HIGH_PER_TEE_MM = [0.4, 0.25];

    private const MOST_TEE_MM = 10.0;

    /** Strike toward the toe for a mm that the club is shorter, and its spread: who keeps the distance to the ball meets it farther out. */
    private const TOE_PER_SHORTER_MM = [0.1, 0.12];

    /** Club speed lost for a mm that the club is shorter, m/s, and its spread (about half a mph to the inch and as much again). */
    private const SPEED_PER_SHORTER_MM = [0.009, 0.009];

    private const STEP_OF_LENGTH_MM = 12.7;

    private const MOST_LENGTH_MM = 25.4;

    /** Of the distance that a cue asks for, so much is moved, with this spread. */
    private const CUE_SHARE = [0.4, 0.35];

    /** A look moves the strike nobody knows which way, mm. */
    private const LOOK_SPREAD_MM = 2.0;

    private const MOST_POINTS = 4.0;

    /** What a way costs, cheapest first: nothing; a turn of the wrench; a build in the workshop. */
    private const COSTS = ['free' => 0, 'wrench' => 1, 'workshop' => 2];

    private const STEPS = 9;

    /**
     * @param  string|null  $tag  setup; null: the benchmark
     * @return array<string, mixed> strikes mm (+ toe, + high) from the line of the CG, speeds m/s, lengths m, intervals 95 %
     *
     * @throws InvalidInput where no strike was seen of it
     */
    public static function of(FittingRecord $record, ?string $tag = null): array
    {
        $tag ??= $record->benchmark ?? ($record->setups === [] ? '' : $record->own()->tag);
        $set = $record->sets()[$tag] ?? throw InvalidInput::of('setup', "{$tag} has no counted shot yet.");
        $setup = $record->setups[$tag];
        $evidence = Evidence::of($setup->spec($record->hand), $set, $record->flight);
        if ($evidence === null || ! $evidence->isMeasured(Swing::TOE) || ! $evidence->isMeasured(Swing::HIGH)) {
            throw InvalidInput::of('setup', "The shots with {$tag} have no strike position: spray the face, or type where they struck it.");
        }
        [$lineToe, $lineHigh] = $evidence->spec->body->inLineWithCg();
        $off = ['toeMm' => $evidence->state[Swing::TOE] - $lineToe, 'highMm' => $evidence->state[Swing::HIGH] - $lineHigh];
        $error = ['toeMm' => $evidence->error[Swing::TOE], 'highMm' => $evidence->error[Swing::HIGH]];
        $isNear = hypot($off['toeMm'], $off['highMm']) <= self::OFF_MM;
        $isOff = ! $isNear && (abs($off['toeMm']) > 2 * $error['toeMm'] || abs($off['highMm']) > 2 * $error['highMm']);
        $ways = $isOff ? self::ways($record, $setup, $evidence, $off) : [];
        usort($ways, static fn (array $a, array $b): int => [self::COSTS[$a['cost']], -$a['chance'],
            $a['kind']] <=> [self::COSTS[$b['cost']], -$b['chance'], $b['kind']]);

        return [
            'tag' => $tag, 'n' => $set->count(), 'offMm' => $off, 'errorMm' => $error, 'isOff' => $isOff, 'isNear' => $isNear,
            'cgAssumed' => $evidence->spec->bodyAssumed,
            'worth' => self::worth($evidence, $off, $error), 'ways' => $ways, 'checks' => $isOff ? self::checks($record, $tag, $evidence) : [],
        ];
    }

    /**
     * @param  array{toeMm: float, highMm: float}  $off
     * @return list<array<string, mixed>>
     */
    private static function ways(FittingRecord $record, SetupRecord $setup, Evidence $e, array $off): array
    {
        $ways = [
            self::weights($setup, $e, $off, $record), self::grams($setup, $e, $off), self::look($setup, $e, $off, $record),
            self::tee($setup, $e, $off),
            self::length($setup, $e, $off), self::cue($e, $off),
        ];

        return array_values(array_filter($ways, static fn (?array $w): bool => $w !== null));
    }

    /**
     * The arrangement that brings the line of the CG nearest behind the strikes.
     *
     * @param  array{toeMm: float, highMm: float}  $off
     * @return array<string, mixed>|null
     */
    private static function weights(SetupRecord $setup, Evidence $e, array $off, FittingRecord $record): ?array
    {
        $head = $setup->racked;
        if ($head === null || $head->slots === []) {
            return null;
        }
        $best = null;
        foreach ($head->arrangements() as $masses) {
            $body = $head->bodyWith($masses);
            [$toe, $high] = $body->inLineWithCg();
            [$wasToe, $wasHigh] = $e->spec->body->inLineWithCg();
            $points = SwingWeight::pointsPerHeadG($setup->lengthMm) * ($body->massG - $e->spec->body->massG);
            $moves = [
                'toeMm' => [$wasToe - $toe + PlayerPriors::TOE_MM_PER_POINT * $points, hypot(PlayerPriors::TOE_MM_PER_POINT_SD * $points,
                    PlayerPriors::QUIRK_SD[3])],
                'highMm' => [$wasHigh - $high, PlayerPriors::QUIRK_SD[4]],
            ];
            $left = hypot($off['toeMm'] + $moves['toeMm'][0], $off['highMm'] + $moves['highMm'][0]);
            if ($best === null || $left < $best[0]) {
                $best = [$left, $masses, $body, $moves];
            }
        }
        if ($best === null || $best[0] > hypot($off['toeMm'], $off['highMm']) - 1.0) {
            return null;
        }
        [, $masses, $body, $moves] = $best;
        $to = new SetupRecord(...['masses' => $masses] + get_object_vars($setup));
        $through = CarryThrough::predict($e->spec, $to->spec($record->hand), $record->brief->squaringShare());

        return self::way('weights', 'wrench', $head->sayWeights($masses), $e, $body, $off, $moves, $through);
    }

    /**
     * Grams into the head or out of it: a heavier head is met nearer the heel.
     *
     * @param  array{toeMm: float, highMm: float}  $off
     * @return array<string, mixed>|null
     */
    private static function grams(SetupRecord $setup, Evidence $e, array $off): ?array
    {
        if (abs($off['toeMm']) < 2.0) {
            return null;
        }
        $points = max(-self::MOST_POINTS, min(self::MOST_POINTS, -$off['toeMm'] / PlayerPriors::TOE_MM_PER_POINT));
        $grams = round($points / SwingWeight::pointsPerHeadG($setup->lengthMm));
        $points = $grams * SwingWeight::pointsPerHeadG($setup->lengthMm);
        if ($grams === 0.0) {
            return null;
        }
        $body = $e->spec->body->heavier($grams);
        $moves = ['toeMm' => [PlayerPriors::TOE_MM_PER_POINT * $points, PlayerPriors::TOE_MM_PER_POINT_SD * abs($points)],
            'highMm' => [0.0, 0.5]];

        return self::way(
            'grams', $grams > 0 ? 'free' : 'workshop', '', $e, $body, $off, $moves, null,
            [PlayerPriors::SPEED_MPS_PER_POINT * $points, PlayerPriors::SPEED_MPS_PER_POINT_SD * abs($points)],
        ) + ['grams' => $grams, 'points' => $points];
    }

    /**
     * Another loft and face to look at. It moves the ball by what physics says, and the strike nobody knows which way.
     *
     * @param  array{toeMm: float, highMm: float}  $off
     * @return array<string, mixed>|null
     */
    private static function look(SetupRecord $setup, Evidence $e, array $off, FittingRecord $record): ?array
    {
        $best = null;
        foreach ($setup->racked === null ? [] : $setup->sleeveSystem()->positions as $position) {
            $there = $setup->at((string) $position->label);
            $turned = abs($there->playing(0.0)->faceOpenDeg - $setup->playing(0.0)->faceOpenDeg);
            if ($position->label !== $setup->sleeveLabel && $turned > 0.5 && ($best === null || $turned < $best[0])) {
                $best = [$turned, $there];
            }
        }
        if ($best === null) {
            return null;
        }
        $through = CarryThrough::predict($e->spec, $best[1]->spec($record->hand), $record->brief->squaringShare());
        $moves = ['toeMm' => [0.0, self::LOOK_SPREAD_MM], 'highMm' => [0.0, self::LOOK_SPREAD_MM]];

        return self::way('look', 'wrench', $best[1]->sleeveLabel, $e, $e->spec->body, $off, $moves, $through)
            + ['faceOpenDeg' => $best[1]->playing(0.0)->faceOpenDeg - $setup->playing(0.0)->faceOpenDeg];
    }

    /**
     * @param  array{toeMm: float, highMm: float}  $off
     * @return array<string, mixed>|null
     */
    private static function tee(SetupRecord $setup, Evidence $e, array $off): ?array
    {
        [$per, $sd] = self::HIGH_PER_TEE_MM;
        $by = max(-self::MOST_TEE_MM, min(self::MOST_TEE_MM, round(-$off['highMm'] / $per)));
        if (abs($off['highMm']) < 2.0 || $by === 0.0) {
            return null;
        }

        return self::way('tee', 'free', '', $e, $e->spec->body, $off, ['toeMm' => [0.0, 0.5], 'highMm' => [$per * $by, $sd * abs($by)]],
            null)
            + ['teeMm' => $by, 'toTeeMm' => $setup->teeMm === null ? null : $setup->teeMm + $by];
    }

    /**
     * @param  array{toeMm: float, highMm: float}  $off
     * @return array<string, mixed>|null
     */
    private static function length(SetupRecord $setup, Evidence $e, array $off): ?array
    {
        [$per, $sd] = self::TOE_PER_SHORTER_MM;
        $steps = round(-$off['toeMm'] / $per / self::STEP_OF_LENGTH_MM);
        $shorter = max(-self::MOST_LENGTH_MM, min(self::MOST_LENGTH_MM, $steps * self::STEP_OF_LENGTH_MM));
        $to = $setup->lengthMm === null ? null : $setup->lengthMm - $shorter;
        if ($shorter === 0.0 || ($to !== null && $to > EquipmentRules::LOCAL_RULE_LENGTH_MM)) {
            return null;
        }

        return self::way(
            'length', 'workshop', '', $e, $e->spec->body, $off, ['toeMm' => [$per * $shorter, $sd * abs($shorter)], 'highMm' => [0.0,
                1.0]], null,
            [-self::SPEED_PER_SHORTER_MM[0] * $shorter, self::SPEED_PER_SHORTER_MM[1] * abs($shorter)],
        ) + ['shorterMm' => $shorter, 'toLengthMm' => $to];
    }

    /**
     * A word before the swing: stand nearer or farther, or think of the spot.
     *
     * @param  array{toeMm: float, highMm: float}  $off
     * @return array<string, mixed>|null
     */
    private static function cue(Evidence $e, array $off): ?array
    {
        if (abs($off['toeMm']) < 2.0) {
            return null;
        }
        [$share, $sd] = self::CUE_SHARE;

        return self::way(
            'cue', 'free', '', $e, $e->spec->body, $off,
            ['toeMm' => [-$share * $off['toeMm'], $sd * abs($off['toeMm'])], 'highMm' => [0.0, 1.0]], null,
        ) + ['standMm' => round(abs($off['toeMm'])), 'nearer' => $off['toeMm'] > 0];
    }

    /**
     * @param  array{toeMm: float, highMm: float}  $off
     * @param  array<string, array{float, float}>  $moves  against the line of the CG: mean and spread, mm
     * @param  array{float, float}  $speed  change of club speed and its spread, m/s
     * @return array<string, mixed>
     */
    private static function way(
        string $kind, string $cost, string $what, Evidence $e, Head $body, array $off, array $moves, ?CarryThrough $through,
        array $speed = [0.0, 0.0],
    ): array {
        $effect = self::effect($e, $body, $off, $moves, $through, $speed);

        return [
            'kind' => $kind, 'cost' => $cost, 'what' => $what,
            'movesMm' => array_map(static fn (array $m): array => [
                'value' => $m[0], 'interval' => new Interval($m[0] - 1.96 * $m[1], $m[0] + 1.96 * $m[1]),
            ], $moves),
            'leftMm' => hypot($off['toeMm'] + $moves['toeMm'][0], $off['highMm'] + $moves['highMm'][0]),
        ] + $effect;
    }

    /**
     * What a strike in line would be worth; its interval is that of where the strikes are now.
     *
     * @param  array{toeMm: float, highMm: float}  $off
     * @param  array{toeMm: float, highMm: float}  $error
     * @return array<string, mixed>
     */
    private static function worth(Evidence $e, array $off, array $error): array
    {
        $inLine = self::effect($e, $e->spec->body, $off, ['toeMm' => [-$off['toeMm'], 0.0], 'highMm' => [-$off['highMm'], 0.0]]);
        $about = self::effect($e, $e->spec->body, $off, ['toeMm' => [0.0, $error['toeMm']], 'highMm' => [0.0, $error['highMm']]]);
        $out = [];
        foreach (['ballSpeedMps', 'carryM', 'sideM'] as $name) {
            $value = $inLine[$name]['value'];
            $now = $about[$name]['interval'];
            $out[$name] = ['value' => $value, 'interval' => new Interval(min($value, $value - $now->high), max($value, $value - $now->low))];
        }

        return $out;
    }

    /**
     * What moving the strike is worth: the ball of the mean swing with the strike where it would come, over the spread of where that is.
     * The points are spread evenly over it (the middle of nine equal parts), toe and high apart.
     *
     * @param  array{toeMm: float, highMm: float}  $off
     * @param  array<string, array{float, float}>  $moves
     * @param  array{float, float}  $speed
     * @return array<string, mixed>
     */
    private static function effect(
        Evidence $e, Head $body, array $off, array $moves, ?CarryThrough $through = null, array $speed = [0.0, 0.0],
    ): array {
        $now = Evidence::figures($e->launch($e->state), $e->flight)
            ?? throw ModelFailure::while('What a strike is worth', 'the models give no ball for the mean swing');
        $impact = new Impact($body, $e->spec->hand);
        [$lineToe, $lineHigh] = $body->inLineWithCg();
        $gains = ['ballSpeedMps' => [], 'carryM' => [], 'sideM' => []];
        for ($i = 0; $i < self::STEPS; $i++) {
            for ($j = 0; $j < self::STEPS; $j++) {
                [$a, $b] = [Normal::quantile(($i + 0.5) / self::STEPS), Normal::quantile(($j + 0.5) / self::STEPS)];
                $state = $e->state;
                $state[Swing::TOE] = max(-39.0, min(39.0, $lineToe + $off['toeMm'] + $moves['toeMm'][0] + $moves['toeMm'][1] * $a));
                $state[Swing::HIGH] = max(-21.0, min(21.0, $lineHigh + $off['highMm'] + $moves['highMm'][0] + $moves['highMm'][1] * $b));
                // What moves beside the strike is taken at a place of its own of its spread, so that it hangs on neither.
                $c = Normal::quantile(((5 * $i + 2 * $j) % self::STEPS + 0.5) / self::STEPS);
                $state[Swing::LOFT] += ($through->loftDeg ?? 0.0) + ($through->loftSdDeg ?? 0.0) * $c;
                $state[Swing::FACE] += $through->faceRightDeg ?? 0.0;
                $state[Swing::CLUB_SPEED] += $speed[0] + $speed[1] * $c;
                $then = Evidence::figures(Evidence::strike($impact, $state), $e->flight);
                if ($then !== null) {
                    $gains['ballSpeedMps'][] = $then['ballSpeedMps'] - $now['ballSpeedMps'];
                    $gains['carryM'][] = $then['carryM'] - $now['carryM'];
                    $gains['sideM'][] = $then['sideM'] - $now['sideM'];
                }
            }
        }
        if ($gains['carryM'] === []) {
            throw ModelFailure::while('What a strike is worth', 'the models give no ball where it would come');
        }
        $out = ['chance' => count(array_filter($gains['carryM'], static fn (float $g): bool => $g > 0)) / count($gains['carryM'])];
        foreach ($gains as $name => $values) {
            $out[$name] = ['value' => array_sum($values) / count($values), 'interval' => Interval::middleOf($values)];
        }

        return $out;
    }

    /**
     * Setups of which strikes were seen, held against this one: did they come nearer to their line?
     *
     * @return list<array<string, mixed>>
     */
    private static function checks(FittingRecord $record, string $tag, Evidence $was): array
    {
        $out = [];
        foreach ($record->sets() as $other => $set) {
            if ((string) $other === $tag) {
                continue;
            }
            $is = Evidence::of($record->setups[$other]->spec($record->hand), $set, $record->flight);
            if ($is !== null && $is->isMeasured(Swing::TOE) && $is->isMeasured(Swing::HIGH)) {
                $out[] = ['tag' => (string) $other] + get_object_vars(StrikeCheck::between($was, $is));
            }
        }

        return $out;
    }
}
