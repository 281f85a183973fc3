<?php

declare(strict_types=1);

namespace MintCarry\Core\Statistics;

use Random\Engine\Mt19937;
use Random\Randomizer;

use function count;
use function crc32;
use function range;

/**
 * Standard normal numbers that belong to what they are drawn for: the same name always has the same numbers, whatever else is drawn
 * beside it, before it or after it. They are spread evenly, one to each of as many equally likely strata (Latin hypercube sampling:
 * McKay, Beckman & Conover 1979; from memory), and so are the first of them alone, so that a mean over them is far nearer to the truth
 * than one over as many independent draws.
 */
final class KeyedDraws
{
    /** @var array<string, list<float>> */
    private static array $kept = [];

    /** So many names are kept at hand: a process that judges many players would else keep them all. */
    private const MOST_KEPT = 2000;

    /**
     * @param  string  $key  what they are drawn for
     * @param  int  $n  a multiple of `$first`
     * @param  int  $first  the first so many are evenly spread by themselves
     * @return list<float>
     */
    public static function normals(string $key, int $n, int $first): array
    {
        return self::$kept["{$n}/{$first}/{$key}"] ??= self::draw($key, $n, $first);
    }

    /** @return list<float> */
    private static function draw(string $key, int $n, int $first): array
    {
        if (count(self::$kept) >= self::MOST_KEPT) {
            self::$kept = [];
        }
        $random = new Randomizer(new Mt19937(crc32($key)));
        $each = intdiv($n, $first);
        $early = $late = [];
        foreach (range(0, $first - 1) as $coarse) {
            $chosen = $random->getInt(0, $each - 1);
            foreach (range(0, $each - 1) as $fine) {
                $stratum = $coarse * $each + $fine;
                if ($fine === $chosen) {
                    $early[] = $stratum;
                } else {
                    $late[] = $stratum;
                }
            }
        }
        $out = [];
        foreach ([...$random->shuffleArray($early), ...($late === [] ? [] : $random->shuffleArray($late))] as $stratum) {
            $out[] = Normal::quantile(($stratum + Normal::uniform($random)) / $n);
        }

        return $out;
    }
}
