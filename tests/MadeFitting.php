<?php

declare(strict_types=1);

namespace Tests;

use MintCarry\Core\Record\FittingFile;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Statistics\Normal;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * A fitting as a fitter would tell it: who plays, what they want, and the mean ball of each setup with the usual scatter of a steady
 * player. Everything is said right-handed and mirrored for a left-hander.
 */
final class MadeFitting
{
    private const MPS_PER_MPH = 0.44704;

    /** Scatter from shot to shot: m/s, °, rpm, °, °. */
    private const SCATTER = [0.9, 1.2, 220.0, 1.3, 3.5];

    /** @var list<array<string, mixed>> */
    private array $setups = [];

    /** @var list<array<string, mixed>> */
    private array $shots = [];

    /** @var list<array<string, mixed>> */
    private array $heads = [];

    private readonly Randomizer $random;

    /** @param  array<string, mixed>  $brief  sides as a right-hander's */
    private function __construct(private readonly string $hand, private readonly array $brief, int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    /** @param  array<string, mixed>  $brief  sides as a right-hander's */
    public static function of(string $hand, array $brief = [], int $seed = 1): self
    {
        return new self($hand, $brief, $seed);
    }

    /** A head on the rack with a sleeve that turns a degree and a half either way, and front and back weights. */
    public function head(string $label, float $loftDeg, float $price = 540.0, bool $inStock = true): self
    {
        $slot = static fn (string $name, float $back): array => [
            'name' => $name, 'toeMm' => 0, 'backMm' => $back, 'upMm' => -14, 'fromG' => 2, 'toG' => 14, 'mayBeEmpty' => true,
        ];
        $this->heads[] = [
            'label' => $label, 'maker' => 'Shoreline Works', 'hand' => $this->hand, 'type' => 'middle', 'sleeve' => 'Saltbox',
            'statedLoftDeg' => $loftDeg, 'statedLieDeg' => 58.0, 'statedFaceOpenDeg' => 0.0, 'volumeCm3' => 460.0, 'massG' => 203.0,
            'slots' => [$slot('front', 18), $slot('back', 104)], 'stockG' => [12], 'standard' => ['back' => 12],
            'supply' => ['price' => $price, 'currency' => 'EUR', 'inStock' => $inStock, 'hands' => ['right', 'left']],
            'readings' => [['values' => ['loftDeg' => [$loftDeg]], 'position' => 'N', 'readAs' => 'soled', 'way' => 'hand', 'source' => 'measured',
                'at' => '2026-11-27T07:18:20+00:00']],
        ];

        return $this;
    }

    /**
     * A setup and its shots.
     *
     * @param  array{float, float, float, float, float}  $ball  mph, launch °, spin rpm, start ° (+ right), axis ° (+ right)
     * @param  array<string, mixed>  $more  sleeve, masses, clubMph, scatter (a factor), toeMm, intent
     */
    public function hit(string $tag, string $head, int $n, array $ball, array $more = []): self
    {
        $masses = $more['masses'] ?? ['back' => 12];
        $known = array_column($this->setups, 'tag');
        if (! in_array($tag, $known, true)) {
            $loft = array_column($this->heads, 'statedLoftDeg', 'label')[$head];
            $this->setups[] = [
                'tag' => $tag, 'head' => $head, 'statedLoftDeg' => $loft, 'sleeveLabel' => $more['sleeve'] ?? 'N',
                'weights' => isset($masses['front']) ? '12 g front' : '12 g back', 'masses' => $masses, 'onRack' => true,
                'shaft' => 'Saltmarsh 65', 'ball' => 'Mallow Four',
            ];
        }
        $sign = $this->hand === 'left' ? -1 : 1;
        $mean = [$ball[0] * self::MPS_PER_MPH, $ball[1], $ball[2], $ball[3], $ball[4]];
        $off = [];
        foreach (self::SCATTER as $k => $sd) {
            $z = $n === 0 ? [] : array_map(fn (): float => Normal::draw($this->random), range(1, $n));
            $middle = array_sum($z) / max(1, $n);
            // The mean is what the fitter tells; each ball lies about it.
            $off[$k] = array_map(static fn (float $v): float => ($more['scatter'] ?? 1.0) * $sd * ($v - $middle), $z);
        }
        for ($i = 0; $i < $n; $i++) {
            $values = [
                'ballSpeedMps' => $mean[0] + $off[0][$i], 'launchDeg' => $mean[1] + $off[1][$i], 'spinRpm' => max(400.0, $mean[2] + $off[2][$i]),
                'directionDeg' => $sign * ($mean[3] + $off[3][$i]), 'spinAxisDeg' => $sign * ($mean[4] + $off[4][$i]),
            ];
            if (isset($more['clubMph'])) {
                $values['clubSpeedMps'] = $more['clubMph'] * self::MPS_PER_MPH + 0.5 * $off[0][$i];
            }
            if (isset($more['toeMm'])) {
                $values['strikeToeMm'] = $more['toeMm'] + 3 * $off[3][$i];
                $values['strikeHighMm'] = 3 * $off[1][$i];
            }
            $this->shots[] = [
                'setup' => $tag, 'sequence' => count($this->shots) + 1, 'measured' => $values, 'intent' => $more['intent'] ?? 'normal',
            ];
        }

        return $this;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $side = fn (string $s): string => $this->hand === 'left' ? ['left' => 'right', 'right' => 'left'][$s] ?? $s : $s;
        $brief = $this->brief;
        if (isset($brief['never'])) {
            $brief['never'] = array_map($side, $brief['never']);
        }
        if (isset($brief['corridor']) && $this->hand === 'left') {
            $sides = array_filter(['left' => $brief['corridor']['right'] ?? null, 'right' => $brief['corridor']['left'] ?? null]);
            $brief['corridor'] = $sides + array_diff_key($brief['corridor'], ['left' => 1, 'right' => 1]);
        }

        return [
            'format' => 'mint-carry-fitting/1', 'seed' => 1, 'exportedAt' => '2026-12-01T09:00:00+00:00',
            'player' => [
                'name' => 'A player', 'hand' => $this->hand, 'units' => ['speed' => 'mph', 'distance' => 'yd', 'height' => 'ft', 'length' => 'in'],
            ],
            'brief' => $brief + ['handicap' => 12.0, 'habit' => 'squared', 'ball' => 'Mallow Four'],
            'screening' => 'flagged', 'benchmark' => $this->setups[0]['tag'],
            'rack' => [
                'format' => 'mint-carry-rack/1', 'heads' => $this->heads, 'parts' => [],
                'sleeves' => [[
                    'name' => 'Saltbox', 'kind' => 'card', 'home' => 'N', 'printedFor' => 'squared',
                    'positions' => [
                        ['label' => 'N', 'loftDeg' => 0, 'faceOpenDeg' => 0], ['label' => '+1.5', 'loftDeg' => 1.5, 'faceOpenDeg' => -2.4],
                        ['label' => '-1.5', 'loftDeg' => -1.5, 'faceOpenDeg' => 2.4],
                    ],
                ]],
            ],
            'setups' => $this->setups, 'shots' => $this->shots,
        ];
    }

    public function record(): FittingRecord
    {
        return FittingFile::read($this->toArray());
    }
}
