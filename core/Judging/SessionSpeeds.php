<?php

declare(strict_types=1);

namespace MintCarry\Core\Judging;

use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\Measure;

use function array_filter;
use function array_intersect_key;
use function count;
use function ksort;

/** Club speed shot by shot through one visit, in the order it was hit; ball speed where no club was seen. */
final class SessionSpeeds
{
    /**
     * @param  list<array{tag: string, sequence: int, shot: LaunchShot, trial?: int|null}>  $shots  that count
     * @return list<array{tag: string, sequence: int, speedMps: float, trial: int|null, starts: array<string, float>}> starts: how the ball
     *   began, and the face, ° by field, those that were measured
     */
    public static function inOrder(array $shots): array
    {
        $all = [];
        foreach ($shots as $s) {
            if ($s['shot']->failure === null) {
                $all[$s['sequence']] = $s;
            }
        }
        ksort($all);
        $seen = count(array_filter($all, static fn (array $s): bool => $s['shot']->value(Measure::ClubSpeed) !== null));
        $measure = $seen * 2 > count($all) ? Measure::ClubSpeed : Measure::BallSpeed;
        $out = [];
        foreach ($all as $s) {
            $speed = $s['shot']->value($measure);
            if ($speed !== null) {
                $out[] = [
                    'tag' => $s['tag'], 'sequence' => $s['sequence'], 'speedMps' => $speed, 'trial' => $s['trial'] ?? null,
                    'starts' => array_intersect_key($s['shot']->measured, Withheld::STARTS),
                ];
            }
        }

        return $out;
    }
}
