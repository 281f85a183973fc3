<?php

declare(strict_types=1);

namespace MintCarry\Core\Record;

use function array_filter;
use function array_map;
use function array_unique;
use function array_values;
use function count;
use function json_encode;

/**
 * What a setup is called among the others of its fitting: its head, and beside it just what tells it from them, so that six shafts in one
 * head are six names.
 */
final class SetupNames
{
    /** Said where it differs among setups of one head. */
    private const OF_HEAD = ['loftDeg', 'sleeve', 'weights'];

    /** Said where it differs among the setups of the fitting. */
    private const OF_BUILD = ['shaft', 'lengthMm', 'grip', 'ball', 'teeMm', 'cue'];

    /**
     * @param  array<array-key, SetupRecord>  $setups  by tag
     * @return array<array-key, array<string, string|float>> by tag: head, and of loftDeg, sleeve, weights, shaft, lengthMm, grip, ball,
     *   teeMm and cue those that differ
     */
    public static function of(array $setups): array
    {
        $all = array_map(self::parts(...), $setups);
        $differs = static fn (array $of, string $field): bool => count(array_unique(
            array_map(static fn (array $p): string => (string) json_encode($p[$field]), $of),
        )) > 1;
        $out = [];
        foreach ($all as $tag => $parts) {
            $sameHead = array_values(array_filter($all, static fn (array $p): bool => $p['head'] === $parts['head']));
            $said = ['head' => $parts['head']];
            foreach (self::OF_HEAD as $field) {
                if ($differs($sameHead, $field)) {
                    $said[$field] = $parts[$field];
                }
            }
            foreach (self::OF_BUILD as $field) {
                if ($differs(array_values($all), $field)) {
                    $said[$field] = $parts[$field];
                }
            }
            $out[$tag] = array_filter($said, static fn (string|float|null $v): bool => $v !== null && $v !== '');
        }

        return $out;
    }

    /** @return array<string, string|float|null> */
    private static function parts(SetupRecord $s): array
    {
        return [
            'head' => $s->head, 'loftDeg' => $s->racked === null ? $s->described?->loftDeg : $s->racked->stated->loftDeg,
            'sleeve' => $s->sleeveLabel, 'weights' => $s->weights, 'shaft' => $s->shaft, 'lengthMm' => $s->lengthMm, 'grip' => $s->grip,
            'ball' => $s->ball, 'teeMm' => $s->teeMm, 'cue' => $s->cue,
        ];
    }
}
