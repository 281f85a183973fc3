<?php

declare(strict_types=1);

namespace App\Contract\Shapes;

use App\Contract\Shape;

/** Shots, and how a file of them is read. Lengths m, speeds m/s, angles °; direction and side + = right. */
#[Shape('Shot', [
    'id' => 'integer',
    'setupId' => 'integer',
    'trialId' => 'integer | null',
    'sequence' => 'integer',
    'line' => 'integer | null',
    'source' => 'string',
    'measured' => 'Record<string, number>',
    'computed' => 'Record<string, number>',
    'inWind' => 'Record<string, number>',
    'typed' => 'Record<string, unknown>',
    'flags' => 'string[]',
    'hitAt' => 'string | null',
    'note' => 'string | null',
    'intent' => 'string',
    'leftOut' => '{ reason: string; note: string | null; at: string } | null',
])]
#[Shape('Column', [
    'measure' => 'string | null',
    'unit' => 'string | null',
    'decimalMark' => 'string',
    'plus' => 'string | null',
    'zeroIsBlank' => 'boolean',
])]
#[Shape('ColumnMap', [
    'headerRow' => 'integer | null',
    'unitsRow' => 'integer | null',
    'columns' => 'Column[]',
    'keepSummaryRows' => 'boolean',
    'keepRepeats' => 'boolean',
])]
#[Shape('PreviewRow', [
    'line' => 'integer',
    'kind' => 'string',
    'values' => 'Record<string, number>',
    'typed' => 'Record<string, string>',
    'setupTag' => 'string | null',
    'issues' => '{ field: string; refused: boolean; message: string }[]',
])]
#[Shape('Preview', [
    'id' => 'integer',
    'name' => 'string',
    'state' => 'string',
    'encoding' => 'string',
    'delimiter' => 'string',
    'remembered' => 'boolean',
    'problem' => 'string | null',
    'map' => 'ColumnMap',
    'lines' => '{ line: integer; text: string }[]',
    'columns' => '{ header: string; samples: string[]; unitWhy: string }[]',
    'counts' => '{ shot: integer; bad: integer; summary: integer; header: integer; repeat: integer; already: integer }',
    'earlier' => '{ shots: integer; at: string } | null',
    'shots' => 'PreviewRow[]',
    'problems' => 'PreviewRow[]',
    'problemCount' => 'integer',
    'tags' => '{ tag: string; shots: integer; setupId: integer | null; make: boolean }[] | null',
])]
final class ShotShapes
{
}
