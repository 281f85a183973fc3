<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use App\Support\Sealed;
use App\Support\Secret;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A private link for a player, who has no account: to say what they want before they come, to read their report, to tell of their rounds.
 * It ends, and the studio can end it before. Kept encrypted, because it is shown again and printed; found by its hash.
 *
 * @property int $id
 * @property int $player_id
 * @property int|null $fitting_id
 * @property string $kind one of `DAYS`
 * @property string $token
 * @property string $token_hash
 * @property string|null $language chosen by the player on this link
 * @property Carbon $ends_at
 * @property Carbon|null $opened_at first looked at
 * @property Carbon|null $used_at
 * @property Carbon|null $revoked_at
 * @property int $made_by
 * @property Carbon $created_at
 * @property-read Player $player
 * @property-read Fitting|null $fitting
 * @property-read User $maker
 */
final class PlayerLink extends Model
{
    use BelongsToStudio;

    /** For how many days a link of a kind is good. */
    public const DAYS = ['intake' => 21, 'report' => 400, 'rounds' => 180];

    protected $guarded = [];

    protected $hidden = ['token', 'token_hash'];

    protected function casts(): array
    {
        return [
            'token' => 'encrypted', 'ends_at' => 'datetime', 'opened_at' => 'datetime', 'used_at' => 'datetime', 'revoked_at' => 'datetime',
        ];
    }

    /** @return BelongsTo<Player, $this> */
    public function player(): BelongsTo
    {
        return $this->belongsTo(Player::class);
    }

    /** @return BelongsTo<Fitting, $this> */
    public function fitting(): BelongsTo
    {
        return $this->belongsTo(Fitting::class);
    }

    /** @return BelongsTo<User, $this> */
    public function maker(): BelongsTo
    {
        return $this->belongsTo(User::class, 'made_by');
    }

    public static function grant(string $kind, Player $player, ?Fitting $fitting, User $by): self
    {
        $token = Secret::make();

        return self::query()->create([
            'studio_id' => $player->studio_id, 'player_id' => $player->id, 'fitting_id' => $fitting?->id, 'kind' => $kind,
            'token' => $token,
            'token_hash' => hash('sha256', $token), 'ends_at' => now()->addDays(self::DAYS[$kind]), 'made_by' => $by->id,
        ]);
    }

    /** The link of a token, where it is still good and what it is for is still there. */
    public static function open(string $token): ?self
    {
        $link = self::query()->with(['player', 'studio', 'fitting'])->where('token_hash', hash('sha256', $token))->whereHas('player')
            ->where(fn ($q) => $q->whereNull('fitting_id')->orWhereHas('fitting'))->first();

        return $link?->isGood() === true ? $link : null;
    }

    public function isGood(): bool
    {
        return $this->revoked_at === null && $this->ends_at->isFuture();
    }

    /** Behind the address of this application. After the sign of a fragment: no server's log ever holds it. */
    public function path(): ?string
    {
        $token = Sealed::open($this->getRawOriginal('token'));

        return $token === null ? null : "/#/for/{$token}";
    }
}
