<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Setup;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use MintCarry\Core\Club\AddressHabit;

/** @mixin Setup */
final class SetupResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        /** @var Setup $setup */
        $setup = $this->resource;
        $squared = $setup->playing(AddressHabit::Squared);
        $soled = $setup->playing(AddressHabit::Soled);

        return [
            'id' => $setup->id,
            'tag' => $setup->tag,
            'position' => $setup->position,
            'isBaseline' => $setup->is_baseline,
            'branchedFromId' => $setup->branched_from_id,
            'head' => $setup->head,
            'statedLoftDeg' => $setup->stated_loft_deg,
            'measuredLoftDeg' => $setup->measured_loft_deg,
            'measuredLieDeg' => $setup->measured_lie_deg,
            'measuredFaceOpenDeg' => $setup->measured_face_open_deg,
            'sleeveLabel' => $setup->sleeve_label,
            'sleeveLoftDeg' => $setup->sleeve_loft_deg,
            'sleeveFaceOpenDeg' => $setup->sleeve_face_open_deg,
            'sleeveLieDeg' => $setup->sleeve_lie_deg,
            'weights' => $setup->weights,
            'shaft' => $setup->shaft,
            'lengthMm' => $setup->length_mm,
            'ball' => $setup->ball,
            'note' => $setup->note,
            'playing' => [
                'squared' => ['loftDeg' => $squared->loftDeg, 'faceOpenDeg' => $squared->faceOpenDeg, 'lieDeg' => $squared->lieDeg],
                'soled' => ['loftDeg' => $soled->loftDeg, 'faceOpenDeg' => $soled->faceOpenDeg, 'lieDeg' => $soled->lieDeg],
                'lieAssumed' => $setup->measured_lie_deg === null,
                'loftFromPrint' => $setup->measured_loft_deg === null,
            ],
            'shots' => $setup->shots_count ?? 0,
            'counted' => $setup->counted_count ?? 0,
        ];
    }
}
