<?php

declare(strict_types=1);

namespace MintCarry\Core\Judging;

use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Impact\Swing;
use MintCarry\Core\Launch\Measure;

use function abs;
use function hypot;

/**
 * One candidate to hit next, from what ails the benchmark: the setting of the same head whose expected change of loft or face
 * mends most of it, with the change that the models expect and its 95 % interval.
 */
final readonly class NextMove
{
    /** Below this it is not worth the wrench, m. */
    private const WORTH_M = 1.5;

    /** @param  array<string, array{value: float, low: float, high: float}>  $effect  expected change by measure, kept units */
    private function __construct(public SetupSpec $candidate, public FindingKind $mends, public array $effect)
    {
    }

    /**
     * @param  list<Finding>  $findings  of the benchmark
     * @param  list<SetupSpec>  $candidates  settings that nobody hit yet
     */
    public static function of(Evidence $benchmark, array $findings, array $candidates, float $squaringShare): ?self
    {
        $wanted = self::wanted($benchmark, $findings);
        if ($wanted === null) {
            return null;
        }
        [$mends, $measure, $change] = $wanted;
        $best = null;
        $left = abs($change);
        foreach ($candidates as $candidate) {
            $effect = self::effect($benchmark, $candidate, $squaringShare);
            if ($effect === null) {
                continue;
            }
            $rest = abs($change - $effect[$measure]['value']);
            if ($rest < $left - 0.1 * abs($change)) {
                [$best, $left] = [new self($candidate, $mends, $effect), $rest];
            }
        }

        return $best;
    }

    /**
     * What should change, by which measure and how much.
     *
     * @param  list<Finding>  $findings
     * @return array{FindingKind, string, float}|null
     */
    private static function wanted(Evidence $benchmark, array $findings): ?array
    {
        foreach ($findings as $f) {
            if (in_array($f->kind, [FindingKind::SpinTooHigh, FindingKind::SpinTooLow], true) && is_float($f->figures['loftChangeDeg'])) {
                return [$f->kind, 'launchDeg', 0.85 * $f->figures['loftChangeDeg']];
            }
            if (in_array($f->kind, [FindingKind::StartsThere, FindingKind::CurvesThere, FindingKind::FaceToPath], true)) {
                $side = $benchmark->set->summary(Measure::Side)->mean ?? 0.0;
                if (abs($side) > 2 * self::WORTH_M) {
                    return [$f->kind, 'sideM', -$side];
                }
            }
        }

        return null;
    }

    /** @return array<string, array{value: float, low: float, high: float}>|null expected change of carry, total, side, spin and launch */
    public static function effect(Evidence $from, SetupSpec $to, float $squaringShare): ?array
    {
        $through = CarryThrough::predict($from->spec, $to, $squaringShare);
        $impact = new \MintCarry\Core\Impact\Impact($to->body, $to->hand);
        $at = static function (float $loft, float $face) use ($from, $impact): ?array {
            $state = $from->state;
            $state[Swing::LOFT] += $loft;
            $state[Swing::FACE] += $face;

            return Evidence::figures(Evidence::strike($impact, $state), $from->flight);
        };
        $before = Evidence::figures($from->launch($from->state), $from->flight);
        $after = $at($through->loftDeg, $through->faceRightDeg);
        $loft = $at($through->loftDeg + $through->loftSdDeg, $through->faceRightDeg);
        $face = $at($through->loftDeg, $through->faceRightDeg + $through->faceSdDeg);
        if ($before === null || $after === null || $loft === null || $face === null) {
            return null;
        }
        $out = [];
        foreach (Bridge::MEASURES as $m) {
            $sd = hypot($loft[$m] - $after[$m], $face[$m] - $after[$m]);
            $value = $after[$m] - $before[$m];
            $out[$m] = ['value' => $value, 'low' => $value - 1.96 * $sd, 'high' => $value + 1.96 * $sd];
        }

        return $out;
    }
}
