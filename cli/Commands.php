<?php

declare(strict_types=1);

namespace MintCarry\Cli;

use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Finder\RackCandidates;
use MintCarry\Core\Fitting\LaunchWindow;
use MintCarry\Core\Flight\Aerodynamics;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Calibration;
use MintCarry\Core\Flight\FlightRange;
use MintCarry\Core\Impact\Delivery;
use MintCarry\Core\Impact\DeliveryEstimate;
use MintCarry\Core\Impact\Estimate;
use MintCarry\Core\Impact\Impact;
use MintCarry\Core\Impact\PlayerModel;
use MintCarry\Core\Impact\SetupEffect;
use MintCarry\Core\Impact\ShotMaker;
use MintCarry\Core\Impact\Strike;
use MintCarry\Core\Record\FittingFile;
use MintCarry\Core\Record\Item;
use MintCarry\Core\Report\AdviceReport;
use MintCarry\Core\Report\Calculator;
use MintCarry\Core\Report\ClubSums;
use MintCarry\Core\Report\CompareReport;
use MintCarry\Core\Report\FinderReport;
use MintCarry\Core\Report\JudgingReport;
use MintCarry\Core\Report\LoftAndWind;
use MintCarry\Core\Report\LoftLadder;
use MintCarry\Core\Report\Readers;
use MintCarry\Core\Report\Sentences;
use MintCarry\Core\Report\SpeedLadder;
use MintCarry\Core\Report\StrikeMover;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** The commands of bin/mint: each makes, from its options, a function from one input item to one output item. */
final class Commands
{
    /**
     * @var array<string, array{0: string, 1: list<string>, 2: string, 3?: true}> name → what it does, options, input and output,
     *   and whether it takes the name of a file
     */
    public const ALL = [
        'flight' => [
            'Flies a ball: carry, total, side, apex, descent.', Options::OF_FLIGHT,
            'in: ballSpeedMps launchDeg spinRpm [directionDeg spinAxisDeg]; out: carryM totalM runM sideM curveM '
                .'totalSideM apexM apexAtM descentDeg hangTimeS landingSpeedMps landingSpinRpm [points]',
        ],
        'impact' => [
            'Strikes a ball: delivery and strike to launch.', [],
            'in: delivery{clubSpeedMps attackDeg pathDeg dynamicLoftDeg faceDeg} [head strike{toeMm highMm} hand]; out: '
                .'ballSpeedMps launchDeg directionDeg spinRpm spinAxisDeg smash spinLoftDeg flag(topped, poppedUp or null) assumed',
        ],
        'estimate' => [
            'Works back from a shot to the delivery and strike.', [],
            'in: shot{ballSpeedMps launchDeg spinRpm [directionDeg spinAxisDeg clubSpeedMps attackDeg pathDeg toeMm '
                .'highMm]} [head hand]; out: delivery strike, each value with sd and from',
        ],
        'sleeve' => [
            'What a head presents at a sleeve position.', [],
            'in: head{loftDeg lieDeg [faceOpenDeg]} and tilts[{tiltDeg clockDeg}] or card{[loftDeg lieDeg faceOpenDeg] '
                .'printedFor}, habit or squares, [readAtTilts]; out: loftDeg faceOpenDeg lieDeg [tiltDeg clockDeg residualDeg]',
        ],
        'weights' => [
            'Mass, CG and inertia of a head with weights in it.', [],
            'in: head{massG cgToeMm cgBackMm cgUpMm inertiaGcm2} slots[{name toeMm backMm upMm}] masses{name: g} '
                .'[build{lengthMm gripMassG and shaftMassG shaftBalanceFromButtMm, or rawShaftMassG [rawShaftBalanceFromButtMm '
                .'rawShaftLengthMm]}]; out: massG cgToeMm cgBackMm cgUpMm inertiaGcm2 '
                .'[swingWeight]',
        ],
        'window' => [
            'The launch and spin of longest carry or total, and what 1 % costs.', Options::OF_FLIGHT,
            'in: clubSpeedMps [attackDeg] or ballSpeedMps spinLoftDeg, [head for]; out: launchDeg spinRpm carryM totalM '
                .'dynamicLoftDeg within1Pct{launchDeg spinRpm}',
        ],
        'calibrate' => [
            'Fits drag, lift and spin to a bay’s measured carries and apexes.', [],
            'in: shots[{ballSpeedMps launchDeg spinRpm [directionDeg spinAxisDeg] carryM and/or apexM}] [air]; out: '
                .'dragOffset liftOffset spinOffset sd residualBefore residualAfter n',
        ],
        'compare' => [
            'Compares the setups of a fitting file, as the screen does.', ['swing'],
            'in: a fitting file (docs/schemas/fitting.schema.json), by name or on standard input; --swing NAME of several that were hit '
                .'(cruising|full, or an intent; else that of most shots); out: swing swings benchmark rows sets '
                .'field, and advice among the setups that were hit',
            true,
        ],
        'judge' => [
            'Judges what was hit of a fitting file, as Compare does.', ['swing'],
            'in: a fitting file, by name or on standard input; --swing NAME; out: swing swings benchmark screening setups{verdicts flips delivery '
                .'alike bridges forgiveness diagnosis path inLine withheld} rails next judge failures, and what of it Compare says in words',
            true,
        ],
        'find' => [
            'Judges every legal setup on the rack of a fitting file, as the finder does.', ['only', 'swing'],
            'in: a fitting file, by name or on standard input; --swing NAME; --only all|stock|order|own (else what the brief says: a kept head is '
                .'own); out: own benchmark pick best expectedLoss mayStop step tooDear preset unreadable failures next learned ownEffects trade guard setups',
            true,
        ],
        'ladder' => [
            'Says what this player’s swing does with a head in each of its lofts, soled and squared.', ['head'],
            'in: a fitting file, by name or on standard input; --head NAME of the rack (else that of the benchmark); out: head from '
                .'rungs{statedLoftDeg readLoftDeg toOrder leadDays price printSdDeg soled squared} wantedLoftDeg',
            true,
        ],
        'speeds' => [
            'Says what the shots did at each speed, the loft wanted there, and the setup that serves both ends.', ['setup'],
            'in: a fitting file, by name or on standard input; --setup TAG (else the one hit over the widest range); out: rungs per wanted '
                .'shots mixed both',
            true,
        ],
        'strikes' => [
            'Says how strikes and the line of the CG can be brought together, and whether it worked.', ['setup'],
            'in: a fitting file, by name or on standard input; --setup TAG (else the benchmark); out: offMm isOff worth ways checks',
            true,
        ],
        'questions' => [
            'Answers for this player: is more loft straighter; in wind, flight it down or keep the window.', [],
            'in: a fitting file, by name or on standard input; out: loft{lofts answer} wind{winds}',
            true,
        ],
        'gaps' => [
            'Says the gaps between long clubs, and which sleeve position closes or opens them.', Options::OF_FLIGHT,
            'in: clubs[{name kind loftDeg lieDeg [faceOpenDeg sleeve position] shots[{carryM and/or ball values}]}] [wantedGapM squares]; '
                .'out: clubs gaps{gapM interval verdict moves fill} perDegree wantedM',
        ],
        'plane' => [
            'Says loft, face and lie of a head at every position of a sleeve.', [],
            'in: head{loftDeg lieDeg faceOpenDeg} sleeve{name kind positions …} squares [position readAs]; out: positions check',
        ],
        'swing' => [
            'Says the swing weight of a club, and what a gram and half an inch change.', [],
            'in: headMassG lengthMm gripMassG shaft{massG balanceFromButtMm or rawMassG [rawBalanceFromButtMm rawLengthMm]} [buttG]; out: '
                .'swingWeight points totalG perHeadG perGripG perHalfInch',
        ],
        'length' => [
            'Brings a club to another length and holds its balance: grams at head and butt, cuts at tip and butt.', [],
            'in: as swing, and toLengthMm [toSwingWeight toTotalG]; out: was free solutions',
        ],
        'worth' => [
            'Says what a degree, a mm, a gram, 100 rpm, 10 °C, and steps of speed, altitude and wind are worth.', [],
            'in: clubSpeedMps [attackDeg dynamicLoftDeg air turf head hand steps: {speedMps altitudeM windMps}]; out: base dynamicLoftDeg rows',
        ],
        'make' => [
            'Hits seeded shots for a made-up player.', ['seed'],
            'in: player setup count; out: shots, with the delivery and strike that made them',
        ],
    ];

    /** @return callable(Item): array<string, mixed> */
    public static function make(string $name, Options $options): callable
    {
        return match ($name) {
            'flight' => self::flight($options),
            'impact' => self::impact(...),
            'estimate' => self::estimate(...),
            'sleeve' => ClubSums::sleeve(...),
            'weights' => ClubSums::weights(...),
            'window' => self::window($options),
            'calibrate' => self::calibrate(...),
            'compare' => static fn (Item $file): array => self::compare($file, self::named($options, 'swing')),
            'judge' => static fn (Item $file): array => self::judge($file, self::named($options, 'swing')),
            'find' => self::find($options),
            'make' => self::shots($options),
            'ladder' => static fn (Item $file): array => LoftLadder::of(FittingFile::read($file->all()), self::named($options, 'head')),
            'speeds' => static fn (Item $file): array => SpeedLadder::of(FittingFile::read($file->all()), self::named($options, 'setup')),
            'strikes' => static fn (Item $file): array => StrikeMover::of(FittingFile::read($file->all()), self::named($options, 'setup')),
            'questions' => self::questions(...),
            'gaps' => static fn (Item $item): array => Calculator::gaps($item, $options->flight()),
            'plane', 'swing', 'length', 'worth' => static fn (Item $item): array => Calculator::of($name, $item),
            default => throw InvalidInput::of('command', "'{$name}' is not a command; bin/mint alone lists them."),
        };
    }

    private static function named(Options $options, string $what): ?string
    {
        $said = $options->text($what, '');

        return $said === '' ? null : $said;
    }

    /** @return array<string, mixed> */
    private static function questions(Item $file): array
    {
        $record = FittingFile::read($file->all());

        return ['loft' => LoftAndWind::loft($record), 'wind' => LoftAndWind::wind($record)];
    }

    /** @return callable(Item): array<string, mixed> */
    private static function flight(Options $options): callable
    {
        $flight = $options->flight();
        $points = (int) $options->number('points', 0);
        if ($points < 0 || $points > 2000 || $points === 1) {
            throw InvalidInput::of('--points', '--points must be 0, or from 2 to 2000.');
        }

        return static function (Item $item) use ($flight, $points): array {
            $launch = Readers::launch($item->only('ballSpeedMps', 'launchDeg', 'spinRpm', 'directionDeg', 'spinAxisDeg'));
            $f = $flight->fly($launch, $points);
            $out = [
                'carryM' => $f->carryM, 'totalM' => $f->totalM, 'runM' => $f->runM(), 'sideM' => $f->sideM, 'curveM' => $f->curveM,
                'totalSideM' => $f->totalSideM, 'apexM' => $f->apexM, 'apexAtM' => $f->apexAtM, 'descentDeg' => $f->descentDeg,
                'hangTimeS' => $f->hangTimeS, 'landingSpeedMps' => $f->landingSpeedMps, 'landingSpinRpm' => $f->landingSpinRpm,
            ] + FlightRange::told($launch);

            return $points > 0 ? $out + ['points' => $f->points] : $out;
        };
    }

    /** @return array<string, mixed> */
    private static function impact(Item $item): array
    {
        $item->only('head', 'delivery', 'strike', 'hand');
        [$head, $assumed] = Readers::head($item->object('head'));
        $given =
            $item->object('delivery')?->only('clubSpeedMps', 'attackDeg', 'pathDeg', 'dynamicLoftDeg', 'faceDeg') ??
            throw InvalidInput::of('delivery', "'delivery' is missing.");
        $delivery = new Delivery(
            $given->number('clubSpeedMps'), $given->number('attackDeg'), $given->number('pathDeg'),
            $given->number('dynamicLoftDeg'), $given->number('faceDeg'),
        );
        $given->done();
        $at = $item->object('strike');
        $strike = new Strike($at?->number('toeMm', 0) ?? 0.0, $at?->number('highMm', 0) ?? 0.0);
        $at?->done();
        if ($at === null) {
            $assumed[] = 'strike at the face centre';
        }
        $hand = Readers::hand($item);
        $item->done();
        $l = (new Impact($head, $hand))->strike($delivery, $strike);

        return [
            'ballSpeedMps' => $l->ballSpeedMps, 'launchDeg' => $l->launchDeg, 'directionDeg' => $l->directionDeg,
            'spinRpm' => $l->spinRpm, 'spinAxisDeg' => $l->spinAxisDeg, 'smash' => $l->ballSpeedMps / $delivery->clubSpeedMps,
            'spinLoftDeg' => $delivery->spinLoftDeg(), 'flag' => $l->flag()?->value, 'assumed' => $assumed,
        ];
    }

    /** @return array<string, mixed> */
    private static function estimate(Item $item): array
    {
        $item->only('shot', 'head', 'hand');
        $shot =
            $item
                ->object('shot')
                ?->only(
                    'ballSpeedMps', 'launchDeg', 'spinRpm', 'directionDeg', 'spinAxisDeg', 'clubSpeedMps', 'attackDeg', 'pathDeg',
                    'dynamicLoftDeg', 'faceDeg', 'toeMm', 'highMm',
                ) ?? throw InvalidInput::of('shot', "'shot' is missing.");
        $launch = Readers::launch($shot);
        $measured = [];
        foreach (['clubSpeedMps', 'attackDeg', 'pathDeg', 'dynamicLoftDeg', 'faceDeg', 'toeMm', 'highMm'] as $name) {
            $value = $shot->optional($name);
            if ($value !== null) {
                $measured[$name] = $value;
            }
        }
        $direction = $shot->has('directionDeg');
        $axis = $shot->has('spinAxisDeg');
        $shot->done();
        [$head, $assumed] = Readers::head($item->object('head'));
        $hand = Readers::hand($item);
        $item->done();
        $values = array_map(
            static fn (Estimate $e): array => ['value' => $e->value, 'sd' => $e->sd, 'from' => $e->from],
            DeliveryEstimate::of($launch, $direction, $axis, $measured, $head, $hand)->values,
        );
        $strike = ['toeMm' => $values['toeMm'], 'highMm' => $values['highMm']];
        unset($values['toeMm'], $values['highMm']);

        return ['delivery' => $values, 'strike' => $strike, 'assumed' => $assumed];
    }

    /** @return callable(Item): array<string, mixed> */
    private static function window(Options $options): callable
    {
        $flight = $options->flight();

        return static function (Item $item) use ($flight): array {
            $item->only('clubSpeedMps', 'attackDeg', 'ballSpeedMps', 'spinLoftDeg', 'head', 'for');
            [$head] = Readers::head($item->object('head'));
            $for = $item->choice('for', ['carry', 'total'], 'carry');
            if ($item->has('clubSpeedMps') === $item->has('ballSpeedMps')) {
                throw InvalidInput::of('clubSpeedMps', "Give either 'clubSpeedMps' (and 'attackDeg') or 'ballSpeedMps' and 'spinLoftDeg'.");
            }
            $w = $item->has('clubSpeedMps')
                ? LaunchWindow::forSwing($item->number('clubSpeedMps'), $item->number('attackDeg', 0), $flight, $for, $head)
                : LaunchWindow::forBall($item->number('ballSpeedMps'), $item->number('spinLoftDeg'), $flight, $for, $head);
            $item->done();

            return [
                'launchDeg' => $w->launch->launchDeg, 'spinRpm' => $w->launch->spinRpm, 'carryM' => $w->flight->carryM,
                'totalM' => $w->flight->totalM, 'dynamicLoftDeg' => $w->dynamicLoftDeg,
                'within1Pct' => ['launchDeg' => $w->launchBandDeg, 'spinRpm' => $w->spinBandRpm, 'dynamicLoftDeg' => $w->loftBandDeg],
            ];
        };
    }

    /** @return array<string, mixed> */
    private static function calibrate(Item $item): array
    {
        $item->only('shots', 'air');
        [$air] = Readers::air($item->object('air'));
        $shots = array_map(static function (Item $shot): array {
            $made = [
                Readers::launch($shot->only('ballSpeedMps', 'launchDeg', 'spinRpm', 'directionDeg', 'spinAxisDeg', 'carryM', 'apexM')),
                $shot->optional('carryM'), $shot->optional('apexM'),
            ];
            $shot->done();

            return $made;
        }, $item->objects('shots', true));
        $item->done();
        $c = Calibration::fit($shots, $air);

        return [
            'dragOffset' => $c->aerodynamics->dragOffset(), 'liftOffset' => $c->aerodynamics->liftOffset(),
            'spinOffset' => $c->aerodynamics->spinOffset,
            'sd' => array_combine(['dragOffset', 'liftOffset', 'spinOffset'], $c->offsetSds()),
            'residualBefore' => $c->residualBeforeM,
            'residualAfter' => $c->residualAfterM, 'n' => $c->n,
        ];
    }

    /** @return array<string, mixed> */
    private static function compare(Item $file, ?string $swing): array
    {
        $record = FittingFile::read($file->all(), $swing);
        try {
            $advice = AdviceReport::of($record);
        } catch (InvalidInput $e) {
            $advice = ['error' => ['code' => $e->reason, 'message' => $e->getMessage(), 'field' => $e->field]];
        }

        return CompareReport::of($record) + ['advice' => $advice];
    }

    /** @return array<string, mixed> */
    private static function judge(Item $file, ?string $swing): array
    {
        $record = FittingFile::read($file->all(), $swing);
        $report = JudgingReport::of($record);
        $catalogue = json_decode(
            (string) file_get_contents(__DIR__.'/../resources/messages/en.json'), true, flags: JSON_THROW_ON_ERROR,
        );
        $units = array_intersect_key((array) ($file->all()['player']['units'] ?? []), ['speed' => 1, 'distance' => 1]) + [
            'speed' => 'm/s', 'distance' => 'm',
        ];
        $sentences = new Sentences($catalogue, $record->hand, $units);

        return $report + ['says' => $sentences->judging(json_decode(json_encode($report, JSON_THROW_ON_ERROR), true))];
    }

    /** @return callable(Item): array<string, mixed> */
    private static function find(Options $options): callable
    {
        $only = $options->text('only', '');
        if ($only !== '' && ! in_array($only, RackCandidates::WHICH, true)) {
            throw InvalidInput::of('--only', "--only must be all, stock or own, not '{$only}'.");
        }

        $swing = self::named($options, 'swing');

        return static fn (Item $file): array => FinderReport::of(FittingFile::read($file->all(), $swing), $only === '' ? null : $only);
    }

    /** @return callable(Item): array<string, mixed> */
    private static function shots(Options $options): callable
    {
        $random = new Randomizer(new Mt19937((int) $options->number('seed', 1)));

        return static function (Item $item) use ($random): array {
            $given = $item->object('player') ?? Item::of([], 'player');
            $hand = Readers::hand($given);
            $usual = new PlayerModel;
            $values = [];
            foreach (array_keys(get_object_vars($usual)) as $name) {
                $value = $given->optional($name);
                if ($value !== null) {
                    $values[$name] = $name === 'warmUpSwings' ? (int) $value : $value;
                }
            }
            $given->done();
            $setup = $item->object('setup') ?? Item::of([], 'setup');
            [$head] = Readers::head($setup->object('head'));
            $effect = new SetupEffect(
                $head, $setup->has('headKey') ? $setup->text('headKey') : 'head', $setup->number('squaredLoftDeg', 0),
                $setup->number('soledFaceOpenDeg', 0), $setup->number('cgBackMm', 0), $setup->number('cgToeMm', 0),
                $setup->number('swingWeightPoints', 0), $setup->number('soledLoftDeg', 0),
            );
            $setup->raw('headKey');
            $setup->done();
            $count = $item->number('count', 10);
            InvalidInput::requireWithin('count', $count, 1, 100_000);
            $item->done();
            $maker = new ShotMaker($effect, $hand, $random);
            $player = new PlayerModel(...$values);
            $flight = new BallFlight(aerodynamics: new Aerodynamics);
            $out = [];
            for ($i = 0; $i < $count; $i++) {
                ['launch' => $l, 'delivery' => $d, 'strike' => $s, 'mishit' => $mishit] = $maker->hit($player);
                $f = $flight->fly($l);
                $out[] = [
                    'ballSpeedMps' => $l->ballSpeedMps, 'launchDeg' => $l->launchDeg, 'directionDeg' => $l->directionDeg,
                    'spinRpm' => $l->spinRpm, 'spinAxisDeg' => $l->spinAxisDeg, 'carryM' => $f->carryM, 'totalM' => $f->totalM,
                    'sideM' => $f->sideM, 'apexM' => $f->apexM, 'descentDeg' => $f->descentDeg, 'delivery' => get_object_vars($d),
                    'strike' => get_object_vars($s), 'mishit' => $mishit, 'source' => 'simulated',
                ];
            }

            return ['shots' => $out];
        };
    }
}
