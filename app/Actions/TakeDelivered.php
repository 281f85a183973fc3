<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Acceptance;
use App\Models\Order;
use App\Models\RackHead;
use App\Models\Reading;
use App\Models\User;
use MintCarry\Core\Club\AddressHabit;
use MintCarry\Core\Order\OrderState;

/**
 * A delivered club is taken: from now on it is what this player has. Its head stands beside the rack as one of its own, with what was read of it,
 * and is offered to nobody else.
 */
final class TakeDelivered
{
    /** Within the caller's transaction. */
    public function __invoke(Order $order, Acceptance $acceptance, User $by, string $why): void
    {
        $acceptance->update(['accepted_at' => now(), 'why' => $why]);
        $order->goTo(OrderState::Checked, $by);
        $model = $order->setup->rackHead;
        if ($model !== null) {
            $order->built_head_id = $this->ownHead($order, $model, $acceptance, $by)->id;
        }
        $order->save();
    }

    private function ownHead(Order $order, RackHead $model, Acceptance $acceptance, User $by): RackHead
    {
        $head = $model->replicate(['label_in_use']);
        $head->fill([
            'label' => mb_strimwidth($model->label, 0, 50, '…').", delivered (order {$order->id})",
            'note' => '', 'supply' => ['inStock' => false], 'retired_at' => now(),
        ])->save();
        $angles = array_filter(
            array_intersect_key($acceptance->figures, ['loftDeg' => 1, 'lieDeg' => 1, 'faceOpenDeg' => 1]),
            static fn (mixed $v): bool => $v !== null,
        );
        if ($angles !== []) {
            Reading::query()->create([
                'studio_id' => $order->studio_id, 'head_id' => $head->id,
                'values' => array_map(static fn (mixed $v): array => [(float) $v], $angles),
                'position' => $order->setup->sleeve_label, 'read_as' => AddressHabit::Soled, 'way' => 'gauge',
                'source' => $acceptance->source,
                'typed' => [], 'note' => '', 'read_by' => $by->id,
            ]);
        }

        return $head;
    }
}
