<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\RackHead;
use App\Models\Reading;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use MintCarry\Core\Club\EquipmentRules;
use MintCarry\Core\Club\HeadReadings;
use MintCarry\Core\Club\ReadingSet;
use MintCarry\Core\Impact\FaceMap;
use MintCarry\Core\Memory\StudioMemory;
use MintCarry\Core\Report\HeadMemory;

/** @mixin RackHead */
final class HeadResource extends JsonResource
{
    public function __construct(
        RackHead $head, private readonly bool $full = false, private readonly float $squaringShare = 0.5,
        private readonly ?StudioMemory $memory = null,
    ) {
        parent::__construct($head);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        /** @var RackHead $head */
        $head = $this->resource;
        $gauged = $head->gauged();
        $straight = $gauged->straight();
        $body = $head->body();
        $off = $gauged->loftOffDeg();
        $home = $gauged->sleeve->plane($straight, 0.0);
        $inForce = $head->readingsInForce();

        return [
            'id' => $head->id, 'label' => $head->label, 'maker' => $head->maker, 'hand' => $head->hand->value,
            'type' => $head->type, 'sleeveId' => $head->sleeve_id, 'sleeveName' => $head->sleeve->name ?? '',
            'positions' => array_keys($gauged->sleeve->positions), 'statedLoftDeg' => $head->stated_loft_deg,
            'statedLieDeg' => $head->stated_lie_deg, 'statedFaceOpenDeg' => $head->stated_face_open_deg,
            'volumeCm3' => $head->volume_cm3, 'massG' => $head->mass_g, 'cgToeMm' => $head->cg_toe_mm,
            'cgBackMm' => $head->cg_back_mm, 'cgUpMm' => $head->cg_up_mm, 'bulgeMm' => $head->bulge_mm, 'rollMm' => $head->roll_mm,
            'inertiaGcm2' => $head->inertia_gcm2, 'slots' => $head->slots, 'stockG' => $head->stock_g,
            'standard' => (object) $head->standard, 'supply' => (object) $head->supply, 'note' => $head->note,
            'assumed' => $head->assumed(), 'measured' => (object) self::inForce($head, $gauged), 'loftOffDeg' => $off,
            'loftOffWarn' => $off !== null && abs($off) > HeadReadings::WARN_BEYOND_DEG,
            'home' => $home === []
                    ? null
                    : array_values(array_filter($home, fn (array $p): bool => $p['label'] === $gauged->sleeve->home))[0] ?? $home[0],
            'body' => [
                'massG' => $body->massG, 'cgToeMm' => $body->cgToeMm, 'cgBackMm' => $body->cgBackMm, 'cgUpMm' => $body->cgUpMm,
                'inertiaGcm2' => $body->inertiaGcm2,
            ],
            'warnings' => EquipmentRules::warnings($body, $head->volume_cm3),
        ] +
            ($this->full
                ? [
                    'plane' => SleeveResource::plane($gauged->sleeve, $straight, $this->squaringShare),
                    'faceMap' => FaceMap::of($body),
                    'memory' => $this->memory === null ? null : HeadMemory::of($this->memory, $head->label, $head->hand),
                    'history' => $head->readings
                        ->reverse()->values()
                        ->map(
                            fn (Reading $r): array => [
                                'id' => $r->id, 'values' => $r->values, 'position' => $r->position, 'readAs' => $r->read_as->value,
                                'way' => $r->way, 'source' => $r->source, 'note' => $r->note, 'by' => $r->fitter->name,
                                'at' => $r->created_at->toIso8601String(),
                                'inForce' => array_values(
                                    array_filter(array_keys($r->values), fn (string $q): bool => ($inForce[$q] ?? null)?->id === $r->id),
                                ),
                            ],
                        )
                        ->all(),
                ]
                : []);
    }

    /** @return array<string, array{value: float, n: int, spread: float, position: string, readAs: string, source: string}> */
    private static function inForce(RackHead $head, HeadReadings $gauged): array
    {
        $out = [];
        $readings = $head->readingsInForce();
        foreach (array_keys(ReadingSet::QUANTITIES) as $quantity) {
            $set = $gauged->inForce($quantity);
            if ($set !== null) {
                $out[$quantity] = [
                    'value' => $set->mean($quantity), 'n' => count($set->values[$quantity]), 'spread' => $set->spread($quantity),
                    'position' => $set->position, 'readAs' => $set->readAs->value,
                    'source' => $readings[$quantity]->source ?? 'measured',
                ];
            }
        }

        return $out;
    }
}
