<?php

declare(strict_types=1);

namespace App\Actions;

use App\Journal\Journal;
use App\Models\Consent;
use App\Models\Fitting;
use App\Models\Intake;
use App\Models\Player;
use App\Models\PlayerLink;
use MintCarry\Core\Fitting\PlayersWords;

/**
 * Keeps what a player sent by a link, each version of it, and one that is sent twice once. Where a fitting was begun and its brief is not
 * agreed, it becomes the draft of that, in the place of what they said before; else it waits for the next.
 */
final readonly class TakeIntake
{
    public function __construct(private Journal $journal)
    {
    }

    /**
     * @param  array{hand: string|null, units: array<string, string>|null, language: string, isMinor: bool, guardian: string|null, consent: string|null,
     *   pain: string|null}  $who
     */
    public function __invoke(PlayerLink $link, string $key, PlayersWords $words, array $who): Intake
    {
        $fitting = Fitting::query()->where('player_id', $link->player_id)->whereNull('brief_agreed_at')->latest('id')->first();

        return $this->journal->record(
            $fitting ?? $link->studio, null, "told by link what {$link->player->name} wants",
            function () use ($link, $key, $words, $who, $fitting): Intake {
                $player = Player::query()->lockForUpdate()->findOrFail($link->player_id);
                $intake = Intake::query()->create([
                    'studio_id' => $link->studio_id, 'player_id' => $player->id, 'link_id' => $link->id, 'sent_key' => $key,
                    'said' => $words->toArray(), 'pain' => $who['pain'],
                ]);
                $link->update(['used_at' => now()]);
                $isNew = Fitting::withTrashed()->where('player_id', $player->id)->whereNotNull('brief_agreed_at')->doesntExist();
                $player->fill(array_filter(
                    ['language' => $who['language']] + ($isNew ? ['hand' => $who['hand'], 'units' => $who['units']] : []),
                    static fn (mixed $v): bool => $v !== null,
                ))->save();
                if ($who['consent'] !== null) {
                    Consent::query()->where('player_id', $player->id)->whereNull('withdrawn_at')->update(['withdrawn_at' => now()]);
                    Consent::query()->create([
                        'studio_id' => $link->studio_id, 'player_id' => $player->id, 'text' => $who['consent'],
                        'guardian' => $who['isMinor'] ? $who['guardian'] : null, 'taken_by' => null, 'given_at' => now(),
                    ]);
                }
                $now = $fitting === null ? null : Fitting::query()->lockForUpdate()->find($fitting->id);
                if ($now !== null && $now->brief_agreed_at === null) {
                    $now->version++;
                    $before = $intake->before();
                    if ($before?->fitting_id === $now->id) {
                        $now->setBrief($before->words()->withdrawnFrom($now->brief()));
                    }
                    $intake->draft($now);
                }

                return $intake;
            });
    }
}
