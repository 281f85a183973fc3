<?php

declare(strict_types=1);

use App\Models\Player;
use App\Models\Shot;
use App\Support\Conflicted;
use App\Support\Transaction;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Sleep;

// What the database may refuse because others write the same rows: tried again, and then told as what it is.

/** What MariaDB throws, by its number. */
function refusal(int $number): PDOException
{
    $e = new PDOException("SQLSTATE: {$number}");
    $e->errorInfo = ['40001', $number, 'as the server says it'];

    return $e;
}

beforeEach(fn () => Transaction::$rehearsal = null);

it('tries again what was refused for others, waiting longer each time and never twice the same', function (int $number): void {
    $tries = 0;
    $answer = Transaction::run(function () use (&$tries, $number): string {
        if (++$tries < 4) {
            throw refusal($number);
        }

        return 'done';
    });
    expect($answer)->toBe('done')->and($tries)->toBe(4);
    Sleep::assertSleptTimes(3);
})->with([1205, 1213, 1020]);

it('gives up after a while, having changed nothing, and says so', function (): void {
    $tries = 0;
    expect(function () use (&$tries): void {
        Transaction::run(function () use (&$tries): void {
            $tries++;
            throw refusal(1213);
        });
    })->toThrow(Conflicted::class, 'Nothing was changed');
    expect($tries)->toBe(Transaction::TRIES);
});

it('tries nothing again that is no conflict', function (): void {
    $tries = 0;
    expect(function () use (&$tries): void {
        Transaction::run(function () use (&$tries): void {
            $tries++;
            throw refusal(1062);
        });
    })->toThrow(PDOException::class);
    expect($tries)->toBe(1);
});

it('tries only the whole again, never a part of it', function (): void {
    $outer = $inner = 0;
    Transaction::run(function () use (&$outer, &$inner): void {
        $outer++;
        Transaction::run(function () use (&$inner): void {
            if (++$inner === 1) {
                throw refusal(1213);
            }
        });
    });
    expect([$outer, $inner])->toBe([2, 2]);
});

it('tries once more also where the first try took longer than anybody is to wait', function (): void {
    Config::set('mintcarry.patience_s', 0.0);
    $tries = 0;
    Transaction::run(function () use (&$tries): void {
        if (++$tries === 1) {
            throw refusal(1213);
        }
    });
    expect($tries)->toBe(2);
    $refused = function () use (&$tries): void {
        Transaction::run(function () use (&$tries): never {
            $tries++;
            throw refusal(1213);
        });
    };
    expect($refused)->toThrow(Conflicted::class);
    expect($tries)->toBe(4);
});

it('writes a record again at the second try, which at the first thought itself written', function (): void {
    Transaction::$rehearsal = refusal(1213);
    $user = $this->fitter();
    $fitting = $this->fitting($user);
    $setup = $this->addSetup($fitting);
    $this->hitAbout($user, $setup, n: 2);
    $shot = Shot::query()->firstOrFail();
    $this->patchJson("api/shots/{$shot->id}", ['leftOut' => ['reason' => 'warm-up']])->assertOk();
    expect(DB::table('shots')->where('id', $shot->id)->value('left_out_reason'))->toBe('warm-up');
    // One that is made and one that is taken away, too.
    $player = new Player([
        'studio_id' => $user->studio_id, 'name' => 'N', 'hand' => 'left',
        'units' => ['speed' => 'mph', 'distance' => 'yd', 'height' => 'ft', 'length' => 'in'],
    ]);
    Transaction::run(fn () => $player->save());
    expect(DB::table('players')->where('id', $player->id)->count())->toBe(1);
    Transaction::run(fn () => $player->forceDelete());
    expect(DB::table('players')->where('id', $player->id)->count())->toBe(0);
});

it('answers a conflict that does not end with 409 and its reason, on every route, a post of a monitor among them', function (): void {
    Route::post('api/met', fn () => throw refusal(1213));
    Route::post('api/often', fn () => Transaction::run(fn () => throw refusal(1205)));
    foreach (['api/met', 'api/often'] as $uri) {
        $this->postJson($uri)->assertStatus(409)->assertJsonPath('message', Conflicted::SAYS)->assertHeader('Retry-After', '1');
    }
});

it('waits for another connection that holds the row, and then answers', function (): void {
    $this->atTheBay();
    ($this->begin)();
    // The test's own transaction is ended, so that another connection sees what is there.
    DB::commit();
    Config::set('mintcarry.transactions_around', 0);
    Config::set('database.connections.other', Config::get('database.connections.mariadb'));
    try {
        $other = DB::connection('other');
        $other->beginTransaction();
        $other->table('bays')->where('id', $this->bay)->lockForUpdate()->first();
        DB::statement('SET SESSION innodb_lock_wait_timeout = 1');
        $answer = ($this->post)(['id' => 'x', 'values' => $this->good]);
        $answer->assertStatus(409);
        expect(Shot::query()->count())->toBe(0);
        $other->rollBack();
        ($this->post)(['id' => 'x', 'values' => $this->good])->assertOk()->assertJsonPath('results.0.status', 'stored');
    } finally {
        DB::connection('other')->rollBack();
        DB::purge('other');
        Illuminate\Foundation\Testing\RefreshDatabaseState::$migrated = false;
        DB::beginTransaction();
    }
});
