<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Club\AddressHabit;
use MintCarry\Core\Club\LengthBalance;
use MintCarry\Core\Club\PlayingGeometry;
use MintCarry\Core\Club\Shaft;
use MintCarry\Core\Club\SleeveSystem;
use MintCarry\Core\Club\SwingWeight;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Fitting\LaunchWindow;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\FlightRange;
use MintCarry\Core\Flight\Turf;
use MintCarry\Core\Gaps\ClubGaps;
use MintCarry\Core\Record\Item;
use MintCarry\Core\Record\LongClubItem;

use function array_map;
use function get_object_vars;

/**
 * What can be worked out without a fitting, from an item of JSON: the same sums on the calculators' page and in `bin/mint`. Keys carry
 * their units; unknown keys are refused by name.
 */
final class Calculator
{
    public const KINDS = ['flight', 'window', 'plane', 'weights', 'swing', 'length', 'worth'];

    private const HALF_INCH_MM = 12.7;

    /**
     * @param  string  $kind  one of `KINDS`
     * @return array<string, mixed>
     *
     * @throws InvalidInput naming the key that cannot be
     */
    public static function of(string $kind, Item $item): array
    {
        return match ($kind) {
            'flight' => self::flight($item), 'window' => self::window($item), 'plane' => self::plane($item),
            'weights' => ClubSums::weights($item),
            'swing' => self::swing($item), 'length' => self::length($item), 'worth' => self::worth($item),
            default => throw InvalidInput::of('kind', "'{$kind}' is no calculator."),
        };
    }

    /** @return array<string, mixed> with points of the path, as [s, along, right, up] in s and m */
    private static function flight(Item $item): array
    {
        $item->only('ballSpeedMps', 'launchDeg', 'spinRpm', 'directionDeg', 'spinAxisDeg', 'air', 'turf', 'riseM', 'slopeDeg');
        $launch = Readers::launch($item);
        $flight = Readers::flightOf($item);
        $item->done();
        $f = $flight->fly($launch, 60);

        return [
            'carryM' => $f->carryM, 'totalM' => $f->totalM, 'runM' => $f->runM(), 'sideM' => $f->sideM, 'curveM' => $f->curveM,
            'totalSideM' => $f->totalSideM, 'apexM' => $f->apexM, 'apexAtM' => $f->apexAtM, 'descentDeg' => $f->descentDeg,
            'hangTimeS' => $f->hangTimeS, 'points' => $f->points,
        ] + FlightRange::told($launch);
    }

    /** @return array<string, mixed> */
    private static function window(Item $item): array
    {
        $item->only('clubSpeedMps', 'attackDeg', 'head', 'air', 'turf');
        [$head, $assumed] = Readers::head($item->object('head'));
        $flight = Readers::flightOf($item);
        [$speed, $attack] = [$item->number('clubSpeedMps'), $item->number('attackDeg', 0)];
        InvalidInput::requireWithin('clubSpeedMps', $speed, 20, 70, 'm/s');
        InvalidInput::requireWithin('attackDeg', $attack, -12, 12, '°');
        $item->done();
        $out = ['assumed' => $assumed];
        foreach (['carry', 'total'] as $for) {
            $w = LaunchWindow::forSwing($speed, $attack, $flight, $for, $head);
            $out[$for] = [
                'dynamicLoftDeg' => $w->dynamicLoftDeg, 'loftBandDeg' => $w->loftBandDeg, 'launchDeg' => $w->launch->launchDeg,
                'launchBandDeg' => $w->launchBandDeg, 'spinRpm' => $w->launch->spinRpm, 'spinBandRpm' => $w->spinBandRpm,
                'carryM' => $w->flight->carryM, 'totalM' => $w->flight->totalM, 'apexM' => $w->flight->apexM,
            ];
        }

        return $out;
    }

    /** @return array<string, mixed> */
    private static function plane(Item $item): array
    {
        $item->only('head', 'sleeve', 'squares', 'position', 'readAs');
        $reading = Readers::reading($item->object('head') ?? throw InvalidInput::of('head', "'head' is missing."));
        $spec = $item->object('sleeve') ?? throw InvalidInput::of('sleeve', "'sleeve' is missing.");
        $sleeve = SleeveSystem::fromArray($spec->all(), $reading);
        $squares = $item->number('squares', 0.5);
        InvalidInput::requireWithin('squares', $squares, 0, 1);
        $at = $sleeve->position($item->has('position') ? $item->text('position') : $sleeve->home);
        $readAs = AddressHabit::from($item->choice('readAs', ['soled', 'squared'], 'soled'));
        $straight = PlayingGeometry::straighten($reading, $at->tilts, $readAs);
        $planes = [];
        foreach (['soled' => 0.0, 'squared' => 1.0, 'mixed' => $squares] as $habit => $share) {
            $planes[$habit] = $sleeve->plane($straight, $share);
        }

        return ['home' => $sleeve->home, 'read' => $at->label, 'squares' => $squares] + $planes + ['check' => $sleeve->check($reading)];
    }

    /** @return array<string, mixed> */
    private static function swing(Item $item): array
    {
        $item->only('headMassG', 'lengthMm', 'gripMassG', 'shaft', 'buttG');
        [$head, $length, $grip, $shaft, $butt] = self::club($item);
        $now = LengthBalance::state($head, $length, $shaft, $grip, $butt);
        $points = static fn (float $moreHead, float $moreGrip, float $moreLength): float => LengthBalance::state(
            $head + $moreHead, $length + $moreLength, $shaft->cutAt(-$moreLength, 0.0), $grip + $moreGrip, $butt,
        )['swingWeightPoints'] - $now['swingWeightPoints'];

        return [
            'swingWeight' => SwingWeight::labelOf($now['swingWeightPoints']), 'points' => $now['swingWeightPoints'],
            'totalG' => $now['totalG'],
            'shaftMassG' => $shaft->massG, 'shaftBalanceFromButtMm' => $shaft->balanceFromButtMm, 'perHeadG' => $points(1.0, 0.0, 0.0),
            'perGripG' => $points(0.0, 1.0, 0.0), 'perHalfInch' => $points(0.0, 0.0, self::HALF_INCH_MM),
        ];
    }

    /** @return array<string, mixed> */
    private static function length(Item $item): array
    {
        $item->only('headMassG', 'lengthMm', 'gripMassG', 'shaft', 'buttG', 'toLengthMm', 'toSwingWeight', 'toTotalG');
        [$head, $length, $grip, $shaft, $butt] = self::club($item);
        $to = $item->has('toSwingWeight') ? SwingWeight::pointsOf($item->text('toSwingWeight')) : null;

        return self::solved(LengthBalance::solve($head, $shaft, $grip, $length, $item->number('toLengthMm'), $to,
            $item->optional('toTotalG'), $butt));
    }

    /**
     * @param  array{was: array{swingWeightPoints: float, totalG: float}, free: array{swingWeightPoints: float, totalG: float},
     *   solutions: list<LengthBalance>}  $solved
     * @return array<string, mixed>
     */
    public static function solved(array $solved): array
    {
        $label = static fn (array $state): array => ['swingWeight' => SwingWeight::labelOf($state['swingWeightPoints'])] + $state;

        return [
            'was' => $label($solved['was']), 'free' => $label($solved['free']),
            'solutions' => array_map(static fn (LengthBalance $s): array => $label(get_object_vars($s)), $solved['solutions']),
        ];
    }

    /** @return array{float, float, float, Shaft, float} head g, length mm, grip g, shaft as it is in the club, g under the butt */
    private static function club(Item $item): array
    {
        $length = $item->number('lengthMm');
        InvalidInput::requireWithin('lengthMm', $length, 1000, 1300, 'mm');
        $given = $item->object('shaft') ?? Item::of([], 'shaft');
        $given->only('massG', 'balanceFromButtMm', 'rawMassG', 'rawBalanceFromButtMm', 'rawLengthMm');
        if ($given->has('massG') && $given->has('rawMassG')) {
            throw InvalidInput::of('shaft', "Give 'massG' of the cut shaft or 'rawMassG' before cutting, not both.");
        }
        $shaft = $given->has('massG')
            ? Shaft::inClub($length, $given->number('massG'), null, $given->optional('balanceFromButtMm'))
            : Shaft::inClub($length, null, $given->optional('rawMassG'), $given->optional('rawBalanceFromButtMm'),
                $given->optional('rawLengthMm'));
        $butt = $item->number('buttG', 0);
        InvalidInput::requireWithin('buttG', $butt, 0, LengthBalance::MOST_BUTT_G, 'g');

        return [$item->number('headMassG'), $length, $item->number('gripMassG'), $shaft, $butt];
    }

    /** @return array<string, mixed> */
    private static function worth(Item $item): array
    {
        $item->only('clubSpeedMps', 'attackDeg', 'dynamicLoftDeg', 'air', 'turf', 'head', 'hand', 'steps');
        [$head] = Readers::head($item->object('head'));
        [$air] = Readers::air($item->object('air'));
        $said = $item->object('steps')?->only(...array_keys(Worth::STEPS));
        $steps = [];
        foreach (array_keys(Worth::STEPS) as $name) {
            $steps[$name] = $said?->optional($name);
        }

        return Worth::of(
            $item->number('clubSpeedMps'), $item->number('attackDeg', 0), $item->optional('dynamicLoftDeg'), $air,
            Turf::from($item->choice('turf', ['soft', 'medium', 'firm'], 'medium')), $head, Readers::hand($item),
            $steps,
        );
    }

    /** @return array<string, mixed> */
    public static function gaps(Item $item, BallFlight $flight): array
    {
        $item->only('clubs', 'wantedGapM', 'squares');
        $clubs = [];
        foreach ($item->objects('clubs', true) as $i => $club) {
            try {
                $clubs[] = LongClubItem::read($club, $flight);
            } catch (InvalidInput $e) {
                throw $e->inside("clubs[{$i}]");
            }
        }

        return ClubGaps::of($clubs, $flight, $item->number('squares', 0.5), $item->optional('wantedGapM'));
    }
}
