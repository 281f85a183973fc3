<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Finder\Predicted;

use function count;
use function usort;

/**
 * The shot that must never come, beside carry: which setups nothing is both longer and safer than. What a setup pays for its safety is
 * the carry that it gives up against the benchmark (`Predicted::$carryGainM`).
 */
final class Guard
{
    /**
     * @param  list<Predicted>  $setups
     * @param  list<string>  $never  what the brief says must never be seen
     * @return list<array{kind: string, front: list<string>, safest: string, farthest: string}> front: tags from the safest to the farthest
     */
    public static function of(array $setups, array $never): array
    {
        $out = [];
        foreach ($setups === [] ? [] : $never as $kind) {
            $by = $setups;
            usort($by, static fn (Predicted $a, Predicted $b): int => [self::chance($a, $kind), $b->carryM] <=> [self::chance($b, $kind),
                $a->carryM]);
            $front = [];
            $most = -INF;
            foreach ($by as $p) {
                if ($p->carryM > $most) {
                    $front[] = $p->spec->tag;
                    $most = $p->carryM;
                }
            }
            $out[] = ['kind' => $kind, 'front' => $front, 'safest' => $front[0], 'farthest' => $front[count($front) - 1]];
        }

        return $out;
    }

    private static function chance(Predicted $p, string $kind): float
    {
        foreach ($p->never as $n) {
            if ($n->kind === $kind) {
                return $n->chance;
            }
        }

        return 1.0;
    }
}
