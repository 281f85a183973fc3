<?php

declare(strict_types=1);

namespace App\Actions;

use App\Intake\SenderRecord;
use App\Live\ChangeSignal;
use App\Models\Bay;
use App\Models\Fitting;
use App\Models\HeldShot;
use App\Support\Transaction;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Intake\Earlier;
use MintCarry\Core\Intake\Placement;
use MintCarry\Core\Intake\Post;
use MintCarry\Core\Intake\PostedShot;
use MintCarry\Core\Intake\SenderClock;
use MintCarry\Core\Intake\Trial;
use MintCarry\Core\Launch\Issue;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\ShotRow;
use MintCarry\Core\Launch\TypedShot;
use stdClass;

/**
 * Takes shots from a monitor into the trial that they were hit in. Each gets an answer of its own: stored (this very shot is on record),
 * held (kept whole in the tray, with the reason), or refused (it can never be read). What a repeat is: `Earlier`; where a shot belongs:
 * `Placement`.
 *
 * @phpstan-type Answer array{id: string|null, status: string, shot: int|null, reason: string|null, doNotRepeat?: true}
 */
final class TakeShots
{
    /** What a locked row tells beside its fitting. */
    private const OF_TRIAL = [
        'player_hand' => 'players.hand', 'trial' => 'trials.id', 'trial_setup' => 'trials.setup_id', 'trial_kind' => 'trials.kind',
        'trial_number' => 'trials.number', 'trial_began' => 'trials.created_at',
    ];

    /** @return list<Answer> */
    public function __invoke(Bay $bay, Post $post): array
    {
        return Transaction::run(function () use ($bay, $post): array {
            $row = self::inTheBay($bay->id);
            $fitting = $row->id === null ? null : self::fittingOf($row);
            $isOneOfMany = count($post->shots) > 1;
            $answers = array_map(fn (PostedShot $shot): array => $this->answer($bay, $fitting, $row, $shot, $isOneOfMany), $post->shots);
            if ($fitting !== null && array_filter($answers, static fn (array $a): bool => $a['status'] !== 'refused') !== []) {
                DB::table('fittings')->where('id', $fitting->id)->update(['updated_at' => now()]);
                DB::afterCommit(fn () => ChangeSignal::changed($fitting));
            }

            return $answers;
        });
    }

    /** Fitting, player and trial in one go, locked: this is the path that fifty monitors take at once. */
    private static function inTheBay(int $bayId): stdClass
    {
        $bays = DB::table('bays')->leftJoin('fittings', 'fittings.id', '=', 'bays.fitting_id')
            ->leftJoin('trials', 'trials.id', '=', 'fittings.running_trial_id')->where('bays.id', $bayId);

        return self::locked($bays) ?? throw (new ModelNotFoundException)->setModel(Bay::class);
    }

    /**
     * A trial with its fitting and player, locked; without a trial, the one that runs.
     *
     * @return array{Fitting, stdClass}
     */
    public static function inTrial(int $fittingId, ?int $trialId): array
    {
        $which = fn (JoinClause $on) => $trialId === null
            ? $on->on('trials.id', '=', 'fittings.running_trial_id')
            : $on->where('trials.id', $trialId);
        $row = self::locked(DB::table('fittings')->leftJoin('trials', $which)->where('fittings.id', $fittingId));

        return $row === null ? throw (new ModelNotFoundException)->setModel(Fitting::class) : [self::fittingOf($row), $row];
    }

    private static function locked(Builder $rows): ?stdClass
    {
        $as = static fn (string $column, string $name): string => "{$column} as {$name}";
        $beside = array_map($as, self::OF_TRIAL, array_keys(self::OF_TRIAL));
        $row = $rows->leftJoin('players', 'players.id', '=', 'fittings.player_id')->lockForUpdate()->first(['fittings.*', ...$beside]);

        return $row instanceof stdClass ? $row : null;
    }

    private static function fittingOf(stdClass $row): Fitting
    {
        return (new Fitting)->newFromBuilder(array_diff_key((array) $row, self::OF_TRIAL));
    }

    /** @return Answer */
    private function answer(Bay $bay, ?Fitting $fitting, stdClass $row, PostedShot $shot, bool $isOneOfMany): array
    {
        $isUnwanted = $shot->source === 'simulated' && ! $bay->studio->takesSimulated();
        $refused = $shot->refusedFor ?? ($isUnwanted ? 'This studio takes no simulated shots: do not repeat it.' : null);
        if ($refused !== null) {
            return ['id' => $shot->id, 'status' => 'refused', 'shot' => null, 'reason' => $refused, 'doNotRepeat' => true];
        }
        $nowS = (float) now()->format('U.u');
        [$same, $before, $last] = SenderRecord::underItsId($bay->id, $fitting?->id, $shot);
        if ($same?->isRepeatedBy($shot, $nowS) === true) {
            return ['id' => $shot->id, 'status' => $same->status, 'shot' => $same->shot, 'reason' => $same->reason];
        }
        $inBay = $fitting?->id;
        $place = self::place($bay, $row, $shot, $nowS, $isOneOfMany);
        if ($place->earlier !== null) {
            [$fitting, $row] = self::inTrial($place->earlier->fittingId, $place->earlier->id);
        }
        if ($fitting !== null && $fitting->id !== $inBay) {
            DB::afterCommit(fn () => ChangeSignal::changed($fitting));
        }
        $why = match (true) {
            $same !== null => self::equals($same, $fitting),
            $shot->heldFor !== null => $shot->heldFor,
            $fitting === null => 'No fitting is in this bay.',
            $row->trial === null => 'No trial is running: nobody said which setup is in the hand.',
            $inBay !== null && $inBay !== $fitting->id => 'Came late: by the monitor’s clock it was hit in this trial, '
                .'but another fitting was in the bay when it came.',
            default => null,
        };
        if ($why !== null) {
            return $this->hold($bay, $fitting, $row, $shot, $why);
        }
        $remarks = array_filter([$place->remark, self::changedRepeat($before, $shot), ...$shot->remarks]);
        $columns = ['sender_run' => $place->run] + ($fitting->id === $inBay ? ['sequence' => $last + 1] : []);
        [$stored, $why] = $this->store($bay, $fitting, $row, $shot, $shot->values, $remarks, $columns);

        return $stored === null
            ? $this->hold($bay, $fitting, $row, $shot, $why)
            : ['id' => $shot->id, 'status' => 'stored', 'shot' => $stored, 'reason' => null];
    }

    private static function place(Bay $bay, stdClass $row, PostedShot $shot, float $nowS, bool $isOneOfMany): Placement
    {
        $fitting = $row->id === null ? null : (int) $row->id;
        $running = $row->trial === null || $fitting === null ? null
            : new Trial((int) $row->trial, (int) $row->trial_number, $fitting, SenderRecord::seconds($row->trial_began));
        $recent = SenderRecord::recent($bay->id, $shot, $nowS);
        $trialAt = static fn (float $hitS): ?Trial => SenderRecord::trialAt($fitting, $running?->id, $recent, $hitS);

        $isOnHeels = $recent !== [] && abs($nowS - $recent[0]->cameS) < SenderClock::SLACK_S;
        $place = Placement::of($shot, $recent, $nowS, $running, $trialAt, $isOneOfMany || $isOnHeels);
        if ($place->remark === Placement::TOGETHER && $isOnHeels && $recent[0]->trial === $running?->id) {
            self::flagTheFirst($bay, $running);
        }

        return $place;
    }

    /** Posted one by one, the first of those that waited was no more than a shot, until the next came on its heels. */
    private static function flagTheFirst(Bay $bay, ?Trial $running): void
    {
        DB::table('shots')->where('bay_id', $bay->id)->where('trial_id', $running?->id)->where('created_at', '>=', now()->subSeconds(3))
            ->whereNull('sender_sequence')->where('flags', 'not like', '%'.Placement::TOGETHER.'%')
            ->update(['flags' => DB::raw('JSON_ARRAY_APPEND(flags, "$", '.DB::getPdo()->quote(Placement::TOGETHER).')')]);
    }

    /**
     * A held shot with its values put right, as a shot of the trial of the row.
     *
     * @param  array<mixed>  $values
     * @return array{int|null, string} its number; or why it still cannot be read
     */
    public function putRight(HeldShot $held, Fitting $fitting, stdClass $row, array $values): array
    {
        // Nothing was sent like this: a repeat of what was sent is answered as that was.
        $columns = ['sender_id' => null, 'sender_session' => null, 'content' => null, 'source' => $held->source];

        return $this->store($held->bay, $fitting, $row, $held->posted(), $values, ["Was held: {$held->reason}"], $columns);
    }

    /**
     * @param  stdClass  $row  the fitting's, with trial, trial_setup, trial_kind and player_hand
     * @param  array<mixed>  $values
     * @param  array<string>  $remarks  told among its flags
     * @param  array<string, mixed>  $columns  that are not as the shot says; its number in the fitting, where it is known
     * @return array{int|null, string} its number; or why it cannot be read
     */
    private function store(
        Bay $bay,
        Fitting $fitting,
        stdClass $row,
        PostedShot $shot,
        array $values,
        array $remarks,
        array $columns,
    ): array {
        [$read, $issues] = TypedShot::read(self::quantities($values), Hand::from($row->player_hand), $fitting->flight());
        $refused = array_filter($issues, fn (Issue $i): bool => $i->refused);
        if ($refused !== []) {
            return [null, implode('; ', array_map(fn (Issue $i): string => $i->message, $refused))];
        }
        $leftOut = $row->trial_kind === 'warm-up' ? 'warm-up' : (LaunchShot::isToppedBy($read) ? 'mishit' : null);
        $flags = [...array_map(fn (Issue $i): string => $i->message, $issues), ...array_values($remarks)];
        $json = fn (mixed $v): string => json_encode($v, JSON_THROW_ON_ERROR);

        $columns['sequence'] ??= (int) DB::table('shots')->where('fitting_id', $fitting->id)->max('sequence') + 1;

        return [DB::table('shots')->insertGetId($columns + [
            'studio_id' => $fitting->studio_id, 'fitting_id' => $fitting->id, 'setup_id' => $row->trial_setup, 'trial_id' => $row->trial,
            'bay_id' => $bay->id, 'source' => $shot->source, 'sender_id' => $shot->id, 'sender_session' => $shot->session,
            'content' => $shot->content, 'sender_sequence' => $shot->sequence, 'shot_key' => ShotRow::keyOf($read, $shot->at),
            'measured' => $json($read), 'typed' => $json($values), 'beside' => $shot->beside, 'flags' => $json($flags),
            'hit_at' => $shot->at,
            'left_out_reason' => $leftOut, 'left_out_at' => $leftOut === null ? null : now(),
            'created_at' => now(), 'updated_at' => now(),
        ]), ''];
    }

    /** @return Answer */
    private function hold(Bay $bay, ?Fitting $fitting, stdClass $row, PostedShot $shot, string $reason): array
    {
        $reason = mb_strimwidth($reason, 0, 290, '…');
        HeldShot::query()->create([
            'studio_id' => $bay->studio_id, 'bay_id' => $bay->id, 'fitting_id' => $fitting?->id, 'trial_id' => $row->trial,
            'sender_id' => $shot->id, 'sender_session' => $shot->session, 'content' => $shot->content,
            'sender_sequence' => $shot->sequence, 'source' => $shot->source, 'body' => $shot->raw, 'reason' => $reason,
        ]);

        return ['id' => $shot->id, 'status' => 'held', 'shot' => null, 'reason' => $reason];
    }

    /** The same id and the same values, too late for a repeat: the fitter says whether it is a shot of its own. */
    private static function equals(Earlier $same, ?Fitting $fitting): string
    {
        $came = gmdate('j F Y, H:i', (int) $same->cameS).' UTC';
        $shot = $same->shot === null ? null : DB::table('shots')->join('setups', 'setups.id', '=', 'shots.setup_id')
            ->where('shots.id', $same->shot)->first(['shots.sequence', 'shots.fitting_id', 'setups.tag']);
        $which = match (true) {
            $shot === null => "a shot that was held ({$came})",
            (int) $shot->fitting_id === $fitting?->id => "shot {$shot->sequence} with {$shot->tag} ({$came})",
            default => "shot {$shot->sequence} of an earlier fitting ({$came})",
        };

        return "It equals {$which} in id and in every value. Take it if it is another shot, or discard it.";
    }

    /** An id should name one shot; this one named another that is much alike. Both are kept. */
    private static function changedRepeat(?Earlier $before, PostedShot $shot): ?string
    {
        $id = mb_strimwidth((string) $shot->id, 0, 40, '…');

        return $before?->isLikelyAlso($shot) === true
            ? "The monitor sent “{$id}” before with nearly the same values: perhaps it is one shot. Leave one of them out then."
            : null;
    }

    /**
     * A bare number is in the kept unit that its field names; a `{value, unit}` says its own. A bare text is no number of a monitor's: in
     * a list it is refused as such.
     *
     * @param  array<mixed>  $values
     * @return array<mixed>
     */
    private static function quantities(array $values): array
    {
        $isNumber = static fn (mixed $v): bool => is_int($v) || is_float($v);
        $plain = static fn (mixed $v): mixed => match (true) {
            $isNumber($v) => ['value' => sprintf('%.6F', $v)],
            is_array($v) && $isNumber($v['value'] ?? null) => ['value' => sprintf('%.6F', $v['value'])] + $v,
            is_string($v) => [$v],
            default => $v,
        };

        return array_map($plain, array_filter($values, fn (mixed $v): bool => $v !== null));
    }
}
