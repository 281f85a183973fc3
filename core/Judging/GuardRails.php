<?php

declare(strict_types=1);

namespace MintCarry\Core\Judging;

use MintCarry\Core\Impact\Swing;
use MintCarry\Core\Launch\BayCalibration;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Statistics\Difference;
use MintCarry\Core\Statistics\Summary;

use function abs;
use function count;
use function hypot;

/** What could make a comparison unfair, each with what was done about it (in the message catalogue). Quiet: they stop nothing. */
final class GuardRails
{
    private const FEW = 5;

    /**
     * @param  list<Evidence>  $all
     * @param  array<string, list<string>>  $conditions  by tag: visits, balls of the trials, monitors, tee heights, each as "what: value"
     * @param  list<float>  $speeds  club speed (ball speed where no club was seen) of the counted shots of the last visit, in the
     *   order they were hit
     * @param  string  $theirBall  that the player plays, where the brief says one
     * @param  array<string, MixedSpeeds>  $mixed  setups that were hit at more than one speed, by tag
     * @return list<GuardRail>
     */
    public static function of(
        array $all, ?Evidence $benchmark, array $conditions, array $speeds, float $squaringShare, ?BayCalibration $monitors = null,
        string $theirBall = '', array $mixed = [],
    ): array {
        $out = [];
        foreach ($all as $e) {
            $tag = $e->spec->tag;
            if ($e->set->count() < self::FEW) {
                $out[] = new GuardRail($tag, GuardRailKind::FewShots, ['n' => (float) $e->set->count()]);
            }
            if ($e->spec->loftFromPrint) {
                $out[] = new GuardRail($tag, GuardRailKind::PrintedLoft);
            }
            if (isset($mixed[$tag])) {
                $out[] = new GuardRail($tag, GuardRailKind::MixedSpeeds, [
                    'groups' => array_map(static fn (array $g): string => "{$g['n']} {$g['name']}", $mixed[$tag]->groups),
                    'apartMps' => $mixed[$tag]->apartMps(),
                ]);
            }
            $out = [...$out, ...self::ball($e, $theirBall), ...self::outdoors($e), ...self::readings($e)];
            if ($benchmark === null || $e === $benchmark) {
                continue;
            }
            $changed = $e->spec->differsFrom($benchmark->spec);
            if (count($changed) > 1) {
                $out[] = new GuardRail($tag, GuardRailKind::TwoChanges, ['changed' => $changed]);
            }
            foreach (['ball', 'tee'] as $what) {
                if (in_array($what, $changed, true)) {
                    $out[] = new GuardRail($tag, $what === 'ball' ? GuardRailKind::OtherBall : GuardRailKind::OtherTee);
                }
            }
            $known = $conditions[$benchmark->spec->tag] ?? [];
            // What the benchmark was hit under is known only where it was hit in a trial.
            foreach ($known === [] ? [] : array_diff($conditions[$tag] ?? [], $known) as $other) {
                $out[] = str_starts_with($other, 'visit: ') ? new GuardRail($tag, GuardRailKind::OtherVisit)
                    : new GuardRail($tag, GuardRailKind::OtherConditions, ['what' => $other]);
            }
            $out = [...$out, ...self::compensation($e, $benchmark, $squaringShare), ...self::contradiction($e, $benchmark, $squaringShare)];
        }

        return [...$out, ...self::drift($speeds), ...self::monitors($monitors)];
    }

    /** @return list<GuardRail> a range ball, or another than the player plays: it is another launch, spin and carry on every comparison */
    private static function ball(Evidence $e, string $theirBall): array
    {
        $plain = static fn (string $ball): string => trim(mb_strtolower($ball));
        $hit = $e->spec->ball;

        return match (true) {
            str_contains($plain($hit), 'range') => [new GuardRail($e->spec->tag, GuardRailKind::RangeBall, ['ball' => $hit])],
            $hit !== '' && $theirBall !== '' && $plain($hit) !== $plain($theirBall) => [
                new GuardRail($e->spec->tag, GuardRailKind::NotTheirBall, ['ball' => $hit, 'theirs' => $theirBall]),
            ],
            default => [],
        };
    }

    /** @return list<GuardRail> what the monitor only filled in, and carries that are not of their launch */
    private static function readings(Evidence $e): array
    {
        $out = $fields = [];
        $off = 0;
        foreach ($e->set->shots as $shot) {
            $fields += $shot->unmeasured;
            $off += $shot->isCarryOff() ? 1 : 0;
        }
        foreach (array_keys($fields) as $field) {
            $out[] = new GuardRail($e->spec->tag, GuardRailKind::NotMeasured, ['what' => Measure::from($field)->label()]);
        }

        return $off === 0 ? $out : [...$out, new GuardRail($e->spec->tag, GuardRailKind::CarryOff, ['n' => (float) $off])];
    }

    /** @return list<GuardRail> what was done about the wind of the shots that were hit outdoors */
    private static function outdoors(Evidence $e): array
    {
        $winds = $moves = [];
        $left = 0;
        foreach ($e->set->shots as $shot) {
            if ($shot->openAir === null) {
                continue;
            }
            $left += $shot->isWindLeftIn() ? 1 : 0;
            $winds[] = $shot->openAir->wind->speedMps;
            if (isset($shot->asSeen['carryM'])) {
                $moves[] = ($shot->value(Measure::Carry) ?? 0.0) - $shot->asSeen['carryM'];
            }
        }
        $mean = static fn (array $of): float => array_sum($of) / max(1, count($of));
        $out = [];
        if (count($winds) > $left) {
            $out[] = new GuardRail($e->spec->tag, GuardRailKind::WindTakenOut, [
                'n' => (float) (count($winds) - $left), 'windMps' => $mean($winds), 'carryM' => $mean($moves),
                'moved' => $moves === [] ? 'no' : 'yes',
            ]);
        }

        return $left === 0 ? $out : [...$out, new GuardRail($e->spec->tag, GuardRailKind::WindLeftIn, ['n' => (float) $left])];
    }

    /** @return list<GuardRail> the player works against the change */
    private static function compensation(Evidence $e, Evidence $benchmark, float $squaringShare): array
    {
        if (! $e->isMeasured(Swing::FACE) || ! $benchmark->isMeasured(Swing::FACE)) {
            return [];
        }
        $expected = CarryThrough::predict($benchmark->spec, $e->spec, $squaringShare);
        $seen = $e->state[Swing::FACE] - $benchmark->state[Swing::FACE];
        $error = hypot(hypot($e->error[Swing::FACE], $benchmark->error[Swing::FACE]), $expected->faceSdDeg);

        return abs($expected->faceRightDeg) >= 0.4 &&
            $seen * $expected->faceRightDeg < 0 &&
            abs($seen - $expected->faceRightDeg) > 2 * $error
            ? [
                new GuardRail($e->spec->tag, GuardRailKind::PlayerCompensating, [
                    'expectedDeg' => $expected->faceRightDeg, 'seenDeg' => $seen,
                ]),
            ]
            : [];
    }

    /** @return list<GuardRail> launch and loft move against each other */
    private static function contradiction(Evidence $e, Evidence $benchmark, float $squaringShare): array
    {
        $expected = CarryThrough::predict($benchmark->spec, $e->spec, $squaringShare);
        [$a, $b] = [$benchmark->set->summary(Measure::LaunchAngle), $e->set->summary(Measure::LaunchAngle)];
        if ($a === null || $b === null || abs($expected->loftDeg) < 0.5) {
            return [];
        }
        $moved = Difference::between($a, $b);

        return $moved->isClear() && $moved->value * $expected->loftDeg < 0
            ? [
                new GuardRail($e->spec->tag, GuardRailKind::LabelAndDataDisagree, [
                    'expectedDeg' => $expected->loftDeg, 'seenDeg' => $moved->value,
                ]),
            ]
            : [];
    }

    /** @return list<GuardRail> monitors that physics does not follow */
    private static function monitors(?BayCalibration $monitors): array
    {
        $out = [];
        foreach ($monitors->visits ?? [] as $v) {
            if ($v->disagrees()) {
                $out[] = new GuardRail('', GuardRailKind::MonitorDisagrees, [
                    'monitor' => $v->monitor === '' ? 'none' : $v->monitor, 'visit' => (string) ($v->visit ?? 'none'), 'n' => (float) $v->n,
                    'carryShare' => (float) $v->carryShare,
                ]);
            }
        }

        return $out;
    }

    /**
     * @param  list<float>  $speeds
     * @return list<GuardRail>
     */
    private static function drift(array $speeds): array
    {
        $n = count($speeds);
        if ($n < 10) {
            return [];
        }
        [$first, $last] = [Summary::of(array_slice($speeds, 0, intdiv($n, 2))), Summary::of(array_slice($speeds, intdiv($n, 2)))];
        if ($first === null || $last === null) {
            return [];
        }
        $moved = Difference::between($first, $last);

        return $moved->isClear() && abs($moved->value) > 0.008 * $first->mean
            ? [
                new GuardRail('', $moved->value < 0 ? GuardRailKind::SpeedFalling : GuardRailKind::SpeedRising, [
                    'speedMps' => $moved->value,
                ]),
            ]
            : [];
    }
}
