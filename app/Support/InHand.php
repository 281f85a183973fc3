<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Fitting;
use App\Models\Setup;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Impact\SetupEffect;

/** The setup in the player's hand as the made-up player feels it: against the own club, whose mean delivery the player has. */
final class InHand
{
    public static function effect(Fitting $fitting, Setup $setup): SetupEffect
    {
        $own = Setup::query()->with(['rackHead.readings', 'rackHead.sleeve'])->where('fitting_id', $fitting->id)->orderBy('position')->first() ?? $setup;
        $body = $setup->body() ?? Head::preset('middle', $setup->playing(1.0)->loftDeg);
        $was = $own->body() ?? Head::preset('middle', $own->playing(1.0)->loftDeg);

        return new SetupEffect(
            $body,
            $setup->head,
            $setup->playing(1.0)->loftDeg - $own->playing(1.0)->loftDeg,
            $setup->playing(0.0)->faceOpenDeg - $own->playing(0.0)->faceOpenDeg,
            $body->cgBackMm - $was->cgBackMm,
            $body->cgToeMm - $was->cgToeMm,
        );
    }

    /** @return array<string, mixed> */
    public static function describe(Fitting $fitting, Setup $setup): array
    {
        $effect = self::effect($fitting, $setup);

        return [
            'hand' => $fitting->player->hand->value,
            'setup' => $setup->tag,
            'effect' => ['headKey' => $effect->headKey, 'squaredLoftDeg' => $effect->squaredLoftDeg, 'soledFaceOpenDeg' => $effect->soledFaceOpenDeg, 'cgBackMm' => $effect->cgBackMm, 'cgToeMm' => $effect->cgToeMm,
                'head' => ['loftDeg' => $effect->head->loftDeg, 'massG' => $effect->head->massG, 'cgToeMm' => $effect->head->cgToeMm, 'cgBackMm' => $effect->head->cgBackMm, 'cgUpMm' => $effect->head->cgUpMm, 'inertiaGcm2' => $effect->head->inertiaGcm2]],
        ];
    }
}
