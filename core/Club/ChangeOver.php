<?php

declare(strict_types=1);

namespace MintCarry\Core\Club;

/**
 * What has to be done with the wrench, and beside it, to get from one setup to another: step by step, in the order it is done.
 * Several trials are queued in the order that asks for the fewest wrench changes.
 */
final readonly class ChangeOver
{
    /** More setups than this are ordered by always taking the nearest next. */
    private const TRY_ALL_TO = 7;

    private const SAME_LENGTH_MM = 1.0;

    private const SAME_GRAMS = 0.5;

    /** @param  list<string>  $steps  in plain words; the last says to torque, where the wrench was used */
    private function __construct(public array $steps, public int $wrenchChanges)
    {
    }

    /** @param  SetupParts|null  $from  null when nothing was in the hand */
    public static function between(?SetupParts $from, SetupParts $to): self
    {
        $steps = [];
        $wrench = 0;
        $otherHead = $from === null || $from->head !== $to->head;
        if ($otherHead) {
            $steps[] =
                "Head: {$to->head}".
                ($to->sleeve === '' ? '' : ", sleeve at {$to->sleeve}").
                ($to->weights === '' ? '' : ", {$to->weights}");
            $wrench++;
        } else {
            if ($from->sleeve !== $to->sleeve) {
                $steps[] = "Sleeve: from {$from->sleeve} to {$to->sleeve}";
                $wrench++;
            }
            foreach (array_unique([...array_keys($from->masses), ...array_keys($to->masses)]) as $slot) {
                $was = $from->masses[$slot] ?? 0.0;
                $now = $to->masses[$slot] ?? 0.0;
                if ($was !== $now) {
                    $steps[] = match (true) {
                        $was === 0.0 => sprintf('Weights: %g g into %s', $now, $slot),
                        $now === 0.0 => sprintf('Weights: %g g out of %s', $was, $slot),
                        default => sprintf('Weights: %g g for %g g in %s', $now, $was, $slot),
                    };
                    $wrench++;
                }
            }
            if ($from->masses === [] && $to->masses === [] && $from->weights !== $to->weights) {
                $steps[] = "Weights: {$to->weights}";
                $wrench++;
            }
        }
        if ($from === null || $from->build->shaft !== $to->build->shaft) {
            if ($to->build->shaft !== '') {
                $steps[] = "Shaft: {$to->build->shaft}";
                $wrench += $otherHead ? 0 : 1; // another head goes onto another shaft in one go
            }
        }
        $length = self::length($from, $to);
        $grip = $from !== null && $to->grip !== '' && $from->grip !== $to->grip ? "Grip: {$to->grip}" : null;
        array_push($steps, ...array_filter([$length, $grip]));
        if ($wrench > 0) {
            $steps[] = 'Torque every screw to the maker’s click';
        }
        if ($from !== null && self::isBalancedAnew($from, $to, $otherHead || $length !== null || $grip !== null)) {
            $steps[] = 'Check the swing weight'.($to->swingWeightPoints === null ? '' : ': '.SwingWeight::labelOf($to->swingWeightPoints));
        }
        foreach (
            [['Ball', $from->build->ball ?? '', $to->build->ball], ['Cue', $from->build->cue ?? '', $to->build->cue]] as [$label, $was, $now]
        ) {
            if ($was !== $now) {
                $steps[] = $now === '' ? "{$label}: none" : "{$label}: {$now}";
            }
        }
        if ($to->build->teeMm !== null && $from?->build->teeMm !== $to->build->teeMm) {
            $steps[] = sprintf('Tee: %.0f mm', $to->build->teeMm);
        }

        return new self($steps, $wrench);
    }

    /** A length that two readings of one club do not explain; both units, for the workshop and for the player. */
    private static function length(?SetupParts $from, SetupParts $to): ?string
    {
        [$was, $now] = [$from?->build->lengthMm, $to->build->lengthMm];

        return $was === null || $now === null || abs($now - $was) < self::SAME_LENGTH_MM
            ? null
            : sprintf('Length: %.2f in (%.0f mm)', $now / 25.4, $now);
    }

    /** Is the club another on the balance: other grams in the head, another shaft, head, length or grip? */
    private static function isBalancedAnew(SetupParts $from, SetupParts $to, bool $isRebuilt): bool
    {
        return $isRebuilt || $from->build->shaft !== $to->build->shaft
            || abs(array_sum($from->masses) - array_sum($to->masses)) >= self::SAME_GRAMS;
    }

    /**
     * The order of several setups that takes the fewest wrench changes from what is in the hand; where orders are alike, the one given.
     *
     * @param  list<SetupParts>  $queue
     * @return array{list<int>, int} places in the queue, and how many wrench changes they take
     */
    public static function order(?SetupParts $from, array $queue): array
    {
        // From place a in the queue (null: from what is in the hand) to place b.
        $cost = static fn (?int $a, int $b): int => self::between($a === null ? $from : $queue[$a], $queue[$b])->wrenchChanges;
        if (count($queue) > self::TRY_ALL_TO) {
            [$order, $sum, $at] = [[], 0, null];
            for ($left = array_keys($queue); $left !== []; $left = array_values(array_diff($left, [$at]))) {
                usort($left, static fn (int $a, int $b): int => [$cost($at, $a), $a] <=> [$cost($at, $b), $b]);
                $sum += $cost($at, $left[0]);
                $at = $order[] = $left[0];
            }

            return [$order, $sum];
        }
        $best = [array_keys($queue), PHP_INT_MAX];
        $walk = static function (?int $at, array $left, array $order, int $sum) use (&$walk, &$best, $cost): void {
            if ($sum >= $best[1]) {
                return;
            }
            if ($left === []) {
                $best = [$order, $sum];

                return;
            }
            foreach ($left as $key => $i) {
                $rest = $left;
                unset($rest[$key]);
                $walk($i, $rest, [...$order, $i], $sum + $cost($at, $i));
            }
        };
        $walk(null, array_keys($queue), [], 0);

        return $queue === [] ? [[], 0] : [array_values($best[0]), $best[1]];
    }
}
