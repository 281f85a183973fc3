<?php

declare(strict_types=1);

namespace App\Contract\Shapes;

use App\Contract\Shape;

/** Heads, sleeves, weights and parts. Lengths m, speeds m/s, angles °; direction and side + = right. */
#[
    Shape('Supply', [
        'price?' => 'number | null', 'currency?' => 'string | null', 'leadDays?' => 'number | null', 'lofts?' => 'number[]',
        'hands?' => 'Hand[]', 'inStock?' => 'boolean',
    ]),
]
#[
    Shape('Slot', [
        'name' => 'string', 'toeMm' => 'number', 'backMm' => 'number', 'upMm' => 'number', 'fromG?' => 'number', 'toG?' => 'number',
        'mayBeEmpty?' => 'boolean',
    ]),
]
#[
    Shape('PlanePoint', [
        'label' => 'string', 'loftDeg' => 'number', 'faceOpenDeg' => 'number', 'lieDeg' => 'number',
    ]),
]
#[
    Shape('Plane', [
        'home' => 'string', 'squaringShare' => 'number', 'soled' => 'PlanePoint[]', 'squared' => 'PlanePoint[]',
        'mixed' => 'PlanePoint[]',
    ]),
]
#[
    Shape('InForce', [
        'value' => 'number', 'n' => 'integer', 'spread' => 'number', 'position' => 'string', 'readAs' => 'string',
        'source' => 'string',
    ]),
]
#[
    Shape('RackHead', [
        'id' => 'integer', 'label' => 'string', 'maker' => 'string', 'hand' => 'Hand', 'type' => 'string',
        'sleeveId' => 'integer | null', 'sleeveName' => 'string', 'positions' => 'string[]', 'statedLoftDeg' => 'number',
        'statedLieDeg' => 'number', 'statedFaceOpenDeg' => 'number', 'volumeCm3' => 'number | null', 'massG' => 'number | null',
        'cgToeMm' => 'number | null', 'cgBackMm' => 'number | null', 'cgUpMm' => 'number | null', 'bulgeMm' => 'number | null',
        'rollMm' => 'number | null', 'inertiaGcm2' => 'number[][] | null', 'slots' => 'Slot[]', 'stockG' => 'number[]',
        'standard' => 'Record<string, number>', 'supply' => 'Supply', 'note' => 'string', 'assumed' => 'string[]',
        'measured' => 'Record<string, InForce>', 'loftOffDeg' => 'number | null', 'loftOffWarn' => 'boolean',
        'home' => 'PlanePoint | null',
        'body' => '{ massG: number; cgToeMm: number; cgBackMm: number; cgUpMm: number; inertiaGcm2: number[][] }',
        'warnings' => 'string[]',
    ]),
]
#[
    Shape(
        'HeadDetail',
        [
            'plane' => 'Plane',
            'memory' => '{ players: integer; fittings: integer; elsewhere: boolean; effects: { effect: string; mean: number; low: number; high: number; '
                .'moved: boolean }[] } | null',
            'faceMap' => '{ toeMm: number; highMm: number; loftDeg: number; faceOpenDeg: number; ballSpeedShare: number }[]',
            'history' => '{ id: integer; values: Record<string, number[]>; position: string; readAs: string; way: string; source: '
                .'string; note: string; by: string; at: string; inForce: string[] }[]',
        ],
        of: 'RackHead',
    ),
]
#[
    Shape('SleeveSpec', [
        'name' => 'string', 'kind' => 'string', 'home?' => 'string', 'printedFor?' => 'string', 'tiltDeg?' => 'number | string',
        'ringTiltsDeg?' => '(number | string)[]',
        'positions' => '{ label: string; clockDeg?: number | string; clocksDeg?: (number | string)[]; loftDeg?: number | string; '
            .'faceOpenDeg?: number | string; lieDeg?: number | string }[]',
    ]),
]
#[
    Shape('SleeveCheck', [
        'check' => '{ label: string; loftDeg: number; faceOpenDeg: number; lieDeg: number; missDeg: number; agrees: boolean }[]',
        'plane' => 'Plane',
    ]),
]
#[
    Shape(
        'Sleeve',
        [
            'id' => 'integer', 'name' => 'string', 'spec' => 'SleeveSpec', 'heads' => 'integer',
        ],
        of: 'SleeveCheck',
    ),
]
#[
    Shape('Part', [
        'id' => 'integer', 'kind' => "'shaft' | 'grip' | 'ball'", 'label' => 'string', 'data' => 'Record<string, number | string>',
        'supply' => 'Supply',
    ]),
]
#[
    Shape('Rack', [
        'heads' => 'RackHead[]', 'sleeves' => 'Sleeve[]', 'parts' => 'Part[]',
    ]),
]
#[
    Shape('Weighed', [
        'illegal' => 'string | null', 'massG' => 'number', 'cg' => '{ toeMm: number; backMm: number; upMm: number }',
        'inertiaGcm2' => 'number[][]', 'swingWeight' => 'string', 'swingWeightPoints' => 'number',
        'fromStandard' => '{ massG: number; toeMm: number; backMm: number; upMm: number }',
        'delivered' => '{ loftDeg: [number, number, number]; openDeg: [number, number, number] }',
    ]),
]
#[
    Shape('TypedSlot', [
        'name' => 'string', 'toeMm' => 'number | string', 'backMm' => 'number | string', 'upMm' => 'number | string',
        'fromG?' => 'number | string | null', 'toG?' => 'number | string | null', 'mayBeEmpty?' => 'boolean',
    ]),
]
#[
    Shape(
        'TypedSupply',
        [
            'price?' => 'number | string | null', 'currency?' => 'string | null', 'leadDays?' => 'number | string | null',
            'lofts?' => '(number | string)[]', 'hands?' => 'Hand[]', 'inStock?' => 'boolean',
        ],
        about: 'How it can be had. A price needs its currency.',
    ),
]
final class RackShapes
{
}
