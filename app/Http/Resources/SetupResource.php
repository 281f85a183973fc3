<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Setup;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use MintCarry\Core\Club\EquipmentRules;
use MintCarry\Core\Club\SwingWeight;

/** @mixin Setup */
final class SetupResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        /** @var Setup $setup */
        $setup = $this->resource;
        $record = $setup->record(false);
        $present = function (float $squaringShare) use ($record): array {
            $g = $record->playing($squaringShare);

            return ['loftDeg' => $g->loftDeg, 'faceOpenDeg' => $g->faceOpenDeg, 'lieDeg' => $g->lieDeg];
        };
        $body = $record->body();
        $computed = $setup->swingWeight();
        $points = $setup->swing_weight_points ?? $computed?->points();

        return [
            'id' => $setup->id, 'tag' => $setup->tag, 'position' => $setup->position, 'isBaseline' => $setup->is_baseline,
            'branchedFromId' => $setup->branched_from_id, 'head' => $setup->head, 'statedLoftDeg' => $setup->stated_loft_deg,
            'measuredLoftDeg' => $setup->measured_loft_deg, 'measuredLieDeg' => $setup->measured_lie_deg,
            'measuredFaceOpenDeg' => $setup->measured_face_open_deg, 'sleeveLabel' => $setup->sleeve_label,
            'sleeveLoftDeg' => $setup->sleeve_loft_deg, 'sleeveFaceOpenDeg' => $setup->sleeve_face_open_deg,
            'sleeveLieDeg' => $setup->sleeve_lie_deg, 'weights' => $setup->weights, 'shaft' => $setup->shaft, 'grip' => $record->grip,
            'lengthMm' => $setup->length_mm, 'ball' => $setup->ball, 'note' => $setup->note, 'headId' => $setup->head_id,
            'asItComes' => $setup->isAsItComes(), 'masses' => $setup->masses === null ? null : (object) $setup->masses,
            'shaftId' => $setup->shaft_id, 'gripId' => $setup->grip_id, 'ballId' => $setup->ball_id, 'teeMm' => $setup->tee_mm,
            'cue' => $setup->cue,
            'playing' => [
                'plays' => $present($setup->fitting->brief()->squaringShare()), 'squared' => $present(1.0), 'soled' => $present(0.0),
                'lieAssumed' => $setup->isLieAssumed(),
                'loftFromPrint' => $setup->isLoftFromPrint(), 'byStandIn' => $setup->isReadByStandIn(),
            ],
            'loftOffDeg' => $setup->loftOffDeg(),
            'body' => $body === null
                    ? null
                    : [
                        'massG' => $body->massG, 'cgToeMm' => $body->cgToeMm, 'cgBackMm' => $body->cgBackMm,
                        'cgUpMm' => $body->cgUpMm, 'assumed' => $setup->rackHead?->assumed() ?? [],
                    ],
            'swingWeight' => $points === null
                    ? null
                    : [
                        'label' => SwingWeight::labelOf($points), 'points' => $points,
                        'measured' => $setup->swing_weight_points !== null,
                        'source' => $setup->swing_weight_points === null ? 'computed' : $setup->swing_weight_source,
                    ],
            'warnings' => $body === null ? [] : EquipmentRules::warnings($body, $setup->rackHead?->volume_cm3, $setup->length_mm),
            'lengthPlan' => $setup->length_plan,
            'shelf' => $setup->shelf ?? '', 'shelfReason' => $setup->shelf_reason ?? '', 'starred' => $setup->starred,
            'shots' => $setup->shots_count ?? 0, 'counted' => $setup->counted_count ?? 0,
            'simulated' => $setup->simulated_count ?? 0,
        ];
    }
}
