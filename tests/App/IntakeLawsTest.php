<?php

declare(strict_types=1);

use App\Models\Bay;
use Eris\Facade;
use Eris\Generator;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

require_once __DIR__.'/../Stream.php';

afterEach(fn () => Carbon::setTestNow());

it(
    'has every acknowledged shot once, with the setup it was hit with or flagged, whatever the monitor, the network and the clocks do',
    function (): void {
        $user = $this->fitter();
        $bay = Bay::query()->create(['studio_id' => $user->studio_id, 'name' => 'Bay 1']);
        // The same streams each time; MINT_STREAMS and ERIS_SEED ask for more and for others.
        if (getenv('ERIS_SEED') === false) {
            putenv('ERIS_SEED=20261127');
        }
        $streams = $shots = $late = $moved = $flagged = $held = 0;
        (new Facade)
            ->limitTo((int) (getenv('MINT_STREAMS') ?: 320))
            ->forAll(
                Generator\choose(0, 15), Generator\choose(0, 80),
                Generator\vector(22, Generator\tuple(Generator\choose(0, 13), Generator\choose(1, 100))),
            )
            ->disableShrinking() // what failed is told whole
            ->then(function (int $mode, int $off, array $steps) use (
                $user, $bay, &$streams, &$shots, &$late, &$moved, &$flagged, &$held,
            ): void {
                DB::beginTransaction();
                try {
                    $fitting = $this->fitting($user);
                    $setups = array_map(fn (): int => $this->addSetup($fitting)->id, range(1, 3));
                    $bay->update(['fitting_id' => $fitting->id]);
                    $stream = new Stream(
                        $bay, $fitting->id, $user->id, $user->studio_id, $setups, ($mode & 1) > 0, ($mode & 2) > 0, ($mode & 4) > 0,
                        ($mode & 8) > 0, $off,
                    );
                    foreach ($steps as [$what, $n]) {
                        $stream->step($what, $n);
                    }
                    $stream->finish();
                    $seen = $stream->judged(", mode {$mode}, off {$off}: ".json_encode($steps));
                    [$late, $moved, $flagged] = [$late + $seen[0], $moved + $seen[1], $flagged + $seen[2]];
                    $record = $stream->onRecord();
                    [$streams, $shots, $held] = [$streams + 1, $shots + count($record), $held + count($stream->modelHolds())];
                } finally {
                    DB::rollBack();
                }
            });
        // The streams were such as to try it.
        expect($streams)->toBeGreaterThanOrEqual(300)
            ->and($shots)->toBeGreaterThan(1500)
            ->and($late)->toBeGreaterThan(50)
            ->and($moved)->toBeGreaterThan(20)
            ->and($flagged)->toBeGreaterThan(50)
            ->and($held)->toBeGreaterThan(20);
    },
);
