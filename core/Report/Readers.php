<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Air\Atmosphere;
use MintCarry\Core\Air\Wind;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Club\HeadReading;
use MintCarry\Core\Club\SleeveTilt;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Flight\Turf;
use MintCarry\Core\Record\Item;

/** Turns parts of the JSON into core types. */
final class Readers
{
    /** @return array{Atmosphere, Wind} */
    public static function air(?Item $air): array
    {
        if ($air === null) {
            return [new Atmosphere, new Wind];
        }
        $made = [
            new Atmosphere(
                $air->number('temperatureC', 18), $air->number('altitudeM', 0), $air->number('humidity', 0.5),
                $air->optional('pressureHpa'),
            ),
            new Wind($air->number('windSpeedMps', 0), $air->number('windFromDeg', 0)),
        ];
        $air->done();

        return $made;
    }

    /** Air, wind and ground as an item tells them: `air`, `turf`, `riseM`, `slopeDeg`. */
    public static function flightOf(Item $item): BallFlight
    {
        [$air, $wind] = self::air($item->object('air'));

        return new BallFlight(
            $air, $wind, turf: Turf::from($item->choice('turf', ['soft', 'medium', 'firm'], 'medium')), riseM: $item->number('riseM', 0),
            slopeDeg: $item->number('slopeDeg', 0),
        );
    }

    public static function launch(Item $item): Launch
    {
        return new Launch(
            $item->number('ballSpeedMps'), $item->number('launchDeg'), $item->number('spinRpm'), $item->number('directionDeg', 0),
            $item->number('spinAxisDeg', 0),
        );
    }

    public static function hand(Item $item): Hand
    {
        return Hand::from($item->choice('hand', ['right', 'left'], 'right'));
    }

    /**
     * A head by preset or by its figures; what is missing comes from the middle preset and is listed.
     *
     * @return array{Head, list<string>} head, names of what was assumed
     */
    public static function head(?Item $item): array
    {
        if ($item === null) {
            return [new Head, ['head']];
        }
        $preset = $item->has('preset') ? $item->choice('preset', Head::PRESETS) : null;
        $middle = Head::preset($preset ?? 'middle');
        $assumed = [];
        $value = function (string $key, float $default) use ($item, $preset, &$assumed): float {
            if (! $item->has($key) && $preset === null) {
                $assumed[] = "head.{$key}";
            }

            return $item->number($key, $default);
        };
        $loft = $value('loftDeg', $middle->loftDeg);
        $mass = $value('massG', $middle->massG);
        InvalidInput::requireWithin('head.massG', $mass, 120, 280, 'g');
        $toe = $value('cgToeMm', $middle->cgToeMm);
        $back = $value('cgBackMm', $middle->cgBackMm);
        $up = $value('cgUpMm', $middle->cgUpMm);
        $inertia = $item->tensor('inertiaGcm2');
        if ($inertia === null && $preset === null) {
            $assumed[] = 'head.inertiaGcm2';
        }
        $head = new Head(
            $loft, $mass, $toe, $back, $up, $inertia ?? $middle->inertiaGcm2, $value('bulgeRadiusMm', $middle->bulgeRadiusMm),
            $value('rollRadiusMm', $middle->rollRadiusMm), $value('effectiveRestitution', $middle->effectiveRestitution),
            $value('tangentialRestitution', $middle->tangentialRestitution), $value('restitutionFall', $middle->restitutionFall),
        );
        $item->done();

        return [$head, $preset !== null ? ["head.preset {$preset}"] : $assumed];
    }

    public static function reading(Item $item): HeadReading
    {
        $reading = new HeadReading($item->number('loftDeg'), $item->number('lieDeg'), $item->number('faceOpenDeg', 0));
        $item->done();

        return $reading;
    }

    /**
     * @param  list<Item>  $items
     * @return list<SleeveTilt>
     */
    public static function tilts(array $items): array
    {
        return array_map(static function (Item $item): SleeveTilt {
            $tilt = new SleeveTilt($item->number('tiltDeg'), $item->number('clockDeg'));
            $item->done();

            return $tilt;
        }, $items);
    }
}
