<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use App\Models\Concerns\Journaled;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use MintCarry\Core\Order\ClubFigures;
use MintCarry\Core\Order\OrderState;

/**
 * A club that a player wants, after a decision.
 *
 * @property int $id
 * @property int $player_id
 * @property int $fitting_id
 * @property int $decision_id
 * @property int $setup_id
 * @property OrderState $state
 * @property list<array{what: string, label: string, price: float|null}> $lines
 * @property float $labour
 * @property string $currency
 * @property int|null $days
 * @property string|null $due_on by the clock on the studio's wall, 2026-11-27
 * @property string $note
 * @property string $why
 * @property array<string, mixed> $figures
 * @property array<string, float> $tolerances
 * @property list<array{state: string, at: string, by: string}> $steps
 * @property int|null $built_head_id
 * @property int $version
 * @property Carbon $created_at
 * @property Carbon $updated_at
 * @property-read Player $player
 * @property-read Fitting $fitting
 * @property-read Decision $decision
 * @property-read Setup $setup
 * @property-read RackHead|null $builtHead
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Acceptance> $acceptances
 */
final class Order extends Model
{
    use BelongsToStudio, Journaled;

    protected $guarded = [];

    protected $attributes = ['state' => 'asked', 'note' => '', 'why' => '', 'labour' => 0, 'currency' => '', 'version' => 1];

    protected function casts(): array
    {
        return [
            'state' => OrderState::class, 'lines' => 'array', 'labour' => 'float', 'figures' => 'array', 'tolerances' => 'array',
            'steps' => 'array',
        ];
    }

    /** @return BelongsTo<Player, $this> */
    public function player(): BelongsTo
    {
        return $this->belongsTo(Player::class)->withTrashed();
    }

    /** @return BelongsTo<Fitting, $this> */
    public function fitting(): BelongsTo
    {
        return $this->belongsTo(Fitting::class)->withTrashed();
    }

    /** @return BelongsTo<Decision, $this> */
    public function decision(): BelongsTo
    {
        return $this->belongsTo(Decision::class);
    }

    /** @return BelongsTo<Setup, $this> */
    public function setup(): BelongsTo
    {
        return $this->belongsTo(Setup::class);
    }

    /** @return BelongsTo<RackHead, $this> */
    public function builtHead(): BelongsTo
    {
        return $this->belongsTo(RackHead::class, 'built_head_id');
    }

    /** @return HasMany<Acceptance, $this> the newest first */
    public function acceptances(): HasMany
    {
        return $this->hasMany(Acceptance::class)->orderByDesc('id');
    }

    public function wanted(): ClubFigures
    {
        return ClubFigures::fromArray($this->figures, $this->player->hand);
    }

    /** Within the caller's transaction: goes on to a state, noting when and by whom. */
    public function goTo(OrderState $to, User $by): void
    {
        $this->state->requireNext($to);
        if ($to === $this->state) {
            return;
        }
        $this->state = $to;
        $this->steps = [...$this->steps, ['state' => $to->value, 'at' => now()->toIso8601String(), 'by' => $by->name]];
        if ($to === OrderState::Ordered && $this->days !== null) {
            $this->due_on = now()->setTimezone($by->studio->zone())->addDays($this->days)->format('Y-m-d');
        }
    }

    /** The day that the club was first handed over, by the studio's clock; null: it never was. */
    public function handedOverOn(): ?string
    {
        foreach ($this->steps as $step) {
            if ($step['state'] === OrderState::HandedOver->value) {
                return Carbon::parse($step['at'])->setTimezone($this->studio->zone())->format('Y-m-d');
            }
        }

        return null;
    }

    /** Whether it was ever there, wherever it is now. */
    public function wasEver(OrderState $state): bool
    {
        return in_array($state->value, array_column($this->steps, 'state'), true);
    }

    /** The club that came and was taken, where one was. */
    public function taken(): ?Acceptance
    {
        return $this->acceptances->first(fn (Acceptance $a): bool => $a->accepted_at !== null);
    }
}
