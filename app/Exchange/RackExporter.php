<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Models\Part;
use App\Models\RackHead;
use App\Models\Reading;
use App\Models\Sleeve;
use App\Models\Studio;

/** A studio's rack as a file: JSON with everything (docs/schemas/rack.schema.json), or CSV with what fits into a table. */
final readonly class RackExporter
{
    public const FORMAT = 'mint-carry-rack/1';

    /** CSV columns, and where they stand in an item. */
    public const CSV = [
        'kind' => 'kind', 'label' => 'label', 'maker' => 'maker', 'hand' => 'hand', 'type' => 'type', 'sleeve' => 'sleeve',
        'statedLoftDeg' => 'statedLoftDeg', 'statedLieDeg' => 'statedLieDeg', 'statedFaceOpenDeg' => 'statedFaceOpenDeg',
        'volumeCm3' => 'volumeCm3', 'massG' => 'massG', 'flex' => 'data.flex', 'rawMassG' => 'data.rawMassG',
        'cutMassG' => 'data.cutMassG', 'balanceFromButtMm' => 'data.balanceFromButtMm', 'lengthMm' => 'data.lengthMm',
        'torqueDeg' => 'data.torqueDeg', 'size' => 'data.size', 'build' => 'data.build', 'price' => 'supply.price',
        'currency' => 'supply.currency', 'leadDays' => 'supply.leadDays', 'lofts' => 'supply.lofts', 'hands' => 'supply.hands',
        'inStock' => 'supply.inStock', 'note' => 'note', 'tip' => 'data.tip', 'launch' => 'data.launch',
    ];

    public function __construct(private Studio $studio)
    {
    }

    /** @return array<string, mixed> */
    public function export(): array
    {
        $mine = fn (string $model) => $model::query()->where('studio_id', $this->studio->id)->whereNull('retired_at');
        $heads = $mine(RackHead::class)->with(['sleeve', 'readings'])->orderBy('label')->orderBy('id')->get();
        $parts = $mine(Part::class)->orderBy('kind')->orderBy('label')->orderBy('id')->get();

        return [
            'format' => self::FORMAT,
            'madeBy' => 'Mint Carry '.config('mintcarry.version'),
            'sleeves' => $mine(Sleeve::class)->orderBy('name')->get()->map(fn (Sleeve $s): array => $s->spec)->all(),
            'heads' => $heads->map(self::head(...))->all(),
            'parts' => $parts->map(self::part(...))->all(),
        ];
    }

    /** @return list<list<string>> header and rows; what has no column (slots, readings) is in the JSON only */
    public function table(): array
    {
        $all = $this->export();
        $items = [...array_map(fn (array $h): array => ['kind' => 'head'] + $h, $all['heads']), ...$all['parts']];
        $cell = fn (mixed $v): string => match (true) {
            is_bool($v) => $v ? 'yes' : 'no', is_array($v) => implode(' ', $v), default => (string) $v
        };
        $row = fn (array $item): array => array_map(
            fn (string $path): string => CsvCell::safe($cell(data_get($item, $path, ''))), array_values(self::CSV),
        );

        return [array_keys(self::CSV), ...array_values(array_map($row, $items))];
    }

    /** @return array<string, mixed> a head with its readings */
    public static function head(RackHead $h): array
    {
        return self::filled([
            'label' => $h->label, 'maker' => $h->maker, 'hand' => $h->hand->value, 'type' => $h->type,
            'sleeve' => $h->sleeve->name ?? null, 'statedLoftDeg' => $h->stated_loft_deg, 'statedLieDeg' => $h->stated_lie_deg,
            'statedFaceOpenDeg' => $h->stated_face_open_deg, 'volumeCm3' => $h->volume_cm3, 'massG' => $h->mass_g,
            'cgToeMm' => $h->cg_toe_mm, 'cgBackMm' => $h->cg_back_mm, 'cgUpMm' => $h->cg_up_mm, 'bulgeMm' => $h->bulge_mm,
            'rollMm' => $h->roll_mm, 'inertiaGcm2' => $h->inertia_gcm2, 'slots' => $h->slots, 'stockG' => $h->stock_g,
            'standard' => $h->standard, 'supply' => $h->supply, 'note' => $h->note,
            'readings' => $h->readings->map(self::reading(...))->all(),
        ]);
    }

    /** @return array<string, mixed> */
    private static function reading(Reading $r): array
    {
        return self::filled([
            'values' => $r->values, 'position' => $r->position, 'readAs' => $r->read_as->value, 'way' => $r->way, 'source' => $r->source,
            'note' => $r->note, 'at' => $r->created_at->toIso8601String(),
        ]);
    }

    /** @return array<string, mixed> */
    public static function part(Part $p): array
    {
        return self::filled(['kind' => $p->kind, 'label' => $p->label, 'data' => $p->data, 'supply' => $p->supply]);
    }

    /**
     * @param  array<string, mixed>  $item
     * @return array<string, mixed>
     */
    private static function filled(array $item): array
    {
        return array_filter($item, fn (mixed $v): bool => $v !== null && $v !== '' && $v !== []);
    }
}
