<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Part;
use App\Models\RackHead;
use App\Models\Setup;
use MintCarry\Core\Club\Weights;
use MintCarry\Core\Errors\InvalidInput;

/**
 * Fills a setup from what was chosen on the rack, and refuses what cannot be built. The setup keeps what the rack said of head
 * and sleeve on that day, so that a later change of the rack does not change what was hit; only gauge readings flow on.
 */
final class BuildSetup
{
    /** @param  array<string, mixed>  $columns  as `SetupRequest::columns` gives them */
    public function __invoke(Setup $setup, array $columns): Setup
    {
        $setup->fill($columns);
        foreach (['shaft' => 'shaft_id', 'ball' => 'ball_id'] as $text => $id) {
            if ($setup->getAttribute($id) !== null) {
                $setup->setAttribute($text, Part::query()->whereKey($setup->getAttribute($id))->firstOrFail()->label);
            }
        }
        $setup->unsetRelations();
        if ($setup->head_id !== null) {
            $head = RackHead::query()->with(['sleeve', 'readings'])->findOrFail($setup->head_id);
            $setup->setRelation('rackHead', $head);
            $system = $head->system();
            $masses = $setup->masses ?? $head->standard;
            ksort($masses);
            Weights::requireLegal($head->weightSlots(), $head->stock_g, $masses);
            $setup->fill([
                'head' => $head->label,
                'stated_loft_deg' => $head->stated_loft_deg,
                'sleeve_label' => $setup->sleeve_label === '' ? $system->home : $system->position($setup->sleeve_label)->label,
                'masses' => $masses,
                'weights' => self::say($head, $masses),
                'rack_snapshot' => $head->snapshot(),
                'measured_loft_deg' => null, 'measured_lie_deg' => null, 'measured_face_open_deg' => null,
                'sleeve_loft_deg' => null, 'sleeve_face_open_deg' => null, 'sleeve_lie_deg' => null,
            ]);
        }
        // Refuses what geometry, a rigid body or a balance cannot hold, before it is kept.
        $setup->playing(1.0);
        $setup->swingWeight();

        return $setup;
    }

    /** @param  array<string, float>  $masses  "12 g back, 4 g toe", in the order of the slots */
    private static function say(RackHead $head, array $masses): string
    {
        $text = $head->racked()->sayWeights($masses);

        return mb_strlen($text) <= 120 ? $text : throw InvalidInput::of('masses', 'The weights of this setup are too many to write down.');
    }
}
