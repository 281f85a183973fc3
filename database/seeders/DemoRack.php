<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\Part;
use App\Models\RackHead;
use App\Models\Reading;
use App\Models\SimulatedHead;
use App\Models\Sleeve;
use App\Models\Studio;
use App\Models\User;

/** The made-up rack of the demo studio: three kinds of sleeve, heads of both hands with readings, shafts, grips and balls. */
final readonly class DemoRack
{
    /** @var array<string, Sleeve> */
    private array $sleeves;

    public function __construct(private Studio $studio, private User $fitter)
    {
        $turned = ['UP', 'U+', '+', 'F+', 'FL', 'F−', '−', 'U−'];
        $this->sleeves = [
            'Weathercock' => $this->sleeve([
                'name' => 'Weathercock', 'kind' => 'single', 'tiltDeg' => 1.0, 'home' => 'FL', 'printedFor' => 'squared',
                'positions' => array_map(fn (int $i): array => ['label' => $turned[$i], 'clockDeg' => 45 * $i], range(0, 7)),
            ]),
            'Tidewheel' => $this->sleeve([
                'name' => 'Tidewheel', 'kind' => 'rings', 'ringTiltsDeg' => [0.6, 0.6], 'home' => 'N', 'printedFor' => 'squared',
                'positions' => [
                    ['label' => 'N', 'clocksDeg' => [90, 270], 'loftDeg' => 0],
                    ['label' => '+1.4', 'clocksDeg' => [90, 90], 'loftDeg' => 1.4],
                    ['label' => '−1.4', 'clocksDeg' => [270, 270], 'loftDeg' => -1.4],
                    ['label' => '+0.7 U', 'clocksDeg' => [90, 0], 'loftDeg' => 0.7, 'lieDeg' => 0.6],
                    ['label' => '−0.7 U', 'clocksDeg' => [0, 270], 'loftDeg' => -0.7, 'lieDeg' => 0.6],
                    ['label' => 'N UP', 'clocksDeg' => [0, 0], 'loftDeg' => 0, 'lieDeg' => 1.2],
                ],
            ]),
            'Saltbox' => $this->sleeve([
                'name' => 'Saltbox', 'kind' => 'card', 'home' => 'N', 'printedFor' => 'squared',
                'positions' => [
                    ['label' => 'N', 'loftDeg' => 0, 'faceOpenDeg' => 0, 'lieDeg' => 0],
                    ['label' => '+0.75', 'loftDeg' => 0.75, 'faceOpenDeg' => -1.2],
                    ['label' => '−0.75', 'loftDeg' => -0.75, 'faceOpenDeg' => 1.2],
                    ['label' => '+1.5', 'loftDeg' => 1.5, 'faceOpenDeg' => -2.4],
                    ['label' => '−1.5', 'loftDeg' => -1.5, 'faceOpenDeg' => 2.4],
                    ['label' => 'N up', 'loftDeg' => 0, 'lieDeg' => 1.5],
                ],
            ]),
        ];
        $this->parts();
    }

    /** @return array<string, RackHead> by a short name */
    public function heads(): array
    {
        $corners = [
            ['name' => 'front', 'toeMm' => 0, 'backMm' => 18, 'upMm' => -16, 'fromG' => 2, 'toG' => 14, 'mayBeEmpty' => true],
            ['name' => 'back', 'toeMm' => 0, 'backMm' => 104, 'upMm' => -12, 'fromG' => 2, 'toG' => 20, 'mayBeEmpty' => true],
            ['name' => 'heel', 'toeMm' => -38, 'backMm' => 66, 'upMm' => -14, 'fromG' => 2, 'toG' => 14, 'mayBeEmpty' => true],
            ['name' => 'toe', 'toeMm' => 40, 'backMm' => 66, 'upMm' => -14, 'fromG' => 2, 'toG' => 14, 'mayBeEmpty' => true],
        ];
        $pair = [
            ['name' => 'heel', 'toeMm' => -36, 'backMm' => 74, 'upMm' => -13, 'fromG' => 2, 'toG' => 12, 'mayBeEmpty' => false],
            ['name' => 'toe', 'toeMm' => 38, 'backMm' => 74, 'upMm' => -13, 'fromG' => 2, 'toG' => 12, 'mayBeEmpty' => false],
        ];
        $line = [
            ['name' => 'front', 'toeMm' => 0, 'backMm' => 16, 'upMm' => -17, 'fromG' => 4, 'toG' => 12, 'mayBeEmpty' => false],
            ['name' => 'back', 'toeMm' => 0, 'backMm' => 92, 'upMm' => -14, 'fromG' => 4, 'toG' => 12, 'mayBeEmpty' => false],
        ];
        $tern = [
            'type' => 'forgiving', 'volume_cm3' => 460, 'mass_g' => 203, 'slots' => $corners, 'stock_g' => [12, 4, 4, 8],
            'standard' => ['back' => 12.0],
            'supply' => [
                'price' => 540, 'currency' => 'EUR', 'leadDays' => 12, 'lofts' => [9, 10.5, 12], 'hands' => ['right', 'left'],
                'inStock' => true,
            ],
        ];
        $plover = [
            'type' => 'middle', 'volume_cm3' => 445, 'mass_g' => 201.5, 'slots' => $pair, 'stock_g' => [6, 6, 10, 2],
            'standard' => ['heel' => 6.0, 'toe' => 6.0],
            'supply' => [
                'price' => 430, 'currency' => 'EUR', 'leadDays' => 5, 'lofts' => [9.5, 10.5], 'hands' => ['right', 'left'],
                'inStock' => true,
            ],
        ];
        $curlew = [
            'type' => 'low-spin', 'volume_cm3' => 440, 'mass_g' => 200, 'slots' => $line, 'stock_g' => [10, 4, 7, 7],
            'standard' => ['front' => 10.0, 'back' => 4.0],
            'supply' => [
                'price' => 590, 'currency' => 'EUR', 'leadDays' => 21, 'lofts' => [8, 9, 10], 'hands' => ['right'],
                'inStock' => true,
            ],
        ];

        return [
            'plover right' => $this->head('Plover 445', 'right', 'Weathercock', 9.5, $plover, [9.1, 9.0, 9.2], 58.4, 0.3),
            'plover left' => $this->head('Plover 445', 'left', 'Weathercock', 10.5, $plover, [9.8, 9.7, 9.9], 58.6, 0.4),
            'tern right' => $this->head('Tern 460', 'right', 'Saltbox', 9.0, $tern, [8.9, 9.0, 8.8], 58.5, 0.4),
            'tern left' => $this->head('Tern 460', 'left', 'Saltbox', 10.5, $tern, [11.2, 11.3, 11.1], 58.5, 0.4),
            'curlew right' => $this->head('Curlew L', 'right', 'Tidewheel', 9.0, $curlew, [10.1, 10.2, 10.0], 57.8, 0.8),
            'dunlin right' => $this->head(
                'Dunlin 12', 'right', 'Saltbox', 12.0,
                [
                    'type' => 'forgiving', 'volume_cm3' => 460, 'slots' => [], 'stock_g' => [], 'standard' => [],
                    'supply' => [
                        'price' => 380, 'currency' => 'EUR', 'leadDays' => 30, 'lofts' => [12], 'hands' => ['right'],
                        'inStock' => false,
                    ],
                ] + $tern,
                [], null, null,
            ),
        ];
    }

    /** @param  array<string, mixed>  $spec */
    private function sleeve(array $spec): Sleeve
    {
        return Sleeve::query()->create(['studio_id' => $this->studio->id, 'name' => $spec['name'], 'spec' => $spec]);
    }

    /**
     * @param  array<string, mixed>  $columns
     * @param  list<float>  $lofts  as read; empty = never on the gauge
     */
    private function head(
        string $label, string $hand, string $sleeve, float $stated, array $columns, array $lofts, ?float $lie, ?float $face,
    ): RackHead {
        $head = RackHead::query()->create(
            $columns + [
                'studio_id' => $this->studio->id, 'label' => $label, 'maker' => 'Shoreline Works', 'hand' => $hand,
                'sleeve_id' => $this->sleeves[$sleeve]->id, 'stated_loft_deg' => $stated, 'stated_lie_deg' => 58,
                'stated_face_open_deg' => 0,
            ],
        );
        if ($lofts !== []) {
            SimulatedHead::query()->create([
                'head_id' => $head->id,
                'truth' => [
                    'loftDeg' => array_sum($lofts) / count($lofts) + 0.05, 'lieDeg' => $lie - 0.1, 'faceOpenDeg' => $face + 0.1,
                    'massG' => ($head->mass_g ?? 200) + 0.6,
                ],
            ]);
            Reading::query()->create([
                'studio_id' => $this->studio->id, 'head_id' => $head->id,
                'values' => ['loftDeg' => $lofts, 'lieDeg' => [$lie], 'faceOpenDeg' => [$face]],
                'position' => $head->system()->home, 'read_as' => 'soled', 'way' => 'hand', 'source' => 'simulated', 'typed' => [],
                'read_by' => $this->fitter->id,
            ]);
        }

        return $head->refresh();
    }

    private function parts(): void
    {
        $add = fn (string $kind, string $label, array $data, ?float $price = null, bool $stock = true) => Part::query()->create([
            'studio_id' => $this->studio->id, 'kind' => $kind, 'label' => $label, 'data' => $data,
            'supply' => array_filter(
                ['price' => $price, 'currency' => $price === null ? null : 'EUR', 'inStock' => $stock], fn ($v) => $v !== null,
            ),
        ]);
        $add(
            'shaft', 'Reedline 50 A',
            ['rawMassG' => 54, 'cutMassG' => 51, 'balanceFromButtMm' => 545, 'lengthMm' => 1168, 'torqueDeg' => 5.4, 'flex' => 'A', 'tip' => 'soft', 'launch' => 'high'],
            120,
        );
        $add(
            'shaft', 'Reedline 55 R',
            ['rawMassG' => 58, 'cutMassG' => 55, 'balanceFromButtMm' => 548, 'lengthMm' => 1168, 'torqueDeg' => 4.9, 'flex' => 'R', 'tip' => 'middle', 'launch' => 'middle to high'],
            120,
        );
        $add(
            'shaft', 'Saltmarsh 65 X',
            ['rawMassG' => 68, 'cutMassG' => 65, 'balanceFromButtMm' => 556, 'lengthMm' => 1168, 'torqueDeg' => 3.4, 'flex' => 'X', 'tip' => 'stiff', 'launch' => 'low'],
            280,
        );
        $add(
            'shaft', 'Saltmarsh 60 S',
            ['rawMassG' => 64, 'cutMassG' => 61, 'balanceFromButtMm' => 554, 'lengthMm' => 1168, 'torqueDeg' => 3.8, 'flex' => 'S', 'tip' => 'middle', 'launch' => 'middle'],
            260, false,
        );
        $add('grip', 'Tallow round', ['massG' => 50, 'size' => 'standard']);
        $add('grip', 'Tallow midsize', ['massG' => 58, 'size' => 'midsize']);
        $add('ball', 'Mallow Four', ['build' => 'four layers, soft cover'], 48);
        $add('ball', 'Mallow Two', ['build' => 'two layers'], 24);
    }
}
