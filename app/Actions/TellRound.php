<?php

declare(strict_types=1);

namespace App\Actions;

use App\Journal\Journal;
use App\Models\Fitting;
use App\Models\PlayerLink;
use App\Models\Round;
use App\Models\User;
use App\Words\Words;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\FollowUp\PlayedRound;

/** Keeps a round: once, however often it is sent. */
final readonly class TellRound
{
    /** More rounds of one fitting are no follow-up any more. */
    private const MOST = 40;

    /** What was played longer ago compares with nothing. */
    private const OLDEST_YEARS = 3;

    public function __construct(private Journal $journal)
    {
    }

    /**
     * @param  array{playedOn: string, words: string, typed: array<string, mixed>}  $beside
     * @return array{Round, bool} and whether it is new
     */
    public function __invoke(Fitting $fitting, PlayedRound $played, array $beside, string $key, ?PlayerLink $link, ?User $by, ?Words $words = null): array
    {
        $there = Round::query()->where('fitting_id', $fitting->id)->where('sent_key', $key)->first();
        if ($there !== null) {
            return [self::same($there, $played, $beside), false];
        }
        self::requireDay($fitting, $played, $beside['playedOn'], $words ?? Words::in('en'));

        return $this->journal->record(
            $fitting, $by, "told of a round on {$played->course}", function () use ($fitting, $played, $beside, $key, $link): array {
                // Sent twice at the same moment: whoever waited finds it here.
                $there = Round::query()->where('fitting_id', $fitting->id)->where('sent_key', $key)->first();
                if ($there !== null) {
                    return [self::same($there, $played, $beside), false];
                }
                if (Round::query()->where('fitting_id', $fitting->id)->count() >= self::MOST) {
                    throw InvalidInput::of('course', 'This fitting has all the rounds it can hold. Begin a new fitting from here.');
                }
                $link?->update(['used_at' => now()]);

                return [Round::query()->create([
                    'studio_id' => $fitting->studio_id, 'player_id' => $fitting->player_id, 'fitting_id' => $fitting->id,
                    'link_id' => $link?->id,
                    'sent_key' => $key, 'played_on' => $beside['playedOn'], 'course' => $played->course,
                    'course_key' => $played->courseKey(),
                    'club' => $played->club, 'holes' => $played->holes, 'hit' => $played->hit, 'missed_left' => $played->left,
                    'missed_right' => $played->right, 'lost' => $played->lost, 'drives_m' => $played->drivesM, 'typed' => $beside['typed'],
                    'feel' => $played->feel, 'words' => $beside['words'],
                ]), true];
            });
    }

    /**
     * A round lies between the day that the club was handed over, for the new one, and today, by the studio's clock.
     *
     * @throws InvalidInput in the words of who tells it
     */
    private static function requireDay(Fitting $fitting, PlayedRound $played, string $playedOn, Words $words): void
    {
        $today = now()->setTimezone($fitting->studio->zone());
        if ($playedOn > $today->format('Y-m-d')) {
            throw InvalidInput::of('playedOn', $words->say('rounds.toCome'));
        }
        if ($playedOn < $today->subYears(self::OLDEST_YEARS)->format('Y-m-d')) {
            throw InvalidInput::of('playedOn', $words->say('rounds.tooOld'));
        }
        $order = $played->club === 'new' ? $fitting->order : null;
        if ($order === null) {
            return; // nothing was ordered: the club was taken home as it was
        }
        $since = $order->handedOverOn();
        if ($since === null) {
            throw InvalidInput::of('club', $words->say('rounds.notYours'));
        }
        if ($playedOn < $since) {
            throw InvalidInput::of('playedOn', $words->say('rounds.tooEarly'));
        }
    }

    /**
     * The same key with other figures is another round that would be lost.
     *
     * @param  array{playedOn: string, words: string, typed: array<string, mixed>}  $beside
     */
    private static function same(Round $there, PlayedRound $played, array $beside): Round
    {
        return $there->played() == $played && $there->played_on === $beside['playedOn'] && $there->words === $beside['words']
            ? $there
            : throw InvalidInput::of('key', 'This round is on record already, with other figures. Nothing was changed. If it was another round, send it as a new one.');
    }
}
