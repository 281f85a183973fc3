<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use MintCarry\Core\Fitting\PlayersWords;

/**
 * What a player said of themselves before they came.
 *
 * @property int $id
 * @property int $player_id
 * @property int|null $fitting_id whose brief it became
 * @property int $link_id
 * @property string $sent_key
 * @property array<string, mixed> $said
 * @property string|null $pain of the fitter alone
 * @property Carbon $created_at
 */
final class Intake extends Model
{
    use BelongsToStudio;

    /** After so many days what somebody said is no draft of a brief any more. */
    private const FRESH_DAYS = 120;

    protected $guarded = [];

    protected $hidden = ['pain'];

    protected function casts(): array
    {
        return ['said' => 'array', 'pain' => 'encrypted'];
    }

    public function words(): PlayersWords
    {
        return PlayersWords::of($this->said);
    }

    /** The version before it by the same link. */
    public function before(): ?self
    {
        return self::query()->where('link_id', $this->link_id)->where('id', '<', $this->id)->latest('id')->first();
    }

    /** Has the fitter begun with it? Then nothing is answered by this link any more. */
    public function isBegun(): bool
    {
        return $this->fitting_id !== null && Fitting::withTrashed()->whereKey($this->fitting_id)->whereNotNull('brief_agreed_at')->exists();
    }

    /** @return BelongsTo<Player, $this> */
    public function player(): BelongsTo
    {
        return $this->belongsTo(Player::class);
    }

    /** What a player said that no brief has taken up yet. */
    public static function waiting(int $playerId): ?self
    {
        return self::query()->where('player_id', $playerId)->whereNull('fitting_id')
            ->where('created_at', '>', now()->subDays(self::FRESH_DAYS))->latest('id')->first();
    }

    /**
     * Within the caller's transaction: it becomes the first draft of a fitting's brief.
     *
     * @param  bool  $isOver  what stands there is an earlier fitting's: what they say now counts
     */
    public function draft(Fitting $fitting, bool $isOver = false): void
    {
        $fitting->setBrief($isOver ? $this->words()->over($fitting->brief()) : $this->words()->onto($fitting->brief()));
        $fitting->save();
        // Earlier versions by the same link are no draft of another fitting.
        self::query()->where('link_id', $this->link_id)->where('id', '<=', $this->id)->update(['fitting_id' => $fitting->id]);
        $this->refresh();
    }
}
