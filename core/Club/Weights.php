<?php

declare(strict_types=1);

namespace MintCarry\Core\Club;

use MintCarry\Core\CoreException;

/**
 * Masses in the slots of a head: what they do to mass, CG and inertia (parallel-axis theorem, products kept), and which arrangements are legal.
 */
final class Weights
{
    /** Heavier than this no driver head is built: the sum is refused. */
    public const MOST_HEAD_G = 260.0;

    /** Delivered loft per mm of CG back, and its range; delivered face (open) per mm of CG toward the toe (assumptions, docs/physics.md). */
    public const LOFT_DEG_PER_MM_BACK = [0.35, 0.2, 0.6];

    public const OPEN_DEG_PER_MM_TOE = [0.10, 0.05, 0.15];

    /**
     * The head with weights in it.
     *
     * @param  Head  $empty  with empty slots
     * @param  list<WeightSlot>  $slots
     * @param  array<string, float>  $massesG  by slot name
     *
     * @throws CoreException for a slot that is not there, a mass that cannot be, or a head too heavy
     */
    public static function place(Head $empty, array $slots, array $massesG): Head
    {
        $places = [];
        foreach ($slots as $slot) {
            $places[$slot->name] = $slot;
        }
        $mass = $empty->massG;
        // Axes target, toe-to-heel, up: x = −back, y = −toe, z = up.
        $points = [[$empty->massG, -$empty->cgBackMm, -$empty->cgToeMm, $empty->cgUpMm]];
        foreach ($massesG as $name => $grams) {
            $slot = $places[$name] ?? throw CoreException::invalid("masses.{$name}", "This head has no slot '{$name}'; it has ".(implode(', ', array_keys($places)) ?: 'none').'.');
            CoreException::requireWithin("masses.{$name}", $grams, 0, 60, 'g');
            $mass += $grams;
            $points[] = [$grams, -$slot->backMm, -$slot->toeMm, $slot->upMm];
        }
        if ($mass > self::MOST_HEAD_G) {
            throw CoreException::invalid('masses', sprintf('With these weights the head has %.1f g; no driver head has more than %.0f g.', $mass, self::MOST_HEAD_G));
        }
        $cg = [0.0, 0.0, 0.0];
        foreach ($points as [$m, $x, $y, $z]) {
            $cg[0] += $m * $x / $mass;
            $cg[1] += $m * $y / $mass;
            $cg[2] += $m * $z / $mass;
        }
        $i = $empty->inertiaGcm2;
        foreach ($points as [$m, $x, $y, $z]) {
            [$dx, $dy, $dz] = [($x - $cg[0]) / 10, ($y - $cg[1]) / 10, ($z - $cg[2]) / 10];
            $i[0][0] += $m * ($dy * $dy + $dz * $dz);
            $i[1][1] += $m * ($dx * $dx + $dz * $dz);
            $i[2][2] += $m * ($dx * $dx + $dy * $dy);
            $i[0][1] = $i[1][0] = $i[0][1] - $m * $dx * $dy;
            $i[0][2] = $i[2][0] = $i[0][2] - $m * $dx * $dz;
            $i[1][2] = $i[2][1] = $i[1][2] - $m * $dy * $dz;
        }

        return new Head($empty->loftDeg, $mass, -$cg[1], -$cg[0], $cg[2], $i, $empty->bulgeRadiusMm, $empty->rollRadiusMm, $empty->effectiveRestitution, $empty->tangentialRestitution);
    }

    /**
     * Every legal assignment of the weights in stock to the slots; two pieces of one mass are the same piece.
     *
     * @param  list<WeightSlot>  $slots
     * @param  list<float>  $stockG  the pieces there are
     * @return list<array<string, float>> masses by slot name; slots left empty are not named
     */
    public static function arrangements(array $slots, array $stockG, int $atMost = 5000): array
    {
        $out = [];
        $walk = function (int $at, array $left, array $placed) use (&$walk, &$out, $slots, $atMost): void {
            if (count($out) >= $atMost) {
                return;
            }
            if ($at === count($slots)) {
                $out[] = $placed;

                return;
            }
            $slot = $slots[$at];
            if ($slot->mayBeEmpty) {
                $walk($at + 1, $left, $placed);
            }
            $tried = [];
            foreach ($left as $i => $grams) {
                if (isset($tried[(string) $grams]) || $grams < $slot->fromG || $grams > $slot->toG) {
                    continue;
                }
                $tried[(string) $grams] = true;
                $rest = $left;
                unset($rest[$i]);
                $walk($at + 1, $rest, $placed + [$slot->name => $grams]);
            }
        };
        $walk(0, $stockG, []);

        return $out;
    }

    /**
     * What a move of the CG does to the delivered loft and face before anything was learned of the player: middle, low, high.
     *
     * @return array{loftDeg: array{float, float, float}, openDeg: array{float, float, float}}
     */
    public static function delivered(Head $from, Head $to): array
    {
        $back = $to->cgBackMm - $from->cgBackMm;
        $toe = $to->cgToeMm - $from->cgToeMm;
        $times = static function (array $per, float $mm): array {
            $ends = [$per[1] * $mm, $per[2] * $mm];

            return [$per[0] * $mm, min($ends), max($ends)];
        };

        return ['loftDeg' => $times(self::LOFT_DEG_PER_MM_BACK, $back), 'openDeg' => $times(self::OPEN_DEG_PER_MM_TOE, $toe)];
    }
}
