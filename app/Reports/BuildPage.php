<?php

declare(strict_types=1);

namespace App\Reports;

use App\Fittings\FittingLoader;
use App\Models\Fitting;
use App\Models\Order;
use App\Models\Setup;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Club\SwingWeight;
use MintCarry\Core\Order\ClubFigures;
use MintCarry\Core\Report\DeliveredReport;

/** For the workshop: every dimension with its tolerance, the order of the work, and what keeps fingers and eyes whole. */
final class BuildPage
{
    private const NAMES = [
        'loftDeg' => 'Loft, on its sole', 'lieDeg' => 'Lie', 'faceOpenDeg' => 'Face', 'lengthMm' => 'Length',
        'swingWeightPoints' => 'Swing weight',
        'massG' => 'Mass of the club',
    ];

    /** @throws ValidationException where nothing was decided */
    public static function pdf(Fitting $fitting, string $paper): string
    {
        $decision = $fitting->decisions()->first()
            ?? throw ValidationException::withMessages(['decision' => 'Nothing was decided yet: decide first.']);
        $setup = Setup::query()->with(Setup::MADE_OF)->findOrFail($decision->setup_id);
        $order = $fitting->order?->load('player');
        $figures = $order?->wanted() ?? DeliveredReport::ordered(
            $setup->record(), (new FittingLoader($fitting))->record(), $setup->plan(),
        );

        return Pdf::of(view('build', [
            'fitting' => $fitting, 'setup' => $setup, 'order' => $order, 'rows' => self::rows($figures, $order),
            'steps' => self::steps($setup), 'plan' => self::plan($setup),
            'planIsOrdered' => $order === null || $setup->plan() === null || abs(($figures->lengthMm ?? 0.0) - $setup->plan()->lengthMm) < 1.0,
            'isPrint' => $setup->isLoftFromPrint(),
        ])->render(), $paper);
    }

    /** @return list<array{string, string, string}> name, what it shall be, and how far off it may be */
    private static function rows(ClubFigures $figures, ?Order $order): array
    {
        $out = [];
        foreach (self::NAMES as $name => $said) {
            $value = $figures->{$name};
            $tolerance = (float) ($order->tolerances[$name] ?? ClubFigures::TOLERANCES[$name]);
            $out[] = [$said, $value === null ? 'not said' : self::said($name, (float) $value), '± '.self::plain($name, $tolerance)];
        }

        return $out;
    }

    private static function said(string $name, float $value): string
    {
        return match ($name) {
            'faceOpenDeg' => abs($value) < 0.05 ? 'square' : sprintf('%.1f° %s', abs($value), $value > 0 ? 'open' : 'closed'),
            'lengthMm' => sprintf('%.0f mm (%.2f in)', $value, $value / 25.4),
            'swingWeightPoints' => SwingWeight::labelOf($value),
            default => self::plain($name, $value),
        };
    }

    private static function plain(string $name, float $value): string
    {
        return match ($name) {
            'lengthMm' => sprintf('%.0f mm', $value), 'swingWeightPoints' => sprintf('%.1f points', $value),
            'massG' => sprintf('%.0f g', $value),
            default => sprintf('%.1f°', $value),
        };
    }

    /** @return list<array{string, string}> what is done to hold the balance at the planned length, from the club as it was hit */
    private static function plan(Setup $setup): array
    {
        $plan = $setup->plan();
        if ($plan === null) {
            return [];
        }
        $grams = static fn (float $g): string => abs($g) < 0.05 ? 'nothing' : sprintf('%.1f g %s', abs($g), $g > 0 ? 'in' : 'out');
        $cut = static fn (float $mm): string => abs($mm) < 0.05 ? 'nothing' : sprintf('%.1f mm %s', abs($mm), $mm > 0 ? 'off' : 'on, an extension');

        return [
            ['Length', sprintf('from %.0f to %.0f mm (%.2f in)', $setup->length_mm ?? 0.0, $plan->lengthMm, $plan->lengthMm / 25.4)],
            ['Tip', $cut($plan->tipCutMm)], ['Butt', $cut($plan->buttCutMm)], ['At the head', $grams($plan->headG)],
            ['Under the butt', $grams($plan->buttG)], ['Grip', sprintf('%.0f g', $plan->gripG)],
            ['Then it balances at', SwingWeight::labelOf($plan->swingWeightPoints)], ['and weighs', sprintf('%.0f g', $plan->totalG)],
        ];
    }

    /** @return list<string> */
    private static function steps(Setup $setup): array
    {
        return array_values(array_filter([
            'Read the head on the gauge before anything is glued: loft, lie and face with the sleeve as said above. Out of tolerance: stop, and ask the fitter.',
            $setup->shaft === '' ? '' : "Tip the shaft as its maker says, then glue the sleeve on dry-fitted and marked: {$setup->shaft}.",
            'Let the epoxy cure as long as its label says before the club is turned or hit.',
            $setup->length_mm === null || $setup->plan() !== null
                ? ''
                : sprintf('Cut at the butt to play at %.0f mm, measured with the grip on.', $setup->length_mm),
            $setup->plan() === null ? '' : sprintf('Cut to play at %.0f mm as planned below, measured with the grip on.', $setup->plan()->lengthMm),
            $setup->weights === '' ? '' : "Weights: {$setup->weights}. Torque each screw to the maker’s click.",
            'Balance it. A point is about 2 g at the head (common practice); heavier screws or tape inside, never lead outside.',
            $setup->sleeve_label === '' ? '' : "Set the sleeve to {$setup->sleeve_label} and torque to the click.",
            'Put it on gauge and balance, type what they say under Orders, and hit one shot into the net before it is handed over.',
        ]));
    }
}
