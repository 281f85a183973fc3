<?php

declare(strict_types=1);

namespace MintCarry\Core\Judging;

use MintCarry\Core\Impact\Swing;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Statistics\Difference;
use MintCarry\Core\Statistics\Summary;

use function abs;
use function count;
use function hypot;

/** What could make a comparison unfair, each with what was done about it (`done`). Quiet: they stop nothing. */
final class GuardRails
{
    private const FEW = 5;

    /**
     * @param  list<Evidence>  $all
     * @param  array<string, list<string>>  $conditions  by tag: visits, balls of the trials, monitors, tee heights, each as "what: value"
     * @param  list<float>  $speeds  club speed (ball speed where no club was seen) of the counted shots of the last visit, in the order they were hit
     * @return list<Finding>
     */
    public static function of(array $all, ?Evidence $benchmark, array $conditions, array $speeds, float $squares): array
    {
        $out = [];
        foreach ($all as $e) {
            $tag = $e->spec->tag;
            if ($e->set->count() < self::FEW) {
                $out[] = new Finding($tag, 'few shots', ['n' => (float) $e->set->count(), 'done' => 'intervals are wide, and no verdict is given under three shots']);
            }
            if ($e->spec->loftFromPrint) {
                $out[] = new Finding($tag, 'printed loft', ['done' => 'the printed loft is used; heads are commonly 1° off, so put it on the gauge']);
            }
            if ($benchmark === null || $e === $benchmark) {
                continue;
            }
            $changed = $e->spec->differsFrom($benchmark->spec);
            if (count($changed) > 1) {
                $out[] = new Finding($tag, 'two changes', ['changed' => $changed, 'done' => 'the bridge says what each moved; which one to keep needs a trial with one change']);
            }
            foreach (['ball', 'tee'] as $what) {
                if (in_array($what, $changed, true)) {
                    $out[] = new Finding($tag, "other {$what}", ['done' => $what === 'ball' ? 'its part is in what the bridge cannot explain' : 'it works through the strike, which the bridge shows']);
                }
            }
            $known = $conditions[$benchmark->spec->tag] ?? [];
            // What the benchmark was hit under is known only where it was hit in a trial.
            foreach ($known === [] ? [] : array_diff($conditions[$tag] ?? [], $known) as $other) {
                $out[] = new Finding($tag, 'other conditions', ['what' => $other, 'done' => 'hit the benchmark again under the same to compare']);
            }
            $out = [...$out, ...self::compensation($e, $benchmark, $squares), ...self::contradiction($e, $benchmark, $squares)];
        }

        return [...$out, ...self::drift($speeds)];
    }

    /** @return list<Finding> the player works against the change */
    private static function compensation(Evidence $e, Evidence $benchmark, float $squares): array
    {
        if (! $e->isMeasured(Swing::FACE) || ! $benchmark->isMeasured(Swing::FACE)) {
            return [];
        }
        $expected = CarryThrough::predict($benchmark->spec, $e->spec, $squares);
        $seen = $e->state[Swing::FACE] - $benchmark->state[Swing::FACE];
        $error = hypot(hypot($e->error[Swing::FACE], $benchmark->error[Swing::FACE]), $expected->faceSdDeg);

        return abs($expected->faceRightDeg) >= 0.4 && $seen * $expected->faceRightDeg < 0 && abs($seen - $expected->faceRightDeg) > 2 * $error
            ? [new Finding($e->spec->tag, 'player compensating', ['expectedDeg' => $expected->faceRightDeg, 'seenDeg' => $seen, 'done' => 'a blind trial tells whether the player aims against what they see'])] : [];
    }

    /** @return list<Finding> launch and loft move against each other */
    private static function contradiction(Evidence $e, Evidence $benchmark, float $squares): array
    {
        $expected = CarryThrough::predict($benchmark->spec, $e->spec, $squares);
        [$a, $b] = [$benchmark->set->summary(Measure::LaunchAngle), $e->set->summary(Measure::LaunchAngle)];
        if ($a === null || $b === null || abs($expected->loftDeg) < 0.5) {
            return [];
        }
        $moved = Difference::between($a, $b);

        return $moved->isClear() && $moved->value * $expected->loftDeg < 0
            ? [new Finding($e->spec->tag, 'label and data disagree', ['expectedDeg' => $expected->loftDeg, 'seenDeg' => $moved->value, 'done' => 'the shots are believed, not the label; look at the sleeve and the gauge'])] : [];
    }

    /**
     * @param  list<float>  $speeds
     * @return list<Finding>
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
            ? [new Finding('', $moved->value < 0 ? 'speed falling' : 'speed rising', ['speedMps' => $moved->value, 'done' => 'like for like takes speed out; go back to the benchmark before deciding'])] : [];
    }
}
