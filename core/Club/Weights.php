<?php

declare(strict_types=1);

namespace MintCarry\Core\Club;

use MintCarry\Core\Errors\InvalidInput;

/**
 * Masses in the slots of a head: what they do to mass, CG and inertia (parallel-axis theorem, products kept), and which
 * arrangements are legal.
 */
final class Weights
{
    /** Heavier than this no driver head is built: the sum is refused. */
    public const MOST_HEAD_G = 260.0;

    /**
     * The head with weights in it.
     *
     * @param  Head  $empty  with empty slots
     * @param  list<WeightSlot>  $slots
     * @param  array<string, float>  $massesG  by slot name
     *
     * @throws InvalidInput for a slot that is not there, a mass that cannot be, or a head too heavy
     */
    public static function place(Head $empty, array $slots, array $massesG): Head
    {
        $points = self::points($slots, $massesG);
        $mass = $empty->massG + array_sum($massesG);
        if ($mass > self::MOST_HEAD_G) {
            throw InvalidInput::of(
                'masses',
                sprintf('With these weights the head has %.1f g; no driver head has more than %.0f g.', $mass, self::MOST_HEAD_G),
            );
        }

        return self::combine($empty, $points);
    }

    /**
     * The head with empty slots, from the head as it was weighed with weights in it.
     *
     * @param  list<WeightSlot>  $slots
     * @param  array<string, float>  $massesG  what is in it now, by slot name
     */
    public static function remove(Head $filled, array $slots, array $massesG): Head
    {
        return self::combine(
            $filled, array_map(static fn (array $p): array => [-$p[0], $p[1], $p[2], $p[3]], self::points($slots, $massesG)),
        );
    }

    /**
     * Refuses an arrangement that the head and the stock do not allow, by name.
     *
     * @param  list<WeightSlot>  $slots
     * @param  list<float>  $stockG  the pieces there are
     * @param  array<string, float>  $massesG  by slot name
     */
    public static function requireLegal(array $slots, array $stockG, array $massesG): void
    {
        self::points($slots, $massesG);
        foreach ($slots as $slot) {
            $grams = $massesG[$slot->name] ?? null;
            if ($grams === null && ! $slot->mayBeEmpty) {
                throw InvalidInput::of("masses.{$slot->name}", "The slot {$slot->name} may not be left empty.");
            }
            if ($grams !== null && ($grams < $slot->fromG || $grams > $slot->toG)) {
                throw InvalidInput::of(
                    "masses.{$slot->name}",
                    sprintf('The slot %s takes %g to %g g, not %g g.', $slot->name, $slot->fromG, $slot->toG, $grams),
                );
            }
            if ($grams !== null) {
                $at = array_search($grams, $stockG, false);
                if ($at === false) {
                    throw InvalidInput::of(
                        "masses.{$slot->name}",
                        sprintf(
                            'There is no other %g g weight for %s: in stock are %s.', $grams, $slot->name,
                            $stockG === []
                                ? 'none more'
                                : implode(', ', array_map(static fn (float $g): string => sprintf('%g g', $g), $stockG)),
                        ),
                    );
                }
                unset($stockG[$at]);
                $stockG = array_values($stockG);
            }
        }
    }

    /**
     * Weights as points: grams, and place on the axes target, toe-to-heel, up (x = −back, y = −toe, z = up), mm.
     *
     * @param  list<WeightSlot>  $slots
     * @param  array<string, float>  $massesG
     * @return list<array{float, float, float, float}>
     */
    private static function points(array $slots, array $massesG): array
    {
        $places = [];
        foreach ($slots as $slot) {
            $places[$slot->name] = $slot;
        }
        $points = [];
        foreach ($massesG as $name => $grams) {
            $slot =
                $places[$name] ??
                throw InvalidInput::of(
                    "masses.{$name}", "This head has no slot '{$name}'; it has ".(implode(', ', array_keys($places)) ?: 'none').'.',
                );
            InvalidInput::requireWithin("masses.{$name}", $grams, 0, 60, 'g');
            $points[] = [$grams, -$slot->backMm, -$slot->toeMm, $slot->upMm];
        }

        return $points;
    }

    /** @param  list<array{float, float, float, float}>  $weights  negative grams take mass away */
    private static function combine(Head $head, array $weights): Head
    {
        $points = [[$head->massG, -$head->cgBackMm, -$head->cgToeMm, $head->cgUpMm], ...$weights];
        $mass = array_sum(array_column($points, 0));
        $cg = [0.0, 0.0, 0.0];
        foreach ($points as [$m, $x, $y, $z]) {
            $cg[0] += $m * $x / $mass;
            $cg[1] += $m * $y / $mass;
            $cg[2] += $m * $z / $mass;
        }
        $i = $head->inertiaGcm2;
        foreach ($points as [$m, $x, $y, $z]) {
            [$dx, $dy, $dz] = [($x - $cg[0]) / 10, ($y - $cg[1]) / 10, ($z - $cg[2]) / 10];
            $i[0][0] += $m * ($dy * $dy + $dz * $dz);
            $i[1][1] += $m * ($dx * $dx + $dz * $dz);
            $i[2][2] += $m * ($dx * $dx + $dy * $dy);
            $i[0][1] = $i[1][0] = $i[0][1] - $m * $dx * $dy;
            $i[0][2] = $i[2][0] = $i[0][2] - $m * $dx * $dz;
            $i[1][2] = $i[2][1] = $i[1][2] - $m * $dy * $dz;
        }

        return new Head(
            $head->loftDeg, $mass, -$cg[1], -$cg[0], $cg[2], $i, $head->bulgeRadiusMm, $head->rollRadiusMm,
            $head->effectiveRestitution, $head->tangentialRestitution, $head->restitutionFall,
        );
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
}
