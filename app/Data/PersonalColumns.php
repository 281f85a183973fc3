<?php

declare(strict_types=1);

namespace App\Data;

use Illuminate\Support\Facades\DB;

/**
 * Which rows are a player's, and what becomes of each text in them when the player is erased. Every text column of these tables stands in
 * exactly one of the lists; a test holds them against the schema.
 */
final class PersonalColumns
{
    /** Tables with rows of a player: by which column they are found. */
    public const TABLES = [
        'players' => 'id',
        'consents' => 'player_id', 'intakes' => 'player_id', 'appointments' => 'player_id', 'orders' => 'player_id', 'rounds' => 'player_id',
        'player_links' => 'player_id', 'looks' => 'player_id', 'fittings' => 'player_id',
        'visits' => 'fitting_id', 'setups' => 'fitting_id', 'trials' => 'fitting_id', 'shots' => 'fitting_id', 'blinds' => 'fitting_id',
        'confirms' => 'fitting_id', 'ratings' => 'fitting_id', 'decisions' => 'fitting_id', 'held_shots' => 'fitting_id',
        'import_files' => 'fitting_id', 'log_entries' => 'fitting_id', 'brief_changes' => 'fitting_id', 'long_clubs' => 'fitting_id',
        'acceptances' => 'order_id',
    ];

    /** Tables of what was worked out of a player's rows: not theirs to take along, and gone when they are erased. */
    public const WORKED_OUT = ['judgements' => 'fitting_id', 'lessons' => 'fitting_id'];

    /** @return array<string, list<int>> numbers by which a player's rows are found, by the columns of `TABLES` */
    public static function keysOf(int $playerId): array
    {
        $of = static fn (string $table): array => array_values(
            DB::table($table)->where('player_id', $playerId)->orderBy('id')->pluck('id')->map(intval(...))->all(),
        );

        return ['id' => [$playerId], 'player_id' => [$playerId], 'fitting_id' => $of('fittings'), 'order_id' => $of('orders')];
    }

    /** Their rows go whole, in this order: no figure of a setup stands in them. */
    public const GONE = ['held_shots', 'log_entries', 'brief_changes', 'import_files', 'intakes', 'player_links', 'consents', 'looks'];

    /** Column => what stands there afterwards. */
    public const EMPTIED = [
        'fittings' => ['wants' => '', 'typed' => '{}'],
        'setups' => ['note' => '', 'shelf_reason' => '', 'typed' => '{}', 'cue' => ''],
        'trials' => ['note' => ''],
        'shots' => [
            'note' => null, 'left_out_note' => null, 'beside' => null, 'typed' => '{}', 'client_id' => null, 'sender_id' => null,
            'sender_session' => null, 'hit_at' => null, 'flags' => '[]',
        ],
        'decisions' => ['reason' => '', 'reopen_why' => ''],
        'appointments' => ['note' => ''],
        'rounds' => ['words' => '', 'typed' => '[]'],
        'orders' => ['note' => '', 'why' => ''],
        'acceptances' => ['why' => '', 'typed' => '{}'],
    ];

    /** Names that a person gave to things: the same name becomes the same number, so that what is equal stays equal. Column => its word. */
    public const NUMBERED = [
        'setups' => ['head' => 'club', 'sleeve_label' => 'position', 'weights' => 'weights', 'shaft' => 'shaft', 'ball' => 'ball'],
        'rounds' => ['course_key' => 'course'],
        'long_clubs' => ['name' => 'club', 'sleeve_label' => 'position'],
        'appointments' => ['kind' => 'appointment'],
    ];

    /** JSON with figures that stay; names in it become the same numbers, and a brief loses its words. */
    public const NAMED_IN = [
        'fittings' => ['brief'], 'decisions' => ['advice', 'proof'], 'orders' => ['lines', 'figures', 'steps'], 'acceptances' => ['report', 'figures'],
        'trials' => ['conditions'],
    ];

    /** Numbers, words that the application chooses among, and parts of the studio's rack. */
    public const STAY = [
        'players' => ['hand', 'units', 'language'], 'fittings' => ['screening', 'tie_order', 'practice'],
        'setups' => ['tag', 'rack_snapshot', 'masses', 'swing_weight_source', 'shelf', 'length_plan'], 'trials' => ['kind'],
        'shots' => ['source', 'shot_key', 'content', 'measured', 'intent', 'left_out_reason'], 'blinds' => ['setups'], 'ratings' => ['kind'],
        'decisions' => ['promise'], 'orders' => ['state', 'currency', 'tolerances'], 'acceptances' => ['source'], 'appointments' => ['state'],
        'rounds' => ['sent_key', 'club', 'drives_m'], 'long_clubs' => ['kind', 'sleeve', 'shots'],
    ];

    /** Encrypted where they lie. */
    public const ENCRYPTED = ['intakes' => ['pain']];

    /** Keys to a door: nobody is given them, not even whose they are. */
    public const SECRET = ['player_links' => ['token', 'token_hash']];
}
