<?php

declare(strict_types=1);

namespace MintCarry\Core\Record;

use MintCarry\Core\Air\Atmosphere;
use MintCarry\Core\Club\AddressHabit;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\HeadReading;
use MintCarry\Core\Club\RackedHead;
use MintCarry\Core\Club\ReadingSet;
use MintCarry\Core\Club\SleeveChange;
use MintCarry\Core\Club\SleeveSystem;
use MintCarry\Core\Club\WeightSlot;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Errors\UnreadableFile;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Screening;
use MintCarry\Core\Fitting\TieBreak;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\Measure;

use function array_is_list;
use function array_keys;
use function array_map;
use function count;
use function is_array;
use function is_bool;
use function is_int;
use function is_string;

/**
 * A fitting file: open JSON with a published schema (docs/schemas/fitting.schema.json). Read strictly: a key that nobody knows, a
 * setup that is not there, a value of the wrong kind are named with their place, and nothing of the file is taken.
 */
final class FittingFile
{
    public const FORMAT = 'mint-carry-fitting/1';

    private const MOST_SHOTS = 20_000;

    /** Numbers of trials and visits, places of shots, and letters of a tag: no more is kept (`database/migrations`). */
    public const MOST_TRIALS = 65_535;

    public const MOST_SEQUENCE = 4_294_967_295;

    public const LONGEST_TAG = 3;

    private const TOP = [
        'format', 'madeBy', 'seed', 'exportedAt', 'player', 'brief', 'briefAgreedAt', 'screening', 'tieOrder', 'asksRatings',
        'benchmark', 'rack', 'setups', 'visits', 'trials', 'shots', 'ratings', 'blinds', 'confirms', 'decisions', 'briefChanges',
    ];

    private const SETUP = [
        'tag', 'head', 'onRack', 'branchedFrom', 'statedLoftDeg', 'measuredLoftDeg', 'measuredLieDeg', 'measuredFaceOpenDeg',
        'sleeveLabel', 'sleeveLoftDeg', 'sleeveFaceOpenDeg', 'sleeveLieDeg', 'weights', 'masses', 'asBuilt', 'shaft', 'shaftPart',
        'gripPart', 'ballPart', 'lengthMm', 'ball', 'teeMm', 'swingWeightPoints', 'swingWeightSource', 'swingWeightComputed', 'cue',
        'note', 'shelf', 'shelfReason', 'starred',
    ];

    private const SHOT = [
        'setup', 'trial', 'sequence', 'measured', 'typed', 'flags', 'source', 'intent', 'hitAt', 'note', 'leftOut', 'leftOutNote',
    ];

    private const HEAD = [
        'label', 'maker', 'hand', 'type', 'sleeve', 'statedLoftDeg', 'statedLieDeg', 'statedFaceOpenDeg', 'volumeCm3', 'massG',
        'cgToeMm', 'cgBackMm', 'cgUpMm', 'bulgeMm', 'rollMm', 'inertiaGcm2', 'slots', 'stockG', 'standard', 'supply', 'note',
        'readings', 'retired',
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
        if (
            is_string($format) &&
            preg_match('#^'.preg_quote($name, '#').'/(\d+)$#', $format, $m) === 1 &&
            (int) $m[1] > (int) $ours
        ) {
            throw InvalidInput::of(
                'format',
                "This file is of schema {$m[1]}; this version of Mint Carry reads schema {$ours}. Update Mint Carry to open it. The file is untouched.",
            );
        }
        if ($format !== self::FORMAT) {
            throw InvalidInput::of('format', "This is not a fitting file: its format should say '".self::FORMAT."'.");
        }
    }

    /**
     * @param  array<mixed>  $data  as `parse` gives it
     *
     * @throws InvalidInput with the place in the file
     */
    public static function read(array $data): FittingRecord
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
        $flight = new BallFlight(new Atmosphere($brief->temperatureC, $brief->altitudeM), turf: $brief->turf());
        $rack = self::rack($file->object('rack'));
        $heads = [];
        foreach ($rack as $head) {
            $heads[$head->label] ??= $head;
        }
        $setups = [];
        foreach ($file->objects('setups', true) as $item) {
            $setup = self::setup($item->only(...self::SETUP), $heads);
            if (isset($setups[$setup->tag])) {
                throw InvalidInput::of('setups', "Two setups have the tag '{$setup->tag}'.");
            }
            $setups[$setup->tag] = $setup;
        }
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
        [$order, $numbers] = [0, []];
        $inHand = null;
        $hitUnder = $trialsHit = [];
        foreach ($file->objects('trials') as $i => $trial) {
            $trial->only('number', 'setup', 'kind', 'place', 'visit', 'blind', 'confirm', 'ratingSkipped', 'note', 'at');
            $number = $trial->whole('number', 1, self::MOST_TRIALS);
            if (isset($numbers[$number])) {
                throw InvalidInput::of("trials[{$i}].number", "Two trials have the number {$number}.");
            }
            $numbers[$number] = $tag = $known($trial->text('setup'), "trials[{$i}].setup");
            $visit = $trial->has('visit') ? $trial->whole('visit', 1, self::MOST_TRIALS) : null;
            if ($trial->choice('kind', ['trial', 'warm-up'], 'trial') === 'trial') {
                $place = $trial->raw('place');
                $hitUnder[$number] = ['tag' => $tag, 'visit' => $visit, 'conditions' => is_array($place) ? $place : []];
            }
            [$order, $inHand] = $number >= $order ? [$number, $tag] : [$order, $inHand];
        }
        $shots = array_map(static fn (): array => [], $setups);
        $items = $file->objects('shots');
        if (count($items) > self::MOST_SHOTS) {
            throw InvalidInput::of('shots', sprintf('A fitting file holds up to %d shots, not %d.', self::MOST_SHOTS, count($items)));
        }
        foreach ($items as $i => $item) {
            $item->only(...self::SHOT);
            $tag = $known($item->text('setup'), "shots[{$i}].setup");
            $trial = $item->optional('trial');
            if ($trial !== null && ! isset($numbers[(int) $trial])) {
                throw InvalidInput::of("shots[{$i}].trial", sprintf('shots[%d]: there is no trial %d in this file.', $i, $trial));
            }
            $trialsHit[(int) ($trial ?? 0)] = true;
            $left = $item->raw('leftOut');
            if ($left !== null && ! is_string($left)) {
                throw InvalidInput::of("shots[{$i}].leftOut", "'shots[{$i}].leftOut' must be a text: why the shot does not count.");
            }
            $shots[$tag][] = new ShotRecord(
                LaunchShot::of(self::measured($item, $i), $flight),
                $item->has('sequence') ? $item->whole('sequence', 0, self::MOST_SEQUENCE) : $i + 1, $left,
                $item->raw('source') === 'simulated',
            );
        }
        foreach ($shots as $tag => $list) {
            usort($list, static fn (ShotRecord $a, ShotRecord $b): int => $a->sequence <=> $b->sequence);
            $shots[$tag] = $list;
        }
        $tieOrder = $file->raw('tieOrder') ?? TieBreak::CRITERIA;
        if (! is_array($tieOrder) || ! array_is_list($tieOrder)) {
            throw InvalidInput::of('tieOrder', "'tieOrder' must be a list.");
        }
        $tieOrder = array_map(static fn (mixed $t): string => is_string($t) ? $t : '', $tieOrder);
        TieBreak::requireOrder($tieOrder);
        $screening = $file->raw('screening') ?? 'flagged';

        return new FittingRecord(
            $seed, $hand, $brief, Screening::named(is_string($screening) ? $screening : ''), $flight, $setups, $shots, $benchmark,
            $rack, $inHand, self::confidence($file->objects('ratings'), $known), $tieOrder,
            FittingRecord::conditionsOf(array_values(array_intersect_key($hitUnder, $trialsHit))),
        );
    }

    private static function brief(mixed $data): Brief
    {
        if ($data !== null && (! is_array($data) || ($data !== [] && array_is_list($data)))) {
            throw InvalidInput::of('brief', "'brief' must be a JSON object.");
        }
        try {
            return Brief::fromArray((array) $data);
        } catch (InvalidInput $e) {
            throw InvalidInput::of("brief.{$e->field}", "brief: {$e->getMessage()}");
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

    /** @return list<RackedHead> */
    private static function rack(?Item $rack): array
    {
        if ($rack === null) {
            return [];
        }
        $rack->only('format', 'sleeves', 'heads', 'parts');
        $sleeves = [];
        foreach ($rack->objects('sleeves') as $sleeve) {
            $sleeves[$sleeve->text('name')] = $sleeve->all();
        }

        return array_map(static fn (Item $head): RackedHead => self::head($head->only(...self::HEAD), $sleeves), $rack->objects('heads'));
    }

    /** @param  array<string, array<string, mixed>>  $sleeves */
    private static function head(Item $item, array $sleeves): RackedHead
    {
        $label = $item->text('label');
        $stated = new HeadReading(
            $item->number('statedLoftDeg'), $item->number('statedLieDeg', SetupRecord::USUAL_LIE_DEG),
            $item->number('statedFaceOpenDeg', 0),
        );
        $sleeve = $item->has('sleeve') ? $item->text('sleeve') : null;
        if ($sleeve !== null && ! isset($sleeves[$sleeve])) {
            throw InvalidInput::of('rack', "Head '{$label}': the sleeve '{$sleeve}' is not in this file.");
        }
        try {
            $slots = array_map(
                static fn (Item $s): WeightSlot => new WeightSlot(
                    $s->text('name'), $s->number('toeMm'), $s->number('backMm'), $s->number('upMm'), $s->number('fromG', 0),
                    $s->number('toG', 40), self::flag($s, 'mayBeEmpty', true),
                ),
                $item->objects('slots'),
            );
            $stock = array_map(
                static fn (mixed $g): float => is_int($g) || is_float($g)
                    ? (float) $g
                    : throw InvalidInput::of('stockG', 'stockG must be a list of masses in g.'),
                array_values((array) ($item->raw('stockG') ?? [])),
            );
            $readings = array_map(static function (Item $r): ReadingSet {
                $values = [];
                foreach ((array) $r->raw('values') as $quantity => $list) {
                    $values[(string) $quantity] = array_map(
                        static fn (mixed $v): float => is_int($v) || is_float($v)
                            ? (float) $v
                            : throw InvalidInput::of((string) $quantity, "A reading of {$quantity} is not a number."),
                        array_values((array) $list),
                    );
                }

                return new ReadingSet(
                    $values, $r->has('position') ? $r->text('position') : '',
                    AddressHabit::from($r->choice('readAs', ['soled', 'squared'], 'soled')),
                );
            }, $item->objects('readings'));
            $supply = $item->raw('supply');
            $head = new RackedHead(
                $label, Hand::from($item->choice('hand', ['right', 'left'])), $stated,
                $sleeve === null ? SleeveSystem::fixed() : SleeveSystem::fromArray($sleeves[$sleeve], $stated),
                $item->choice('type', ['forgiving', 'middle', 'low-spin'], 'middle'), $item->optional('massG'),
                $item->optional('cgToeMm'), $item->optional('cgBackMm'), $item->optional('cgUpMm'), $item->optional('bulgeMm'),
                $item->optional('rollMm'), $item->tensor('inertiaGcm2'), $slots, $stock, $item->numbers('standard'), $readings,
                is_array($supply) ? $supply : [], self::flag($item, 'retired', false),
            );
            $head->requireSound();

            return $head;
        } catch (InvalidInput $e) {
            throw InvalidInput::of('rack', "Head '{$label}': {$e->getMessage()}");
        }
    }

    private static function flag(Item $item, string $key, bool $default): bool
    {
        $value = $item->raw($key) ?? $default;

        return is_bool($value) ? $value : throw InvalidInput::of($key, "'{$key}' must be true or false.");
    }

    /** @param  array<string, RackedHead>  $heads */
    private static function setup(Item $item, array $heads): SetupRecord
    {
        $tag = $item->text('tag');
        if (mb_strlen($tag) > self::LONGEST_TAG) {
            throw InvalidInput::of('setups', "The tag '{$tag}' has ".mb_strlen($tag).' letters; a setup has 1 to '.self::LONGEST_TAG.'.');
        }
        try {
            $label = $item->text('head');
            $onRack = self::flag($item, 'onRack', false);
            $racked = $onRack
                ? $heads[$label] ?? throw InvalidInput::of('head', "the head '{$label}' is not on the rack of this file.")
                : null;
            $stated = $item->number('statedLoftDeg', $racked?->stated->loftDeg);
            $spec = $item->object('asBuilt')?->only('sleeve', 'home', 'stated');
            $at = $spec?->object('stated');
            $sleeve = $spec?->object('sleeve')?->all();
            $text = static fn (string $key): string => $item->has($key) && $item->raw($key) !== '' ? $item->text($key) : '';
            $masses = $item->has('masses') ? $item->numbers('masses') : $racked->standard ?? [];
            $setup = new SetupRecord(
                $tag, $label, $racked,
                match (true) {
                    $racked === null => null,
                    $sleeve !== null => SleeveSystem::fromArray(
                        $sleeve,
                        new HeadReading(
                            $at?->number('loftDeg', $stated) ?? $stated,
                            $at?->number('lieDeg', SetupRecord::USUAL_LIE_DEG) ?? SetupRecord::USUAL_LIE_DEG,
                            $at?->number('faceOpenDeg', 0) ?? 0.0,
                        ),
                    ),
                    $spec !== null => SleeveSystem::fixed(),
                    default => $racked->sleeve,
                },
                $text('sleeveLabel'), $masses, $item->has('weights') ? $text('weights') : $racked?->sayWeights($masses) ?? '',
                $racked !== null
                    ? null
                    : new HeadReading(
                        $item->optional('measuredLoftDeg') ?? $stated,
                        $item->optional('measuredLieDeg') ?? SetupRecord::USUAL_LIE_DEG,
                        $item->optional('measuredFaceOpenDeg') ?? 0.0,
                    ),
                $racked !== null
                    ? null
                    : new SleeveChange(
                        $item->optional('sleeveLoftDeg'), $item->optional('sleeveFaceOpenDeg'), $item->optional('sleeveLieDeg'),
                    ),
                $text('shaft'), $item->optional('lengthMm'), $text('ball'), $item->optional('teeMm'), $text('cue'),
                $item->optional('swingWeightPoints') ?? $item->optional('swingWeightComputed'),
                $racked === null ? $item->optional('measuredLoftDeg') === null : $racked->gauged()->inForce('loftDeg') === null,
                $item->has('branchedFrom') ? $item->text('branchedFrom') : null,
            );
            $setup->playing(1.0);
            $setup->body();

            return $setup;
        } catch (InvalidInput $e) {
            throw InvalidInput::of($e->field, "Setup {$tag}: {$e->getMessage()}");
        }
    }
}
