<?php

declare(strict_types=1);

namespace MintCarry\Core\Record;

use MintCarry\Core\Club\HeadReading;
use MintCarry\Core\Club\LengthPlan;
use MintCarry\Core\Club\RackedHead;
use MintCarry\Core\Club\SleeveChange;
use MintCarry\Core\Club\SleeveSystem;
use MintCarry\Core\Errors\InvalidInput;

use function mb_strlen;

/** A setup of a fitting file: on the rack of the file, or only described. */
final class SetupItem
{
    private const KEYS = [
        'lengthPlan', 'tag', 'head', 'onRack', 'branchedFrom', 'statedLoftDeg', 'measuredLoftDeg', 'measuredLieDeg', 'measuredFaceOpenDeg',
        'sleeveLabel', 'sleeveLoftDeg', 'sleeveFaceOpenDeg', 'sleeveLieDeg', 'weights', 'masses', 'asBuilt', 'shaft', 'shaftPart',
        'gripPart', 'ballPart', 'lengthMm', 'ball', 'teeMm', 'swingWeightPoints', 'swingWeightSource', 'swingWeightComputed', 'cue',
        'note', 'shelf', 'shelfReason', 'starred',
    ];

    /** What a setup may be, wherever it comes from: typed on a screen or read from a file. Low, high, unit. */
    public const BOUNDS = [
        'statedLoftDeg' => [4, 20, '°'], 'measuredLoftDeg' => [4, 20, '°'], 'measuredLieDeg' => [45, 72, '°'],
        'measuredFaceOpenDeg' => [-10, 10, '°'], 'sleeveLoftDeg' => [-4, 4, '°'], 'sleeveFaceOpenDeg' => [-5, 5, '°'],
        'sleeveLieDeg' => [-4, 4, '°'], 'lengthMm' => [900, 1300, 'mm'], 'teeMm' => [0, 120, 'mm'],
        'swingWeightPoints' => [0, 69.9, 'points'], 'swingWeightComputed' => [0, 69.9, 'points'],
    ];

    /** Mass of a weight in a slot, g. */
    public const SLOT_G = [0, 60];

    /** @throws InvalidInput naming the value that no club has */
    private static function requireWithinBounds(Item $item): void
    {
        foreach (self::BOUNDS as $field => [$low, $high, $unit]) {
            $value = $item->optional($field);
            if ($value !== null) {
                InvalidInput::requireWithin($field, $value, $low, $high, $unit);
            }
        }
        foreach ($item->has('masses') ? $item->numbers('masses') : [] as $slot => $grams) {
            InvalidInput::requireWithin("masses.{$slot}", $grams, ...[...self::SLOT_G, 'g']);
        }
    }

    /**
     * @param  array<string, RackedHead>  $heads
     * @param  array<string, array{price: float|null, currency: string}>  $parts  what parts cost, by "kind/label"
     */
    public static function read(Item $item, array $heads, array $parts = []): SetupRecord
    {
        $item->only(...self::KEYS);
        $tag = $item->text('tag');
        if (mb_strlen($tag) > FittingFile::LONGEST_TAG) {
            throw InvalidInput::of('setups', "The tag '{$tag}' has ".mb_strlen($tag).' letters; a setup has 1 to '.FittingFile::LONGEST_TAG.'.');
        }
        try {
            $label = $item->text('head');
            self::requireWithinBounds($item);
            $onRack = $item->flag('onRack', false);
            $racked = $onRack
                ? $heads[$label] ?? throw InvalidInput::of('head', "the head '{$label}' is not on the rack of this file.")
                : null;
            $stated = $item->number('statedLoftDeg', $racked?->stated->loftDeg);
            $spec = $item->object('asBuilt')?->only('sleeve', 'home', 'stated');
            $at = $spec?->object('stated');
            $sleeve = $spec?->object('sleeve')?->all();
            $text = static fn (string $key): string => $item->has($key) && $item->raw($key) !== '' ? $item->text($key) : '';
            $masses = $item->has('masses') ? $item->numbers('masses') : $racked->standard ?? [];
            $setup = new SetupRecord(
                $tag, $label, $racked,
                match (true) {
                    $racked === null => null,
                    $sleeve !== null => SleeveSystem::fromArray(
                        $sleeve,
                        new HeadReading(
                            $at?->number('loftDeg', $stated) ?? $stated,
                            $at?->number('lieDeg', SetupRecord::USUAL_LIE_DEG) ?? SetupRecord::USUAL_LIE_DEG,
                            $at?->number('faceOpenDeg', 0) ?? 0.0,
                        ),
                    ),
                    $spec !== null => SleeveSystem::fixed(),
                    default => $racked->sleeve,
                },
                $text('sleeveLabel'), $masses, $item->has('weights') ? $text('weights') : $racked?->sayWeights($masses) ?? '',
                $racked !== null
                    ? null
                    : new HeadReading(
                        $item->optional('measuredLoftDeg') ?? $stated,
                        $item->optional('measuredLieDeg') ?? SetupRecord::USUAL_LIE_DEG,
                        $item->optional('measuredFaceOpenDeg') ?? 0.0,
                    ),
                $racked !== null
                    ? null
                    : new SleeveChange(
                        $item->optional('sleeveLoftDeg'), $item->optional('sleeveFaceOpenDeg'), $item->optional('sleeveLieDeg'),
                    ),
                $text('shaft'), $item->optional('lengthMm'), $text('ball'), $item->optional('teeMm'), $text('cue'),
                $item->optional('swingWeightPoints') ?? $item->optional('swingWeightComputed'),
                $racked === null ? $item->optional('measuredLoftDeg') === null : $racked->gauged()->inForce('loftDeg') === null,
                $item->has('branchedFrom') ? $item->text('branchedFrom') : null, $text('gripPart'),
                array_values(array_filter(array_map(
                    static fn (string $kind): ?array => $text("{$kind}Part") === '' ? null : [
                        'what' => $kind, 'label' => $text("{$kind}Part"),
                    ] + ($parts["{$kind}/{$text("{$kind}Part")}"] ?? ['price' => null, 'currency' => '']),
                    ['shaft', 'grip'],
                ))),
            );
            $setup->playing(1.0);
            $setup->body();
            $plan = $item->object('lengthPlan');
            if ($plan !== null) {
                LengthPlan::fromArray($plan->only(...array_keys(LengthPlan::BOUNDS))->all());
            }

            return $setup;
        } catch (InvalidInput $e) {
            throw InvalidInput::of($e->field, "Setup {$tag}: {$e->getMessage()}");
        }
    }
}
