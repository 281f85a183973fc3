<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Contract\KeptShape;
use App\Models\Blind;
use App\Models\BriefChange;
use App\Models\Confirm;
use App\Models\Decision;
use App\Models\Fitting;
use App\Models\LongClub;
use App\Models\Memory;
use App\Models\Part;
use App\Models\Player;
use App\Models\RackHead;
use App\Models\Rating;
use App\Models\Setup;
use App\Models\Shot;
use App\Models\Trial;
use App\Models\User;
use App\Models\Visit;
use App\Support\Transaction;
use Illuminate\Support\Collection;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Errors\UnreadableFile;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Gaps\LongClub as Club;
use MintCarry\Core\Record\FittingFile;
use MintCarry\Core\Record\FittingRecord;

/**
 * Reads a fitting file (`FittingExporter`) as a new fitting of a studio, all of it or nothing. The core has read it first, so
 * what it refuses never comes here.
 */
final class FittingImporter
{
    /** @var array<string, Setup> by tag */
    private array $setups = [];

    /** @var array<int, int> ids by number in the file */
    private array $visits = [];

    /** @var array<int, int> ids by number */
    private array $trials = [];

    /** @var array<int, int> ids by index in the file */
    private array $blinds = [];

    /** @var array<int, int> ids by index in the file */
    private array $confirms = [];

    /** @var array<string, int> columns that everything of the fitting has */
    private array $mine = [];

    public function __construct(private readonly User $user)
    {
    }

    /**
     * Reads a file: as a look at it, or as a new fitting of this studio.
     *
     * @return array{player: string, hand: string, setups: list<string>, shots: int, decisions: int,
     *   rack: array{added: list<string>, there: list<string>}, fittingId: int|null}
     *
     * @throws ValidationException naming what is wrong and where
     */
    public function import(string $bytes, bool $keep): array
    {
        try {
            $data = FittingFile::parse($bytes);
            $record = FittingFile::read($data);
        } catch (InvalidInput|UnreadableFile $e) {
            throw ValidationException::withMessages(['file' => $e->getMessage().' Nothing was added.']);
        }
        try {
            return Transaction::lookOrKeep(function () use ($data, $record, $keep): array {
                [$fitting, $heads] = $this->write($data, $record);

                return [
                    'player' => $fitting->player->name, 'hand' => $fitting->player->hand->value,
                    'setups' => array_map(strval(...), array_keys($record->setups)), 'shots' => $fitting->shots()->count(),
                    'decisions' => $fitting->decisions()->count(), 'rack' => $heads, 'fittingId' => $keep ? $fitting->id : null,
                ];
            }, $keep);
        } catch (ValidationException|InvalidInput $e) {
            $why = $e instanceof ValidationException ? (string) array_values($e->errors())[0][0] : $e->getMessage();
            throw ValidationException::withMessages([
                'file' => str_contains($why, 'Nothing was added') ? $why : "{$why} Nothing was added.",
            ]);
        }
    }

    /**
     * @param  array<string, mixed>  $data  that the core has read without an error
     * @return array{Fitting, array{added: list<string>, there: list<string>}}
     */
    private function write(array $data, FittingRecord $record): array
    {
        $this->requireTaken($data);
        $this->mine = ['studio_id' => $this->user->studio_id];
        [$heads, $done] = (new FileRack($this->user))->heads($data['rack'] ?? []);
        $player = $this->player($data['player']);
        $fitting = new Fitting($this->mine + [
            'player_id' => $player->id, 'typed' => [], 'seed' => $record->seed, 'screening' => $record->screening->name,
            'memory_id' => $this->memory($record)?->id,
            'tie_order' => isset($data['tieOrder']) ? $record->tieOrder : null, 'asks_ratings' => (bool) ($data['asksRatings'] ?? true),
            'brief_agreed_at' => FileItem::moment($data['briefAgreedAt'] ?? null),
        ]);
        $fitting->setBrief($record->brief);
        $fitting->save();
        $this->mine['fitting_id'] = $fitting->id;
        $this->setups($data, $record, $heads);
        $fitting->update(['benchmark_setup_id' => isset($data['benchmark']) ? $this->setups[$data['benchmark']]->id : null]);
        $this->visitsBlindsAndConfirms($data);
        $this->trials($data);
        $this->shots($data, $fitting);
        $this->ratings($data);
        $this->decisions($data);
        $this->longClubs($data);
        foreach (FileItem::items($data, 'briefChanges') as $i => $c) {
            FileItem::dated(BriefChange::query()->create($this->mine + [
                'before' => self::briefOf($c, 'before', $i), 'after' => self::briefOf($c, 'after', $i),
                'why' => FileItem::text($c, 'why', 300), 'changed_by' => $this->user->id, 'created_at' => now(),
            ]), $c['at'] ?? null);
        }

        return [$fitting->refresh(), $done];
    }

    /**
     * @param  array<string, mixed>  $change
     * @return array<string, mixed>
     */
    private static function briefOf(array $change, string $key, int $i): array
    {
        try {
            return Brief::fromArray((array) ($change[$key] ?? []))->toArray();
        } catch (InvalidInput $e) {
            throw InvalidInput::of("briefChanges[{$i}].{$key}", "briefChanges[{$i}].{$key}: {$e->getMessage()}");
        }
    }

    /** What the fitting rested on comes with it; nothing else begins with that. */
    private function memory(FittingRecord $record): ?Memory
    {
        return $record->memory === null
            ? null
            : Memory::query()->create(['studio_id' => $this->user->studio_id, 'content' => $record->memory->toArray()]);
    }

    /** @param  array<string, mixed>  $said */
    private function player(array $said): Player
    {
        $units = array_intersect_key((array) ($said['units'] ?? []), Player::UNITS);
        foreach ($units as $kind => $unit) {
            if (! in_array($unit, Player::UNITS[$kind], true)) {
                throw InvalidInput::of('player.units', "player.units: {$kind} cannot be shown in '".(is_scalar($unit) ? $unit : '?')."'.");
            }
        }
        $name = trim(FileItem::text($said, 'name', 80));

        return Player::query()->create($this->mine + [
            'name' => $name === '' ? 'Unnamed player' : $name, 'hand' => $said['hand'], 'units' => $units + Player::USUAL_UNITS,
        ]);
    }

    /**
     * Made-up shots and readings do not come in where nobody asked for them.
     *
     * @param  array<string, mixed>  $data
     */
    private function requireTaken(array $data): void
    {
        if ($this->user->studio->takesSimulated()) {
            return;
        }
        $heads = (array) ($data['rack']['heads'] ?? []);
        $found = array_filter([
            'simulated shots' => self::countSimulated($data['shots'] ?? []),
            'swing weights of a stand-in' => self::countSimulated($data['setups'] ?? [], 'swingWeightSource'),
            'readings of a stand-in' => array_sum(
                array_map(static fn (mixed $head): int => self::countSimulated(is_array($head) ? $head['readings'] ?? [] : []), $heads),
            ),
        ]);
        if ($found !== []) {
            $what = implode(', ', array_map(static fn (string $what, int $n): string => "{$what} ({$n})", array_keys($found), $found));
            throw InvalidInput::of('file', "This file holds {$what}, and this studio takes nothing simulated. Switch simulated shots on in the bay to take it.");
        }
    }

    private static function countSimulated(mixed $list, string $key = 'source'): int
    {
        return count(array_filter((array) $list, static fn (mixed $item): bool => is_array($item) && ($item[$key] ?? '') === 'simulated'));
    }

    /**
     * @param  array<string, mixed>  $data
     * @param  array<string, RackHead>  $heads  by their label in the file
     */
    private function setups(array $data, FittingRecord $record, array $heads): void
    {
        $parts = Part::query()
            ->where('studio_id', $this->user->studio_id)->whereNull('retired_at')->get()
            ->keyBy(fn (Part $p): string => "{$p->kind}/{$p->label}");
        foreach (array_values($data['setups']) as $i => $item) {
            $columns = FileItem::columns($item, FittingFormat::SETUP, "setups[{$i}]");
            $head = ($item['onRack'] ?? false) ? $heads[$item['head']] : null;
            if (! in_array($columns['shelf'] ?? '', Setup::SHELVES, true)) {
                throw InvalidInput::of('shelf', "setups[{$i}].shelf: a setup is parked, dropped or neither.");
            }
            $kept = $record->setups[(string) $item['tag']];
            $ofRack =
                $head === null
                    ? []
                    : [
                        'head' => $head->label, 'masses' => $kept->masses, 'weights' => $kept->weights,
                        'rack_snapshot' => $columns['rack_snapshot'] ?? $head->snapshot(),
                    ];
            $this->setups[$item['tag']] = Setup::query()->create(
                $this->mine + [
                    'position' => $i + 1, 'is_baseline' => $i === 0, 'head_id' => $head?->id,
                    'starred' => (bool) ($item['starred'] ?? false), 'typed' => [],
                    'shaft_id' => self::part($parts, 'shaft', $item), 'grip_id' => self::part($parts, 'grip', $item),
                    'ball_id' => self::part($parts, 'ball', $item),
                    'stated_loft_deg' => $columns['stated_loft_deg'] ?? $head?->stated_loft_deg,
                ] +
                    $ofRack +
                    $columns,
            );
        }
        foreach ($data['setups'] as $item) {
            if (isset($item['branchedFrom'])) {
                $this->setups[$item['tag']]->update(['branched_from_id' => $this->setups[$item['branchedFrom']]->id]);
            }
        }
    }

    /** @param  array<string, mixed>  $item */
    private function setup(array $item, string $key, string $where): int
    {
        $tag = is_string($item[$key] ?? null) ? $item[$key] : '';

        return ($this->setups[$tag] ?? throw InvalidInput::of($where, "{$where}.{$key}: there is no such setup in this file."))->id;
    }

    /** @param  array<string, mixed>  $data */
    private function longClubs(array $data): void
    {
        foreach (FileItem::items($data, 'longClubs') as $c) {
            LongClub::query()->create($this->mine + [
                'name' => FileItem::text($c, 'name', Club::LONGEST_NAME), 'kind' => $c['kind'] ?? 'fairway wood', 'loft_deg' => $c['loftDeg'],
                'lie_deg' => $c['lieDeg'] ?? 57.0, 'face_open_deg' => $c['faceOpenDeg'] ?? 0.0, 'sleeve' => $c['sleeve'] ?? null,
                'sleeve_label' => FileItem::text($c, 'position', 40) ?: (string) ($c['sleeve']['home'] ?? ''),
                'shots' => array_map(static fn (array $s): array => [
                    'values' => $s['measured'] ?? $s, 'typed' => array_map(strval(...), array_filter((array) ($s['typed'] ?? []), is_scalar(...))),
                ], FileItem::items($c, 'shots')),
            ]);
        }
    }

    /** @param  array<string, mixed>  $data */
    private function visitsBlindsAndConfirms(array $data): void
    {
        $by = ['begun_by' => $this->user->id];
        foreach (FileItem::items($data, 'visits') as $i => $v) {
            $number = FileItem::number($v, 'number', "visits[{$i}]", FittingFile::MOST_TRIALS, $i + 1);
            $this->visits[$number] = FileItem::dated(Visit::query()->create($this->mine + $by + ['number' => $number]), $v['at'] ?? null)->id;
        }
        foreach (FileItem::items($data, 'blinds') as $i => $b) {
            $tags = array_values(array_filter((array) ($b['setups'] ?? []), is_string(...)));
            $this->blinds[$i] = Blind::query()->create($this->mine + $by + [
                'setups' => array_map(fn (string $t): int => $this->setup(['setup' => $t], 'setup', "blinds[{$i}]"), $tags),
                'shots_each' => max(1, min(10, (int) ($b['shotsEach'] ?? 1))), 'ordinal' => max(0, count($tags) - 1),
                'revealed_at' => FileItem::moment($b['revealedAt'] ?? null) ?? now(),
            ])->id;
        }
        foreach (FileItem::items($data, 'confirms') as $i => $c) {
            $this->confirms[$i] = Confirm::query()->create(
                $this->mine +
                    $by + [
                        'benchmark_setup_id' => $this->setup($c, 'held', "confirms[{$i}]"),
                        'setup_id' => $this->setup($c, 'setup', "confirms[{$i}]"),
                        'shots_each' => max(3, min(10, (int) ($c['shotsEach'] ?? 5))), 'rested' => (bool) ($c['rested'] ?? false),
                        'ended_at' => FileItem::moment($c['endedAt'] ?? null) ?? now(),
                    ],
            )->id;
        }
    }

    /** @param  array<string, mixed>  $data */
    private function trials(array $data): void
    {
        foreach (FileItem::items($data, 'trials') as $i => $t) {
            $trial = Trial::query()->create(
                $this->mine + [
                    'begun_by' => $this->user->id, 'setup_id' => $this->setup($t, 'setup', "trials[{$i}]"),
                    'number' => (int) $t['number'], 'kind' => $t['kind'] ?? 'trial', 'conditions' => (array) ($t['place'] ?? []),
                    'visit_id' => $this->visits[(int) ($t['visit'] ?? 0)] ?? null,
                    'blind_id' => isset($t['blind']) ? $this->blinds[$t['blind']] ?? null : null,
                    'confirm_id' => isset($t['confirm']) ? $this->confirms[$t['confirm']] ?? null : null,
                    'guess_setup_id' => isset($t['guess']) ? $this->setup($t, 'guess', "trials[{$i}]") : null, 'guess_asked' => isset($t['guess']),
                    'rating_skipped' => (bool) ($t['ratingSkipped'] ?? false), 'note' => FileItem::text($t, 'note', 500),
                    'ended_at' => FileItem::moment($t['at'] ?? null) ?? now(),
                ],
            );
            $this->trials[(int) $t['number']] = FileItem::dated($trial, $t['at'] ?? null)->id;
        }
    }

    /** @param  array<string, mixed>  $data */
    private function shots(array $data, Fitting $fitting): void
    {
        $json = static fn (mixed $value): string => json_encode($value, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);
        $rows = [];
        foreach (FileItem::items($data, 'shots') as $i => $s) {
            $columns = FileItem::columns($s, FittingFormat::SHOT, "shots[{$i}]");
            $rows[] = $this->mine + [
                'setup_id' => $this->setup($s, 'setup', "shots[{$i}]"),
                'trial_id' => isset($s['trial']) ? $this->trials[(int) $s['trial']] : null,
                'sequence' => (int) ($s['sequence'] ?? $i + 1), 'source' => $columns['source'] ?? 'file',
                'shot_key' => md5("{$fitting->id}/{$i}"), 'measured' => $json((object) ($s['measured'] ?? [])),
                'typed' => $json((object) ($columns['typed'] ?? [])),
                'flags' => $json(array_values(array_filter((array) ($columns['flags'] ?? []), is_string(...)))),
                'intent' => in_array($columns['intent'] ?? '', Shot::INTENTS, true) ? $columns['intent'] : 'normal',
                'hit_at' => $columns['hit_at'] ?? null, 'note' => $columns['note'] ?? null,
                'left_out_reason' => $columns['left_out_reason'] ?? null, 'left_out_note' => $columns['left_out_note'] ?? null,
                'left_out_by' => isset($columns['left_out_reason']) ? $this->user->id : null, 'created_at' => now(), 'updated_at' => now(),
            ];
        }
        foreach (array_chunk($rows, 500) as $chunk) {
            Shot::query()->insert($chunk);
        }
    }

    /** @param  array<string, mixed>  $data */
    private function ratings(array $data): void
    {
        foreach (FileItem::items($data, 'ratings') as $i => $r) {
            $trial = $this->trials[(int) ($r['trial'] ?? 0)] ?? null;
            if ($trial !== null) {
                Rating::query()->updateOrCreate(['trial_id' => $trial, 'kind' => $r['kind']], $this->mine + [
                    'setup_id' => $this->setup($r, 'setup', "ratings[{$i}]"), 'stars' => (int) $r['stars'], 'rated_by' => $this->user->id,
                ]);
            }
        }
    }

    /** @param  array<string, mixed>  $data */
    private function decisions(array $data): void
    {
        // Format 1 did not always say how many of the shots that count were made up; the file itself does.
        $later = $data['format'] === FittingFile::FORMAT ? [] : ['simulatedShots' => self::countSimulated(array_filter(
            FileItem::items($data, 'shots'), static fn (array $shot): bool => ! isset($shot['leftOut']),
        ))];
        foreach (FileItem::items($data, 'decisions') as $i => $d) {
            $kept = [];
            foreach (['advice' => 'Advice', 'proof' => 'Grounds'] as $key => $shape) {
                $kept[$key] = isset($d[$key]) ? FittingFormat::today((array) $d[$key]) + $later : null;
                if ($kept[$key] !== null) {
                    KeptShape::require($shape, $kept[$key], "decisions[{$i}].{$key}");
                }
            }
            if ($kept['advice'] === null) {
                throw InvalidInput::of(
                    "decisions[{$i}].advice", "decisions[{$i}].advice is missing: what the decision rested on. Nothing was brought in.",
                );
            }
            $decision = Decision::query()->create(
                $this->mine + [
                    'setup_id' => $this->setup($d, 'setup', "decisions[{$i}]"),
                    'advised_setup_id' => $this->setup($d + ['advised' => $d['setup'] ?? null], 'advised', "decisions[{$i}]"),
                    'reason' => FileItem::text($d, 'reason', 2000), 'advice' => $kept['advice'], 'proof' => $kept['proof'],
                    'number' => FileItem::number($d, 'version', "decisions[{$i}]", FittingFile::MOST_TRIALS, 1),
                    'locked_at' => FileItem::moment($d['lockedAt'] ?? null), 'reopened_at' => FileItem::moment($d['reopenedAt'] ?? null),
                    'reopen_why' => FileItem::text($d, 'reopenWhy', 300), 'decided_by' => $this->user->id,
                ],
            );
            FileItem::dated($decision, $d['at'] ?? null);
        }
    }

    /**
     * @param  Collection<array-key, Part>  $parts
     * @param  array<string, mixed>  $item
     */
    private static function part(Collection $parts, string $kind, array $item): ?int
    {
        $label = $item[FittingFormat::PARTS[$kind]] ?? null;

        return is_string($label) ? $parts->get("{$kind}/{$label}")?->id : null;
    }
}
