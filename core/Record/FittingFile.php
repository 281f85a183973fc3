<?php

declare(strict_types=1);

namespace MintCarry\Core\Record;

use MintCarry\Core\Air\Atmosphere;
use MintCarry\Core\Air\OpenAir;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\RackedHead;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Errors\UnreadableFile;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Screening;
use MintCarry\Core\Fitting\TieBreak;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Launch\BayCalibration;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Memory\StudioMemory;

use function array_is_list;
use function array_keys;
use function array_map;
use function count;
use function is_array;
use function is_int;
use function is_string;

/**
 * A fitting file: open JSON with a published schema (docs/schemas/fitting.schema.json). Read strictly: a key that nobody knows, a
 * setup that is not there, a value of the wrong kind are named with their place, and nothing of the file is taken.
 */
final class FittingFile
{
    /** What is written. Every earlier number is read (tests/fixtures/fittings); a key that must be there asks for a new number. */
    public const FORMAT = 'mint-carry-fitting/2';

    private const MOST_SHOTS = 20_000;

    /** Numbers of trials and visits, places of shots, and letters of a tag: no more is kept (`database/migrations`). */
    public const MOST_TRIALS = 65_535;

    public const MOST_SEQUENCE = 4_294_967_295;

    public const LONGEST_TAG = 3;

    private const TOP = [
        'format', 'madeBy', 'seed', 'exportedAt', 'player', 'brief', 'briefAgreedAt', 'screening', 'tieOrder', 'asksRatings', 'memory',
        'benchmark', 'rack', 'setups', 'visits', 'trials', 'shots', 'ratings', 'blinds', 'confirms', 'decisions', 'briefChanges', 'longClubs',
    ];

    private const SHOT = [
        'setup', 'trial', 'sequence', 'measured', 'typed', 'flags', 'source', 'intent', 'hitAt', 'note', 'leftOut', 'leftOutNote',
    ];

    /**
     * The JSON of a file, if it is one of ours.
     *
     * @return array<string, mixed>
     *
     * @throws UnreadableFile where it is not JSON
     * @throws InvalidInput where it is not a fitting, or of a later schema
     */
    public static function parse(string $json): array
    {
        $data = json_decode($json, true);
        if (! is_array($data)) {
            throw UnreadableFile::because('The file is not JSON: '.json_last_error_msg().'.');
        }
        self::requireFormat($data);

        /** @var array<string, mixed> $data */
        return $data;
    }

    /** @param  array<mixed>  $data */
    public static function requireFormat(array $data): void
    {
        $format = $data['format'] ?? null;
        [$name, $ours] = explode('/', self::FORMAT);
        $number = is_string($format) && preg_match('#^'.preg_quote($name, '#').'/([1-9]\d{0,8})$#', $format, $m) === 1 ? (int) $m[1] : 0;
        if ($number > (int) $ours) {
            throw InvalidInput::of(
                'format',
                "This file is of schema {$number}; this version of Mint Carry reads schemas 1 to {$ours}. Update Mint Carry to "
                    .'open it. The file is untouched.',
            );
        }
        if ($number === 0) {
            throw InvalidInput::of('format', "This is not a fitting file: its format should say '".self::FORMAT."'.");
        }
    }

    /**
     * @param  array<mixed>  $data  as `parse` gives it
     *
     * @throws InvalidInput with the place in the file
     */
    public static function read(array $data, ?string $swing = null): FittingRecord
    {
        self::requireFormat($data);
        $file = Item::of($data)->only(...self::TOP);
        $seed = $file->raw('seed') ?? 1;
        if (! is_int($seed) || $seed < 0 || $seed > 0xFFFFFFFF) {
            throw InvalidInput::of('seed', "'seed' must be a whole number from 0 to 4294967295.");
        }
        $player = $file->object('player')?->only('name', 'hand', 'units') ?? throw InvalidInput::of('player', "'player' is missing.");
        $hand = Hand::from($player->choice('hand', ['right', 'left']));
        $brief = self::brief($file->raw('brief'));
        $air = new Atmosphere($brief->temperatureC, $brief->altitudeM);
        $flight = new BallFlight($air, turf: $brief->turf(), balls: RackItems::balls($file->object('rack')));
        $rack = RackItems::heads($file->object('rack'));
        $heads = [];
        foreach ($rack as $head) {
            $heads[$head->label] ??= $head;
        }
        $setups = self::setups($file, $heads, RackItems::prices($file->object('rack')));
        $known = static function (?string $tag, string $where) use ($setups): string {
            if ($tag === null || ! isset($setups[$tag])) {
                throw InvalidInput::of(
                    $where,
                    "{$where}: there is no setup '".
                        ($tag ?? '').
                        "' in this file".
                        ($setups === [] ? '.' : '; it has '.implode(', ', array_keys($setups)).'.'),
                );
            }

            return $tag;
        };
        $benchmark = $file->raw('benchmark');
        $benchmark = $benchmark === null ? null : $known(is_string($benchmark) ? $benchmark : null, 'benchmark');
        foreach ($setups as $setup) {
            if ($setup->branchedFrom !== null) {
                $known($setup->branchedFrom, "setup {$setup->tag}, branchedFrom");
            }
        }
        [$numbers, $inHand, $hitUnder, $places] = self::trials($file, $known);
        [$shots, $trialsHit, $calibration] = self::shots($file, $setups, $numbers, $known, $flight, $air, $places);
        self::longClubs($file, $flight);
        $screening = $file->raw('screening') ?? 'flagged';

        return (new FittingRecord(
            $seed, $hand, $brief, Screening::named(is_string($screening) ? $screening : ''), $calibration->flight, $setups, $shots,
            $benchmark,
            $rack, $inHand, self::confidence($file->objects('ratings'), $known), self::tieOrder($file),
            FittingRecord::conditionsOf(array_values(array_intersect_key($hitUnder, $trialsHit))), $calibration,
            memory: self::memory($file),
        ))->withoutFilledIn()->atOneSwing($swing);
    }

    /** Refuses a long club that cannot be. The driver's own fitting does not hang on them. */
    private static function longClubs(Item $file, BallFlight $flight): void
    {
        $names = [];
        foreach ($file->objects('longClubs') as $i => $item) {
            try {
                $club = LongClubItem::read($item, $flight);
            } catch (InvalidInput $e) {
                throw $e->inside("longClubs[{$i}]");
            }
            if (isset($names[mb_strtolower($club->name)])) {
                throw InvalidInput::of("longClubs[{$i}].name", "longClubs[{$i}]: there is another '{$club->name}' in this file.");
            }
            $names[mb_strtolower($club->name)] = true;
        }
    }

    /**
     * @param  array<string, RackedHead>  $heads
     * @param  array<string, array{price: float|null, currency: string}>  $prices  of parts
     * @return array<string, SetupRecord> by tag
     */
    private static function setups(Item $file, array $heads, array $prices): array
    {
        $setups = [];
        foreach ($file->objects('setups', true) as $item) {
            $setup = SetupItem::read($item, $heads, $prices);
            if (isset($setups[$setup->tag])) {
                throw InvalidInput::of('setups', "Two setups have the tag '{$setup->tag}'.");
            }
            $setups[$setup->tag] = $setup;
        }

        return $setups;
    }

    /**
     * @param  callable(?string, string): string  $known
     * @return array{array<int, string>, string|null, array<int, array{tag: string, visit: int|null, conditions: array<mixed>}>,
     *   array<int, array{visit: int|null, conditions: array<mixed>}>} tags by number; tag of the last; what each that counts was hit
     *   under, and where each was hit, by number
     */
    private static function trials(Item $file, callable $known): array
    {
        [$order, $inHand, $numbers, $hitUnder, $places] = [0, null, [], [], []];
        foreach ($file->objects('trials') as $i => $trial) {
            $trial->only('number', 'setup', 'kind', 'place', 'visit', 'blind', 'confirm', 'guess', 'ratingSkipped', 'note', 'at');
            $number = $trial->whole('number', 1, self::MOST_TRIALS);
            if (isset($numbers[$number])) {
                throw InvalidInput::of("trials[{$i}].number", "Two trials have the number {$number}.");
            }
            $numbers[$number] = $tag = $known($trial->text('setup'), "trials[{$i}].setup");
            if ($trial->has('guess')) {
                $known($trial->text('guess'), "trials[{$i}].guess");
            }
            $visit = $trial->has('visit') ? $trial->whole('visit', 1, self::MOST_TRIALS) : null;
            $places[$number] = ['visit' => $visit, 'conditions' => self::conditions($trial, "trials[{$i}].place")];
            if ($trial->choice('kind', ['trial', 'warm-up'], 'trial') === 'trial') {
                $hitUnder[$number] = ['tag' => $tag] + $places[$number];
            }
            [$order, $inHand] = $number >= $order ? [$number, $tag] : [$order, $inHand];
        }

        return [$numbers, $inHand, $hitUnder, $places];
    }

    /**
     * What a trial was hit under, each value one that can be; what nobody knows today is kept as it stands, as long as it is a word or
     * a number.
     *
     * @return array<string, scalar>
     */
    private static function conditions(Item $trial, string $where): array
    {
        $place = [];
        foreach ((array) ($trial->raw('place') ?? []) as $name => $value) {
            if ($value === null) {
                continue;
            }
            $bounds = OpenAir::NUMBERS[$name] ?? null;
            if ($name === 'outdoors' && ! is_bool($value)) {
                throw InvalidInput::of("{$where}.outdoors", "'{$where}.outdoors' must be true or false.");
            }
            if ($bounds !== null) {
                if (! is_int($value) && ! is_float($value)) {
                    throw InvalidInput::of("{$where}.{$name}", "'{$where}.{$name}' must be a number.");
                }
                InvalidInput::requireWithin("{$where}.{$name}", (float) $value, ...$bounds);
            } elseif (! is_scalar($value) || (is_string($value) && mb_strlen($value) > 200)) {
                throw InvalidInput::of("{$where}.{$name}", "'{$where}.{$name}' must be a word or a number.");
            }
            $place[(string) $name] = $value;
        }

        return $place;
    }

    /**
     * @param  array<string, SetupRecord>  $setups
     * @param  array<int, string>  $numbers  of trials
     * @param  callable(?string, string): string  $known
     * @param  array<int, array{visit: int|null, conditions: array<mixed>}>  $places  of trials, by number
     * @return array{array<string, list<ShotRecord>>, array<int, true>, BayCalibration} shots by tag in their order; numbers of
     *   trials that were hit; what the monitors say
     */
    private static function shots(
        Item $file, array $setups, array $numbers, callable $known, BallFlight $flight, Atmosphere $air, array $places,
    ): array {
        $items = $file->objects('shots');
        if (count($items) > self::MOST_SHOTS) {
            throw InvalidInput::of('shots', sprintf('A fitting file holds up to %d shots, not %d.', self::MOST_SHOTS, count($items)));
        }
        $read = array_map(
            static fn (Item $item, int $i): array => self::shot($item, $i, $numbers, $known, $places), $items, array_keys($items),
        );
        $calibration = BayCalibration::of(
            array_values(array_filter(
                array_map(static fn (array $s): array => ['ball' => $setups[$s['tag']]->ball] + $s, $read), static fn (array $s): bool => $s['leftOut'] !== BayCalibration::NOT_BY && $s['openAir']?->isWindy() !== true,
            )), $flight, $air,
        );
        $shots = array_map(static fn (): array => [], $setups);
        $hit = [];
        foreach ($read as $i => $s) {
            $hit[$s['trial']] = true;
            $flight = $calibration->flightOf($s['monitor'], $s['visit'])->ofBall($setups[$s['tag']]->ball);
            $shot = LaunchShot::of($s['values'], $flight, $s['openAir']);
            foreach ($shot->issues() as $issue) {
                if ($issue->refused) {
                    throw InvalidInput::of("shots[{$i}].measured.{$issue->field}", "shots[{$i}]: {$issue->message}.");
                }
            }
            $shots[$s['tag']][] = new ShotRecord($shot, $s['sequence'], $s['leftOut'], $s['simulated'], $s['visit'], $s['trial'],
                $s['intent']);
        }
        foreach ($shots as $tag => $list) {
            usort($list, static fn (ShotRecord $a, ShotRecord $b): int => $a->sequence <=> $b->sequence);
            $shots[$tag] = $list;
        }

        return [$shots, $hit, $calibration];
    }

    /**
     * @param  array<int, string>  $numbers
     * @param  callable(?string, string): string  $known
     * @param  array<int, array{visit: int|null, conditions: array<mixed>}>  $places
     * @return array{tag: string, trial: int, values: array<string, float>, sequence: int, leftOut: string|null, simulated: bool,
     *   monitor: string, visit: int|null, air: Atmosphere|null, openAir: OpenAir|null, intent: string}
     */
    private static function shot(Item $item, int $i, array $numbers, callable $known, array $places): array
    {
        $item->only(...self::SHOT);
        $tag = $known($item->text('setup'), "shots[{$i}].setup");
        $trial = $item->optional('trial');
        if ($trial !== null && ! isset($numbers[(int) $trial])) {
            throw InvalidInput::of("shots[{$i}].trial", sprintf('shots[%d]: there is no trial %d in this file.', $i, $trial));
        }
        $left = $item->raw('leftOut');
        if ($left !== null && ! is_string($left)) {
            throw InvalidInput::of("shots[{$i}].leftOut", "'shots[{$i}].leftOut' must be a text: why the shot does not count.");
        }
        $place = $places[(int) ($trial ?? 0)] ?? ['visit' => null, 'conditions' => []];
        $simulated = $item->raw('source') === 'simulated';

        return [
            'tag' => $tag, 'trial' => (int) ($trial ?? 0), 'values' => self::measured($item, $i),
            'sequence' => $item->has('sequence') ? $item->whole('sequence', 0, self::MOST_SEQUENCE) : $i + 1, 'leftOut' => $left,
            'simulated' => $simulated, 'monitor' => BayCalibration::monitorOf($simulated, $place['conditions']['monitor'] ?? null),
            'visit' => $place['visit'], 'air' => BayCalibration::airOf($place['conditions']),
            'openAir' => OpenAir::of($place['conditions']), 'intent' => is_string($item->raw('intent')) ? $item->raw('intent') : 'normal',
        ];
    }

    private static function memory(Item $file): ?StudioMemory
    {
        $kept = $file->raw('memory');

        return $kept === null
            ? null
            : StudioMemory::from(is_array($kept) ? $kept : []) ??
                throw InvalidInput::of('memory', "'memory' is not what a studio learned of its heads (docs/schemas/memory.schema.json).");
    }

    /** @return list<string> */
    private static function tieOrder(Item $file): array
    {
        $order = $file->raw('tieOrder') ?? TieBreak::CRITERIA;
        if (! is_array($order) || ! array_is_list($order)) {
            throw InvalidInput::of('tieOrder', "'tieOrder' must be a list.");
        }
        $order = array_map(static fn (mixed $t): string => is_string($t) ? $t : '', $order);
        TieBreak::requireOrder($order);

        return $order;
    }

    private static function brief(mixed $data): Brief
    {
        if ($data !== null && (! is_array($data) || ($data !== [] && array_is_list($data)))) {
            throw InvalidInput::of('brief', "'brief' must be a JSON object.");
        }
        try {
            return Brief::fromArray((array) $data);
        } catch (InvalidInput $e) {
            throw $e->inside('brief');
        }
    }

    /** @return array<string, float> */
    private static function measured(Item $shot, int $i): array
    {
        $values = $shot->numbers('measured');
        foreach (array_keys($values) as $field) {
            if (Measure::tryFrom($field) === null) {
                throw InvalidInput::of("shots[{$i}].measured.{$field}", "shots[{$i}]: '{$field}' is not a measure.");
            }
        }

        return $values;
    }

    /**
     * @param  list<Item>  $ratings
     * @param  callable(?string, string): string  $known
     * @return array<string, float> mean stars of confidence by tag
     */
    private static function confidence(array $ratings, callable $known): array
    {
        $stars = [];
        foreach ($ratings as $i => $rating) {
            $rating->only('trial', 'setup', 'kind', 'stars');
            $tag = $known($rating->text('setup'), "ratings[{$i}].setup");
            $value = $rating->number('stars');
            InvalidInput::requireWithin("ratings[{$i}].stars", $value, 1, 5);
            if ($rating->choice('kind', ['looks', 'feel', 'sound', 'confidence']) === 'confidence') {
                $stars[$tag][] = $value;
            }
        }

        return array_map(static fn (array $s): float => array_sum($s) / count($s), $stars);
    }
}
