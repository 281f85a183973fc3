<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Club\AddressHabit;
use MintCarry\Core\Club\EquipmentRules;
use MintCarry\Core\Club\PlayingGeometry;
use MintCarry\Core\Club\Shaft;
use MintCarry\Core\Club\SleeveCard;
use MintCarry\Core\Club\SleeveChange;
use MintCarry\Core\Club\SwingWeight;
use MintCarry\Core\Club\Weights;
use MintCarry\Core\Club\WeightSlot;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Record\Item;

/** Sums about a club, from an item of JSON: a head at a sleeve position, and a head with weights in it. */
final class ClubSums
{
    /** @return array<string, mixed> */
    public static function sleeve(Item $item): array
    {
        $item->only('head', 'tilts', 'card', 'habit', 'squares', 'readAtTilts');
        $head = Readers::reading($item->object('head') ?? throw InvalidInput::of('head', "'head' is missing."));
        $card = $item->object('card');
        $tilts = $item->objects('tilts');
        if (($card === null) === ! $item->has('tilts')) {
            throw InvalidInput::of('tilts', "Give either 'tilts' or a 'card'.");
        }
        if ($item->has('habit') === $item->has('squares')) {
            throw InvalidInput::of('habit', "Give either 'habit' (soled or squared) or 'squares' (0 to 1).");
        }
        $squares = $item->optional('squares') ?? ($item->choice('habit', ['soled', 'squared']) === 'squared' ? 1.0 : 0.0);
        $readAt = Readers::tilts($item->objects('readAtTilts'));
        $found = null;
        if ($card !== null) {
            $change = new SleeveChange($card->optional('loftDeg'), $card->optional('faceOpenDeg'), $card->optional('lieDeg'));
            $found = SleeveCard::solve($head, $change, AddressHabit::from($card->choice('printedFor', ['soled', 'squared'])));
            $card->done();
        }
        $item->raw('habit');
        $item->done();
        $g = PlayingGeometry::present($head, $found?->tilts() ?? Readers::tilts($tilts), $squares, $readAt);
        $out = ['loftDeg' => $g->loftDeg, 'faceOpenDeg' => $g->faceOpenDeg, 'lieDeg' => $g->lieDeg];

        return $found === null
            ? $out
            : $out + ['tiltDeg' => $found->tiltDeg, 'clockDeg' => $found->clockDeg, 'residualDeg' => $found->residualDeg] +
                    ($found->isPossible() ? [] : ['warning' => 'No sleeve can make these printed changes together.']);
    }

    /** @return array<string, mixed> */
    public static function weights(Item $item): array
    {
        $item->only('head', 'slots', 'masses', 'build');
        $given = $item->object('head') ?? throw InvalidInput::of('head', "'head' is missing.");
        foreach (['massG', 'cgToeMm', 'cgBackMm', 'cgUpMm'] as $key) {
            $given->number($key);
        }
        if (! $given->has('inertiaGcm2') && ! $given->has('preset')) {
            throw InvalidInput::of('head.inertiaGcm2', "'head.inertiaGcm2' is missing; a 'preset' would do.");
        }
        [$empty] = Readers::head($given);
        $slots = array_map(static function (Item $slot): WeightSlot {
            $made = new WeightSlot($slot->text('name'), $slot->number('toeMm'), $slot->number('backMm'), $slot->number('upMm'));
            $slot->done();

            return $made;
        }, $item->objects('slots', true));
        $build = $item->object('build');
        $head = Weights::place($empty, $slots, $item->numbers('masses'));
        $item->done();
        $out = [
            'massG' => $head->massG, 'cgToeMm' => $head->cgToeMm, 'cgBackMm' => $head->cgBackMm, 'cgUpMm' => $head->cgUpMm,
            'inertiaGcm2' => $head->inertiaGcm2,
        ];
        $warnings = EquipmentRules::warnings($head, lengthMm: $build?->optional('lengthMm'));
        if ($build !== null) {
            $length = $build->number('lengthMm');
            $raw = $build->optional('rawShaftMassG');
            $swing = SwingWeight::with(
                $head->massG, $length,
                $raw === null
                    ? new Shaft($build->number('shaftMassG'), $build->number('shaftBalanceFromButtMm'), $length)
                    : Shaft::inClub(
                        $length, null, $raw, $build->optional('rawShaftBalanceFromButtMm'), $build->optional('rawShaftLengthMm'),
                    ),
                $build->number('gripMassG'),
            );
            $build->done();
            $out += ['swingWeight' => $swing->label(), 'swingMomentOzIn' => $swing->momentOzIn];
        }

        return $out + ($warnings === [] ? [] : ['warnings' => $warnings]);
    }
}
