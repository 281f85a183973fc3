<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Statistics\Normal;

use function floor;
use function max;
use function sqrt;

/**
 * Prices a normal cloud of drives by the brief: expected strokes with the aim fixed on the middle, or at the best aim within ±4°.
 * The edges of the corridor may be soft: a standard deviation is added to that of the cloud.
 */
final class Strokes
{
    private const AIM_LIMIT_DEG = 4.0;

    private const SOFT_EDGE_M = 4.0;

    private const FARTHEST_M = 60.0;

    private readonly ExpectedStrokes $table;

    private readonly Corridor $corridor;

    private readonly float $halfM;

    private readonly float $leftAt;

    private readonly float $rightAt;

    /** @var array<int, array{float, float, float, float}> prices by metres left, rounded */
    private array $prices = [];

    /** @var array<int, float> best middles by spread and length, rounded */
    private array $middles = [];

    /** @param  float  $softEdgeM  SD of where the corridor's edge is felt, m */
    public function __construct(private readonly Brief $brief, private readonly float $softEdgeM = self::SOFT_EDGE_M)
    {
        $this->table = $brief->strokes();
        $this->corridor = $brief->corridor;
        $this->halfM = $this->corridor->halfM();
        [$this->leftAt, $this->rightAt] = $this->corridor->trouble();
    }

    public function aimFixed(float $sideM, float $sdM, float $totalM): float
    {
        return $this->cost($sideM, sqrt($sdM ** 2 + $this->softEdgeM ** 2), $this->prices($totalM));
    }

    /**
     * @return array{float, float, float} strokes, aim °, and where the middle of the cloud ends, m
     */
    public function free(float $sideM, float $sdM, float $totalM): array
    {
        [, $cost, $aim, $middle] = $this->drive($sideM, $sdM, $totalM, true);

        return [$cost, $aim, $middle];
    }

    /**
     * All of it at once: strokes with the aim fixed, strokes under the aim asked for, that aim in degrees, where the middle then
     * ends in m, and the shares left and right of the corridor with the aim fixed; the rest is in it.
     *
     * @return array{float, float, float, float, float, float}
     */
    public function drive(float $sideM, float $sdM, float $totalM, bool $aimFree): array
    {
        $sd = sqrt($sdM ** 2 + $this->softEdgeM ** 2);
        $prices = $this->prices($totalM);
        $aimFixed = $this->cost($sideM, $sd, $prices);
        [$left, $right] = $this->beside($sideM, $sdM);
        if (! $aimFree) {
            return [$aimFixed, $aimFixed, 0.0, $sideM, $left, $right];
        }
        $perDegree = $totalM * M_PI / 180;
        $reach = self::AIM_LIMIT_DEG * $perDegree;
        $middle = max($sideM - $reach, min($sideM + $reach, $this->bestMiddle($sd, $totalM)));

        return [$aimFixed, $this->cost($middle, $sd, $prices), ($middle - $sideM) / $perDegree, $middle, $left, $right];
    }

    /**
     * Where the middle of a cloud costs least, m. Corridor, rough and trouble make one valley, and a normal cloud keeps it one
     * (Ibragimov 1956): golden section (Kiefer 1953; both from memory), so the nearest place that can be aimed at is the best
     * aim. Kept for draws alike, to 1 m of spread and 5 m of length: at the bottom of the valley that costs nothing that shows.
     */
    private function bestMiddle(float $sd, float $totalM): float
    {
        $sd = max(1.0, round($sd));
        $total = 5 * round($totalM / 5);
        $key = (int) (1000 * $sd + $total / 5);
        if (! isset($this->middles[$key])) {
            $prices = $this->prices($total);
            [$low, $high] = [-self::FARTHEST_M, self::FARTHEST_M];
            $ratio = 0.6180339887;
            [$a, $b] = [$high - $ratio * ($high - $low), $low + $ratio * ($high - $low)];
            [$fa, $fb] = [$this->cost($a, $sd, $prices), $this->cost($b, $sd, $prices)];
            while ($high - $low > 0.1) {
                if ($fa < $fb) {
                    [$high, $b, $fb] = [$b, $a, $fa];
                    $a = $high - $ratio * ($high - $low);
                    $fa = $this->cost($a, $sd, $prices);
                } else {
                    [$low, $a, $fa] = [$a, $b, $fb];
                    $b = $low + $ratio * ($high - $low);
                    $fb = $this->cost($b, $sd, $prices);
                }
            }
            $this->middles[$key] = ($low + $high) / 2;
        }

        return $this->middles[$key];
    }

    /** Share that ends where water, trees or the boundary begin, on either side. */
    public function inTrouble(float $sideM, float $sdM): float
    {
        return ($this->leftAt === -INF ? 0.0 : Normal::cdf(($this->leftAt - $sideM) / $sdM))
            + ($this->rightAt === INF ? 0.0 : Normal::cdf(($sideM - $this->rightAt) / $sdM));
    }

    /** @return array{float, float} shares that end left and right of the corridor */
    public function beside(float $sideM, float $sdM): array
    {
        return [Normal::cdf((-$this->halfM - $sideM) / $sdM), 1 - Normal::cdf(($this->halfM - $sideM) / $sdM)];
    }

    /**
     * @return array{float, float, float, float} strokes to come from the corridor, beside it, and the trouble on the left and on
     *   the right
     */
    private function prices(float $totalM): array
    {
        $left = max(20.0, $this->brief->holeLengthM - $totalM);
        $low = (int) floor($left);
        $a = $this->prices[$low] ?? $this->priceAt($low);
        $b = $this->prices[$low + 1] ?? $this->priceAt($low + 1);
        $t = $left - $low;

        return [$a[0] + $t * ($b[0] - $a[0]), $a[1] + $t * ($b[1] - $a[1]), $a[2] + $t * ($b[2] - $a[2]), $a[3] + $t * ($b[3] - $a[3])];
    }

    /** @return array{float, float, float, float} */
    private function priceAt(int $m): array
    {
        return $this->prices[$m] = [
            $this->table->from('fairway', $m), $this->table->from('rough', $m),
            $this->table->afterTrouble($this->corridor->left, $m, $this->brief->holeLengthM),
            $this->table->afterTrouble($this->corridor->right, $m, $this->brief->holeLengthM),
        ];
    }

    /** @param  array{float, float, float, float}  $strokes */
    private function cost(float $meanM, float $sdM, array $strokes): float
    {
        $in = Normal::cdf(($this->halfM - $meanM) / $sdM) - Normal::cdf((-$this->halfM - $meanM) / $sdM);
        $left = $this->leftAt === -INF ? 0.0 : Normal::cdf(($this->leftAt - $meanM) / $sdM);
        $right = $this->rightAt === INF ? 0.0 : Normal::cdf(($meanM - $this->rightAt) / $sdM);

        return 1 + $in * $strokes[0] + $left * $strokes[2] + $right * $strokes[3] + max(0.0, 1 - $in - $left - $right) * $strokes[1];
    }
}
