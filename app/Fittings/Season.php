<?php

declare(strict_types=1);

namespace App\Fittings;

use App\Models\Decision;
use App\Models\Fitting;
use App\Models\Order;
use App\Models\RackHead;
use App\Models\Round;
use App\Models\Setup;
use App\Models\Studio;
use Illuminate\Support\Carbon;
use MintCarry\Core\FollowUp\HandOver;
use MintCarry\Core\FollowUp\Kept;
use MintCarry\Core\FollowUp\Ledger;
use MintCarry\Core\Order\OrderState;

/** A studio's months: what was fitted, what came back, which stock never wins, and what its promises were worth. */
final class Season
{
    /** @return array<string, mixed> */
    public static function of(Studio $studio, int $months): array
    {
        $from = now()->subMonthsNoOverflow($months);
        $fittings = Fitting::query()->where('studio_id', $studio->id)->where('created_at', '>=', $from)->get(['id', 'created_at']);
        $decisions = self::decisions($studio, $from);
        $orders = Order::query()->where('studio_id', $studio->id)->where('created_at', '>=', $from)->whereHas('fitting', fn ($q) => $q->whereNull('binned_at'))->get();
        $state = static fn (OrderState ...$of): int => $orders->whereIn('state', $of)->count();
        $returned = $orders->filter(static fn (Order $o): bool => $o->wasEver(OrderState::Returned));

        return [
            'months' => $months, 'fittings' => $fittings->count(), 'decided' => count($decisions),
            'keptOwn' => count(array_filter($decisions, static fn (Decision $d): bool => $d->setup->is_baseline)),
            'overruled' => count(array_filter($decisions, static fn (Decision $d): bool => $d->setup_id !== $d->advised_setup_id)),
            'ordered' => $orders->count() - $state(OrderState::Cancelled), 'handedOver' => $state(OrderState::HandedOver),
            'returned' => $returned->count(),
            'cancelled' => $state(OrderState::Cancelled), 'why' => array_values($returned->pluck('why')->filter()->all()),
            'heads' => self::heads($studio, $from, $decisions, $orders->all()),
            'ledger' => get_object_vars(Ledger::of(array_column(self::handOvers($studio), 'handOver'))),
        ];
    }

    /**
     * Every hand-over there ever was: a promise takes longer to show than a season.
     *
     * @return list<array{order: Order, handOver: HandOver}>
     */
    public static function handOvers(Studio $studio): array
    {
        $out = [];
        $orders = Order::query()->where('studio_id', $studio->id)->whereIn('state', [OrderState::HandedOver->value, OrderState::Returned->value])
            ->whereHas('fitting', fn ($q) => $q->whereNull('binned_at'))->with(['fitting.player', 'setup'])->orderBy('id')->get();
        foreach ($orders as $order) {
            if (! $order->wasEver(OrderState::HandedOver)) {
                continue;
            }
            $promise = FollowUps::promise($order->fitting);
            $seen = Round::query()->where('fitting_id', $order->fitting_id)->exists() ? FollowUps::of($order->fitting, $promise) : null;
            $out[] = ['order' => $order, 'handOver' => new HandOver(
                $order->setup->head, $promise?->shareGain(), $promise?->chanceBetter, $promise->isOverruled ?? false, $seen?->gain,
                $seen->fairways ?? Kept::NotYet, $seen?->difference,
            )];
        }

        return $out;
    }

    /** @return list<Decision> the newest of each fitting */
    private static function decisions(Studio $studio, Carbon $from): array
    {
        $all = Decision::query()->where('studio_id', $studio->id)->where('created_at', '>=', $from)->whereHas('fitting')->with('setup')->orderByDesc('id')->get();

        return array_values($all->unique('fitting_id')->all());
    }

    /**
     * @param  list<Decision>  $decisions
     * @param  array<int, Order>  $orders
     * @return list<array<string, mixed>> heads that stand on the rack, those that never win first
     */
    private static function heads(Studio $studio, Carbon $from, array $decisions, array $orders): array
    {
        $out = [];
        foreach (RackHead::query()->where('studio_id', $studio->id)->whereNull('retired_at')->orderBy('id')->get() as $head) {
            $hit = Setup::query()->where('head_id', $head->id)->where('created_at', '>=', $from)->where('is_baseline', false)->has('shots')->distinct()->count('fitting_id');
            $won = array_filter($decisions, static fn (Decision $d): bool => $d->setup->head_id === $head->id && ! $d->setup->is_baseline);
            $ids = array_map(static fn (Decision $d): int => $d->id, $won);
            $ordered = array_filter($orders, static fn (Order $o): bool => in_array($o->decision_id, $ids, true) && $o->state !== OrderState::Cancelled);
            $out[] = [
                'id' => $head->id, 'label' => $head->label, 'hand' => $head->hand->value,
                'inStock' => (bool) ($head->supply['inStock'] ?? true), 'hit' => $hit,
                'won' => count($won), 'ordered' => count($ordered),
                'returned' => count(array_filter($ordered, static fn (Order $o): bool => $o->wasEver(OrderState::Returned))),
            ];
        }
        usort($out, static fn (array $a, array $b): int => [$a['won'] > 0, -$a['hit']] <=> [$b['won'] > 0, -$b['hit']]);

        return $out;
    }

    /**
     * A line a decision, with nothing in it that says who: no name, no number of theirs, no day, no words.
     *
     * @return list<list<string>>
     */
    public static function table(Studio $studio, int $months): array
    {
        $out = [['month', 'hand', 'head', 'stated loft', 'sleeve', 'kept own', 'overruled', 'promised fairways of 14', 'promised carry m', 'chance', 'order', 'came of 14', 'kept']];
        foreach (self::decisions($studio, now()->subMonthsNoOverflow($months)) as $decision) {
            $fitting = Fitting::query()->with('player')->find($decision->fitting_id);
            if ($fitting === null) {
                continue;
            }
            $promise = FollowUps::promise($fitting);
            $order = Order::query()->where('fitting_id', $fitting->id)->latest('id')->first();
            $seen = Round::query()->where('fitting_id', $fitting->id)->exists() ? FollowUps::of($fitting, $promise) : null;
            $number = static fn (?float $v, int $digits): string => $v === null ? '' : number_format($v, $digits, '.', '');
            $came = $seen?->gain;
            $out[] = [
                $decision->created_at->format('Y-m'), $fitting->player->hand->value, $decision->setup->head,
                $number($decision->setup->stated_loft_deg, 1),
                $decision->setup->sleeve_label, $decision->setup->is_baseline ? 'yes' : 'no', $promise?->isOverruled ? 'yes' : 'no',
                $number($promise?->shareGain() === null ? null : 14 * $promise->shareGain(), 1), $number($promise?->carryGainM, 1),
                $number($promise?->chanceBetter, 2),
                $order->state->value ?? '', $number($came === null ? null : 7 * ($came->low + $came->high), 1),
                $seen->fairways->value ?? '',
            ];
        }

        return $out;
    }
}
