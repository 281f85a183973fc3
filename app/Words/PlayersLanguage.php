<?php

declare(strict_types=1);

namespace App\Words;

use App\Models\Player;
use App\Models\PlayerLink;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\FollowUp\PlayedRound;
use MintCarry\Core\Units\Unit;

/**
 * The language that a player reads: what they chose on their link, what was booked, what their phone asks for, what the studio speaks.
 * Errors are said in it too, with the name of the field.
 */
final class PlayersLanguage
{
    /** Which message names a field. */
    private const NAMES = [
        'hand' => 'intake.hand', 'units' => 'intake.units', 'shape' => 'intake.shape', 'miss' => 'intake.miss', 'carry' => 'intake.carry',
        'carryM' => 'intake.carry', 'handicap' => 'intake.handicap', 'wants' => 'intake.wants', 'never' => 'intake.never',
        'wish' => 'intake.wish', 'turf' => 'intake.turf', 'width' => 'intake.width', 'club' => 'intake.club', 'ball' => 'intake.ballPlayed',
        'pain' => 'intake.pain', 'guardian' => 'intake.guardian', 'consent' => 'intake.agree', 'course' => 'rounds.course',
        'playedOn' => 'rounds.played', 'holes' => 'rounds.holes', 'hit' => 'rounds.hit', 'lost' => 'rounds.lost', 'left' => 'side.left',
        'right' => 'side.right', 'drives' => 'rounds.drives', 'feel' => 'rounds.feel', 'words' => 'rounds.words',
    ];

    public static function of(Request $request, ?PlayerLink $link = null): Words
    {
        $link ??= self::linkOf($request);

        return self::ofPhone($request, [$link?->language, $link?->player->language], [$link?->studio->language]);
    }

    /** Looked up once, however many words of a request are in its language. */
    private static function linkOf(Request $request): ?PlayerLink
    {
        $token = $request->input('token');
        if (! self::isPlayers($request) || ! is_string($token)) {
            return null;
        }
        if (! $request->attributes->has(self::class)) {
            $request->attributes->set(self::class, PlayerLink::open(mb_substr($token, 0, 100)));
        }

        return $request->attributes->get(self::class);
    }

    /**
     * Without a look at the link.
     *
     * @param  list<string|null>  $before  languages that go before what the phone asks for
     * @param  list<string|null>  $after
     */
    public static function ofPhone(Request $request, array $before = [], array $after = []): Words
    {
        $phones = array_map(static fn (string $l): string => substr($l, 0, 2), $request->getLanguages());
        $wanted = self::isPlayers($request) ? [$request->string('language')->limit(8, '')->value(), ...$before, ...$phones, ...$after] : [];

        return Words::in(array_values(array_intersect($wanted, Words::languages()))[0] ?? 'en');
    }

    private static function isPlayers(Request $request): bool
    {
        return $request->is('api/for-player/*');
    }

    /** On paper, where no phone asks. */
    public static function printed(Player $player): Words
    {
        return Words::in($player->language ?? $player->studio->language);
    }

    /** @return array<string, string|array<string, string>> by rule, as the framework's validator takes them */
    public static function messages(Request $request): array
    {
        $words = self::of($request);

        return [
            'required' => $words->say('error.needed'),
            'max' => ['string' => $words->say('error.tooLong', ['most' => ':max']), 'array' => $words->say('error.field', ['name' => ':attribute'])],
            'numeric' => $words->say('error.notANumber'), 'integer' => $words->say('error.notANumber'),
            'date_format' => $words->say('error.notADay'),
        ] + array_fill_keys(
            ['in', 'string', 'min', 'array', 'boolean', 'after'], $words->say('error.field', ['name' => ':attribute']),
        );
    }

    /** @return array<string, string> names of fields, for the framework's validator */
    public static function names(Request $request): array
    {
        $words = self::of($request);

        return array_map(static fn (string $key): string => $words->say($key), self::NAMES);
    }

    /** What the core refused, said to a player. */
    public static function refusal(InvalidInput $e, Words $words, bool $inYards): string
    {
        $field = Str::before($e->field, '.');
        [$low, $high] = match ($field) {
            'carryM', 'handicap' => Brief::NUMBERS[$field], 'drives' => PlayedRound::DRIVE_M, 'holes' => [1, PlayedRound::MOST_HOLES],
            'feel' => [1, 5], default => [null, null],
        };
        if ($field === 'key') {
            return $words->say('error.sentBefore');
        }
        if ($low === null) {
            return self::lookAgain($words, $field);
        }
        $unit = $inYards && in_array($field, ['carryM', 'drives'], true) ? Unit::Metres->to(Unit::Yards, 1.0) : 1.0;

        return $words->say('error.number', ['low' => ceil($low * $unit), 'high' => floor($high * $unit)]);
    }

    /** Said of a text with a sign in it that nobody sees. */
    public static function hiddenSign(Request $request, string $field): string
    {
        $words = self::ofPhone($request);

        return $words->say('error.signs', ['name' => isset(self::NAMES[$field]) ? $words->say(self::NAMES[$field]) : $field]);
    }

    /** "Handicap: please look at this again." */
    public static function lookAgain(Words $words, string $field): string
    {
        return $words->say('error.field', ['name' => isset(self::NAMES[$field]) ? $words->say(self::NAMES[$field]) : 'none']);
    }
}
