<?php

declare(strict_types=1);

namespace App\Exchange;

/** How columns are named in a fitting file (docs/schemas/fitting.schema.json), and what a text may hold. */
final class FittingFormat
{
    public const SETUP = [
        'tag' => 'tag', 'head' => 'head', 'stated_loft_deg' => 'statedLoftDeg', 'measured_loft_deg' => 'measuredLoftDeg',
        'measured_lie_deg' => 'measuredLieDeg', 'measured_face_open_deg' => 'measuredFaceOpenDeg', 'sleeve_label' => 'sleeveLabel',
        'sleeve_loft_deg' => 'sleeveLoftDeg', 'sleeve_face_open_deg' => 'sleeveFaceOpenDeg', 'sleeve_lie_deg' => 'sleeveLieDeg',
        'weights' => 'weights', 'masses' => 'masses', 'rack_snapshot' => 'asBuilt', 'shaft' => 'shaft', 'length_mm' => 'lengthMm',
        'ball' => 'ball', 'tee_mm' => 'teeMm', 'swing_weight_points' => 'swingWeightPoints',
        'swing_weight_source' => 'swingWeightSource', 'cue' => 'cue', 'note' => 'note', 'shelf' => 'shelf',
        'shelf_reason' => 'shelfReason', 'length_plan' => 'lengthPlan',
    ];

    public const SHOT = [
        'sequence' => 'sequence', 'measured' => 'measured', 'typed' => 'typed', 'flags' => 'flags', 'source' => 'source',
        'intent' => 'intent', 'hit_at' => 'hitAt', 'note' => 'note', 'left_out_reason' => 'leftOut',
        'left_out_note' => 'leftOutNote',
    ];

    /** Parts of the rack that a setup is built with. */
    public const PARTS = ['shaft' => 'shaftPart', 'grip' => 'gripPart', 'ball' => 'ballPart'];

    /** Texts that a column takes, and how many letters. */
    public const TEXTS = [
        'tag' => 3, 'head' => 80, 'sleeve_label' => 40, 'weights' => 120, 'shaft' => 80, 'ball' => 80, 'cue' => 80, 'note' => 500,
        'shelf_reason' => 300, 'hit_at' => 60, 'left_out_note' => 300, 'left_out_reason' => 30, 'source' => 12,
    ];

    /** Names that decisions of older versions carry, and today's. */
    private const OLDER = [
        'carried' => 'isConclusive', 'heldStrokes' => 'aimFixedStrokes', 'gainHeld' => 'aimFixedGain', 'told' => 'verdict',
        'word' => 'verdict', 'held' => 'benchmark', 'left' => 'remaining', 'peculiar' => 'ownEffects',
    ];

    /** These are objects, also while empty. */
    private const MAPS = ['drift', 'weights', 'picks', 'values'];

    /** Within these, "left" is a side. */
    private const SIDES = ['corridor', 'price', 'share'];

    /**
     * A decision's advice or proof under today's names, whoever wrote it.
     *
     * @param  array<array-key, mixed>  $kept
     * @return array<array-key, mixed>
     */
    public static function today(array $kept, string $at = ''): array
    {
        $out = [];
        foreach ($kept as $key => $value) {
            $isSide = $key === 'left' && in_array($at, self::SIDES, true);
            $name = is_string($key) && ! $isSide ? self::OLDER[$key] ?? $key : $key;
            $out[$name] = is_array($value)
                ? ($value === [] && in_array($key, self::MAPS, true)
                    ? (object) []
                    : self::today($value, is_string($key) ? $key : $at))
                : ($value === 'low scooter'
                    ? 'low runner'
                    : $value);
        }

        return $out;
    }
}
