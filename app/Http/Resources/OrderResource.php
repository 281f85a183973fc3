<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Acceptance;
use App\Models\Order;
use MintCarry\Core\Order\ClubFigures;
use MintCarry\Core\Order\OrderState;

/** An order as the screens show it. Its player, setup, decision and acceptances are to be loaded. */
final class OrderResource
{
    /**
     * @param  string  $today  by the clock on the studio's wall
     * @param  bool  $withJudging  what a club does to the ball is not for the front desk
     * @return array<string, mixed>
     */
    public static function of(Order $order, string $today, bool $withJudging = true): array
    {
        $prices = array_map(static fn (array $l): float => (float) ($l['price'] ?? 0), $order->lines);

        return [
            'id' => $order->id, 'version' => $order->version, 'fittingId' => $order->fitting_id,
            'player' => [
                'id' => $order->player->id, 'name' => $order->player->name, 'hand' => $order->player->hand->value,
                'units' => $order->player->units,
            ],
            'club' => trim($order->setup->head.($order->setup->sleeve_label === '' ? '' : ", sleeve {$order->setup->sleeve_label}")),
            'tag' => $order->setup->tag, 'sleeveLabel' => $order->setup->sleeve_label,
            'lines' => $order->lines, 'labour' => $order->labour, 'total' => array_sum($prices) + $order->labour,
            'currency' => $order->currency,
            'days' => $order->days, 'note' => $order->note, 'why' => $order->why,
            ...self::standing($order, $today),
            'next' => array_map(static fn (OrderState $s): string => $s->value, $order->state->next()), 'steps' => $order->steps,
            'figures' => $order->figures, 'tolerances' => (object) ($order->tolerances + ClubFigures::TOLERANCES),
            'acceptances' => $withJudging ? $order->acceptances->map(self::acceptance(...))->all() : [],
        ];
    }

    /** @return array{state: string, waitsFor: string, dueOn: string|null, isLate: bool} */
    public static function standing(Order $order, string $today): array
    {
        $due = $order->due_on;

        return [
            'state' => $order->state->value, 'waitsFor' => $order->state->waitsFor(), 'dueOn' => $due,
            'isLate' => $order->state === OrderState::Ordered && $due !== null && $due < $today,
        ];
    }

    /** @return array<string, mixed> */
    private static function acceptance(Acceptance $a): array
    {
        return [
            'id' => $a->id, 'at' => $a->created_at->toIso8601String(), 'by' => $a->fitter->name, 'source' => $a->source,
            'figures' => $a->figures,
            'report' => $a->report, 'acceptedAt' => $a->accepted_at?->toIso8601String(), 'why' => $a->why,
        ];
    }
}
