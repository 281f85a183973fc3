<?php

declare(strict_types=1);

namespace MintCarry\Core\Judging;

use MintCarry\Core\Fitting\LiveVerdict;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Fitting\Wanted;

use function array_keys;
use function array_map;
use function strval;

/**
 * The words on every setup against the benchmark, the same for every screen: on the declared measure by its own rule, on all others
 * together, and none where the player was another when it was hit.
 */
final readonly class Verdicts
{
    /**
     * @param  array<string, list<LiveVerdict>>  $of  by tag; none for the benchmark
     * @param  array<string, Withheld>  $withheld  by tag; the benchmark's own where its speed was far off
     */
    private function __construct(public array $of, public array $withheld)
    {
    }

    /**
     * @param  array<array-key, ShotSet>  $sets  by tag
     * @param  list<array{tag: string, sequence: int, speedMps: float}>  $speeds  of the last visit (`SessionSpeeds`)
     */
    public static function among(array $sets, ?string $benchmark, Wanted $wanted, array $speeds): self
    {
        $base = $sets[$benchmark ?? ''] ?? null;
        if ($base === null || $benchmark === null) {
            return new self([], []);
        }
        $verdicts = [];
        foreach ($sets as $tag => $set) {
            if ($set !== $base) {
                $verdicts[(string) $tag] = LiveVerdict::of($base, $set, $wanted);
            }
        }
        $verdicts = LiveVerdict::together($verdicts);
        $withheld = Withheld::among($speeds, $benchmark, array_map(strval(...), array_keys($verdicts)));
        foreach (array_keys($withheld) as $tag) {
            if (isset($verdicts[$tag])) {
                $verdicts[$tag] = array_map(static fn (LiveVerdict $v): LiveVerdict => $v->opened(), $verdicts[$tag]);
            }
        }

        return new self($verdicts, $withheld);
    }
}
