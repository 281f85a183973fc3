<?php

declare(strict_types=1);

namespace App\Devices;

use App\Fittings\FittingLoader;
use App\Models\Fitting;
use App\Models\Setup;
use MintCarry\Core\Impact\SetupEffect;

/** The setup in the player's hand as the made-up player feels it: against the own club, whose mean delivery the player has. */
final class SimulatedSetup
{
    public static function effect(Fitting $fitting, Setup $setup): SetupEffect
    {
        $own = Setup::query()->with(Setup::MADE_OF)->where('fitting_id', $fitting->id)->orderBy('position')->first() ?? $setup;
        [$here, $was] = [FittingLoader::spec($setup, $fitting->player->hand), FittingLoader::spec($own, $fitting->player->hand)];

        return new SetupEffect(
            $here->body, $here->head, $here->squaredLoftDeg - $was->squaredLoftDeg,
            $here->soledFaceOpenDeg - $was->soledFaceOpenDeg, $here->body->cgBackMm - $was->body->cgBackMm,
            $here->body->cgToeMm - $was->body->cgToeMm, $here->heavierBy($was), $here->soledLoftDeg - $was->soledLoftDeg,
        );
    }

    /** @return array<string, mixed> */
    public static function describe(Fitting $fitting, Setup $setup): array
    {
        $effect = self::effect($fitting, $setup);

        return [
            'hand' => $fitting->player->hand->value,
            'setup' => $setup->tag,
            'effect' => [
                'headKey' => $effect->headKey, 'squaredLoftDeg' => $effect->squaredLoftDeg,
                'soledFaceOpenDeg' => $effect->soledFaceOpenDeg, 'cgBackMm' => $effect->cgBackMm, 'cgToeMm' => $effect->cgToeMm,
                'swingWeightPoints' => $effect->swingWeightPoints, 'soledLoftDeg' => $effect->soledLoftDeg,
                'head' => [
                    'loftDeg' => $effect->head->loftDeg, 'massG' => $effect->head->massG, 'cgToeMm' => $effect->head->cgToeMm,
                    'cgBackMm' => $effect->head->cgBackMm, 'cgUpMm' => $effect->head->cgUpMm,
                    'inertiaGcm2' => $effect->head->inertiaGcm2,
                ],
            ],
        ];
    }
}
