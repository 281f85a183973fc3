<?php

declare(strict_types=1);

namespace App\Fittings;

use App\Models\Appointment;
use App\Models\Fitting;
use App\Models\Order;
use App\Models\Player;
use App\Models\Round;
use App\Models\Setup;
use MintCarry\Core\Launch\Measure;

/** What is known of a player over the years: when they came, what they play, and what their own club did each time. */
final class PlayerStory
{
    /** So many fittings back their shots are looked at. */
    private const LOOKED_AT = 6;

    /** @return list<array{at: string, kind: string, words: string, fittingId: int|null}> the newest first */
    public static function of(Player $player): array
    {
        $out = [];
        foreach (Appointment::query()->where('player_id', $player->id)->where('state', '!=', 'cancelled')->get() as $a) {
            $out[] = [
                'at' => $a->starts_at->toIso8601String(), 'kind' => 'appointment', 'fittingId' => $a->fitting_id,
                'words' => $a->kind.($a->state === 'booked' ? ($a->starts_at->isFuture() ? ', booked' : '') : ", {$a->state}"),
            ];
        }
        foreach (Fitting::query()->where('player_id', $player->id)->with(['decisions.setup'])->get() as $f) {
            $decided = $f->decisions->first();
            $out[] = [
                'at' => $f->created_at->toIso8601String(), 'kind' => 'fitting', 'fittingId' => $f->id,
                'words' => 'Fitting'.($f->wants === '' ? '' : ": “{$f->wants}”").($decided === null ? '' : "; decided: {$decided->setup->head} ({$decided->setup->tag})"),
            ];
        }
        foreach (Order::query()->where('player_id', $player->id)->with('setup')->get() as $o) {
            $out[] = [
                'at' => $o->updated_at->toIso8601String(), 'kind' => 'order', 'fittingId' => $o->fitting_id,
                'words' => "{$o->setup->head}: {$o->state->value}",
            ];
        }
        foreach (Round::query()->where('player_id', $player->id)->get() as $r) {
            $out[] = [
                'at' => "{$r->played_on}T12:00:00+00:00", 'kind' => 'round', 'fittingId' => $r->fitting_id,
                'words' => "Round on {$r->course}, {$r->hit} of {$r->holes} fairways, ".($r->club === 'new' ? 'new club' : 'club before'),
            ];
        }
        usort($out, static fn (array $a, array $b): int => $b['at'] <=> $a['at']);

        return $out;
    }

    /** @return list<array{fittingId: int, at: string, what: string, name: string, loftDeg: float|null, lengthMm: float|null}> the newest first */
    public static function clubs(Player $player): array
    {
        $out = [];
        $fittings = Fitting::query()->where('player_id', $player->id)->orderByDesc('created_at')->orderByDesc('id')->get();
        foreach ($fittings as $fitting) {
            $decision = $fitting->decisions()->first();
            $order = Order::query()->where('fitting_id', $fitting->id)->where('state', '!=', 'cancelled')->with('acceptances')->latest('id')->first();
            $setups = Setup::query()->with(Setup::MADE_OF)->where('fitting_id', $fitting->id)
                ->where(fn ($q) => $q->where('is_baseline', true)->orWhere('id', $decision->setup_id ?? 0))->orderByDesc('position')->get();
            foreach ($setups as $setup) {
                $isDecided = $setup->id === $decision?->setup_id;
                $built = $isDecided ? $order?->taken()?->figures : null;
                $out[] = [
                    'fittingId' => $fitting->id, 'at' => $fitting->created_at->toIso8601String(),
                    'what' => match (true) {
                        $built !== null => 'delivered', $isDecided && $order !== null => $order->state->value, $isDecided => 'decided',
                        default => 'own club then',
                    },
                    'name' => implode(', ', array_filter([trim("{$setup->head} {$setup->sleeve_label}"), $setup->weights, $setup->shaft])),
                    'loftDeg' => isset($built['loftDeg']) ? (float) $built['loftDeg'] : ($setup->isLoftFromPrint() ? null : $setup->playing(0.0)->loftDeg),
                    'lengthMm' => isset($built['lengthMm']) ? (float) $built['lengthMm'] : $setup->length_mm,
                ];
            }
        }

        return $out;
    }

    /** @return list<array<string, mixed>> of the own club at each fitting where it was hit, the newest first */
    public static function known(Player $player): array
    {
        $out = [];
        foreach (Fitting::query()->where('player_id', $player->id)->with(['player', 'studio'])->orderByDesc('id')->limit(self::LOOKED_AT)->get() as $fitting) {
            $record = (new FittingLoader($fitting))->record();
            $set = $record->setups === [] ? null : $record->sets()[$record->own()->tag] ?? null;
            if ($set === null) {
                continue;
            }
            $mean = static fn (Measure $m): ?float => $set->summary($m)?->mean;
            $out[] = [
                'fittingId' => $fitting->id, 'at' => $fitting->created_at->toIso8601String(), 'n' => $set->count(),
                'clubSpeedMps' => $mean(Measure::ClubSpeed),
                'ballSpeedMps' => $mean(Measure::BallSpeed), 'launchDeg' => $mean(Measure::LaunchAngle),
                'spinRpm' => $mean(Measure::Spin), 'carryM' => $mean(Measure::Carry),
            ];
        }

        return $out;
    }
}
