<?php

declare(strict_types=1);

use App\Access\Identity;
use App\Access\Role;
use App\Access\SignIns;
use App\Access\Totp;
use App\Models\Bay;
use App\Models\KnownDevice;
use App\Models\Shot;
use App\Models\SignIn;
use App\Models\User;
use App\Models\WelcomeLink;
use Illuminate\Log\Events\MessageLogged;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\Route;

// Who gets in, as what, and for how long.

beforeEach(function (): void {
    $this->owner = $this->fitter();
    $this->try = fn (string $email, string $password = 'wrong', string $from = '192.0.2.1') => $this->withServerVariables([
        'REMOTE_ADDR' => $from,
    ])->postJson('api/session', ['email' => $email, 'password' => $password]);
    /** The device cookie that a good sign-in gave. */
    $this->deviceAfter = function () {
        $answer = ($this->try)($this->owner->email, 'a long password')->assertOk();
        $cookie = $answer->getCookie(SignIns::DEVICE_COOKIE);
        expect($cookie->isHttpOnly())->toBeTrue();
        $this->deleteJson('api/session')->assertOk();

        return $cookie->getValue();
    };
});

it('stops guessing at one account from wherever it comes, and tells it of unknown ones too', function (bool $isKnown): void {
    $email = $isKnown ? $this->owner->email : 'nobody@test.example';
    foreach (range(1, 8) as $i) {
        ($this->try)($email, 'wrong', "192.0.2.{$i}")->assertUnprocessable();
    }
    ($this->try)($email, 'a long password', '192.0.2.99')->assertTooManyRequests()->assertHeader('Retry-After');
})->with([true, false]);

it('stops who tries many accounts from one address, however they are spelt', function (): void {
    $refused = 0;
    foreach (range(1, 40) as $i) {
        $email = $i % 2 ? "someone{$i}@test.example" : str_replace('@', str_repeat("\u{301}", $i).'@', $this->owner->email);
        $refused += ($this->try)($email)->getStatusCode() === 429 ? 1 : 0;
    }
    expect($refused)->toBe(20);
    ($this->try)($this->owner->email, 'a long password', '192.0.2.50')->assertOk();
});

it('counts an address of the new kind by its network', function (): void {
    foreach (range(1, 20) as $i) {
        ($this->try)("a{$i}@test.example", 'wrong', "2001:db8::{$i}")->assertUnprocessable();
    }
    ($this->try)('b@test.example', 'wrong', '2001:db8::ffff')->assertTooManyRequests();
    ($this->try)('b@test.example', 'wrong', '2001:db8:0:1::1')->assertUnprocessable();
});

it('takes an accent for another address, and capitals and spaces for none', function (): void {
    $user = User::query()->whereKey($this->owner->id)->firstOrFail();
    $user->update(['email' => 'elise@test.example']);
    ($this->try)('élise@test.example', 'a long password')->assertUnprocessable();
    ($this->try)(' ELISE@Test.example ', 'a long password')->assertOk();
    expect(Identity::email("E\u{301}lise@x.example"))->toBe('élise@x.example');
});

it('lets nobody lock an owner out by guessing: a device that signed in before has its own allowance', function (): void {
    $device = ($this->deviceAfter)();
    foreach (range(1, 30) as $i) {
        ($this->try)($this->owner->email);
    }
    ($this->try)($this->owner->email, 'a long password')->assertTooManyRequests();
    $this->withCredentials()->withCookie(SignIns::DEVICE_COOKIE, $device);
    ($this->try)($this->owner->email, 'a long password')->assertOk();
    expect(KnownDevice::query()->where('user_id', $this->owner->id)->count())->toBe(1);
});

it('gives a known device no more guesses than another, and another’s device none', function (): void {
    $this->withCredentials()->withCookie(SignIns::DEVICE_COOKIE, ($this->deviceAfter)());
    foreach (range(1, 8) as $i) {
        ($this->try)($this->owner->email)->assertUnprocessable();
    }
    ($this->try)($this->owner->email, 'a long password')->assertTooManyRequests();
    $other = $this->fitter('Another');
    foreach (range(1, 8) as $i) {
        ($this->try)($other->email)->assertUnprocessable();
    }
    ($this->try)($other->email, 'a long password')->assertTooManyRequests();
});

it('hashes as much for somebody unknown as for somebody known', function (): void {
    Hash::spy();
    ($this->try)('nobody@test.example');
    ($this->try)($this->owner->email);
    Hash::shouldHaveReceived('check')->twice();
});

it('makes codes as RFC 6238 publishes them', function (int $time, string $code): void {
    // RFC 6238, appendix B, SHA-1, eight digits; the secret is '12345678901234567890'.
    expect(Totp::code('12345678901234567890', intdiv($time, 30), 8))->toBe($code);
})->with([
    [59, '94287082'], [1111111109, '07081804'], [1111111111, '14050471'], [1234567890, '89005924'], [2000000000, '69279037'],
    [20000000000, '65353130'],
]);

it('writes secrets in base 32 as RFC 4648 publishes it', function (string $plain, string $written): void {
    // RFC 4648, section 10, without the padding.
    expect(Totp::base32($plain))->toBe($written)->and(Totp::bytes($written))->toBe($plain);
})->with([['', ''], ['f', 'MY'], ['fo', 'MZXQ'], ['foo', 'MZXW6'], ['foob', 'MZXW6YQ'], ['fooba', 'MZXW6YTB'], ['foobar', 'MZXW6YTBOI']]);

/** A second factor in force, begun as a person does it. */
function secondFactor(object $test): array
{
    $test->actingAs($test->owner);
    $secret = $test->postJson('api/account/second-factor', ['current' => 'a long password'])->assertCreated()->json('secret');
    $now = Totp::code(Totp::bytes($secret), intdiv(now()->getTimestamp(), 30));
    $codes = $test->putJson('api/account/second-factor', ['code' => $now])->assertOk()->json('recoveryCodes');
    $test->deleteJson('api/session')->assertOk();

    return [$secret, $codes];
}

it('asks for the second factor, takes each code once and each recovery code once', function (): void {
    $this->freezeTime();
    [$secret, $codes] = secondFactor($this);
    expect($codes)->toHaveCount(10);
    $enter = fn (string $code) => $this->postJson('api/session/code', ['code' => $code]);
    $at = fn (int $off): string => Totp::code(Totp::bytes($secret), intdiv(now()->getTimestamp(), 30) + $off);
    ($this->try)($this->owner->email, 'a long password')->assertOk()->assertJsonPath('user', null)->assertJsonPath('wantsCode', true);
    $this->getJson('api/fittings')->assertUnauthorized();
    $enter($at(0))->assertUnprocessable(); // it was used when the factor was put in force
    $enter($at(5))->assertUnprocessable();
    $enter($at(1))->assertOk()->assertJsonPath('user.role', 'owner');
    $this->getJson('api/fittings')->assertOk();
    $this->deleteJson('api/session');
    ($this->try)($this->owner->email, 'a long password');
    $enter($at(1))->assertUnprocessable();
    $enter(strtoupper($codes[0]))->assertOk();
    $this->deleteJson('api/session');
    ($this->try)($this->owner->email, 'a long password');
    $enter($codes[0])->assertUnprocessable();
    $this->travel(6)->minutes();
    $enter($codes[1])->assertUnprocessable()->assertJsonPath('errors.code.0', 'It took too long. Begin again with e-mail and password.');
    // Nothing of it is kept in clear.
    $row = (array) Illuminate\Support\Facades\DB::table('users')->find($this->owner->id);
    expect(json_encode($row))->not->toContain($secret)->not->toContain($codes[1]);
});

it('stops guessing at codes', function (): void {
    secondFactor($this);
    ($this->try)($this->owner->email, 'a long password')->assertOk();
    foreach (range(1, 8) as $i) {
        $this->postJson('api/session/code', ['code' => '000000'])->assertUnprocessable();
    }
    $this->postJson('api/session/code', ['code' => '000000'])->assertTooManyRequests();
});

it('asks everybody of a studio for a second factor once its owner does', function (): void {
    $this->owner->studio->update(['wants_second_factor' => true]);
    $this->actingAs($this->owner->refresh());
    $this->getJson('api/fittings')->assertForbidden()->assertJsonPath(
        'message', 'Your studio asks for a second factor: set it up under Account first.',
    );
    $this->getJson('api/session')->assertOk()->assertJsonPath('user.wantsSecondFactor', true);
    secondFactor($this);
    $this->actingAs($this->owner->refresh())->getJson('api/fittings')->assertOk();
});

it('changes a password, ends the other sessions, and takes none that is tried first', function (): void {
    $other = SignIn::query()->create([
        'user_id' => $this->owner->id, 'from' => '192.0.2.9', 'device' => 'x', 'seen_at' => now(), 'ends_at' => now()->addHour(),
    ]);
    $this->actingAs($this->owner);
    $change = fn (string $new, string $current = 'a long password') => $this->putJson('api/account/password', [
        'current' => $current, 'password' => $new,
    ]);
    foreach (['short', 'aaaaaaaaaaaaaaaa', 'password123456', 'Qwertyuiop!!1', 'Test studio!!', 'minted-demo', str_repeat('lang und ', 9)] as $bad) {
        $change($bad)->assertUnprocessable()->assertJsonValidationErrors('password');
    }
    $change('seven quiet owls', 'wrong')->assertUnprocessable()->assertJsonValidationErrors('current');
    $change('seven quiet owls')->assertOk()->assertExactJson(['ended' => 1]);
    expect($other->fresh()->ended_why)->toBe('password changed');
    $this->getJson('api/account')->assertOk();
    ($this->try)($this->owner->email, 'a long password')->assertUnprocessable();
    ($this->try)($this->owner->email, 'seven quiet owls')->assertOk();
});

it('shows where a person is signed in, and ends one session or all others', function (): void {
    $there = fn () => SignIn::query()->create([
        'user_id' => $this->owner->id, 'from' => '192.0.2.9', 'device' => 'a phone', 'seen_at' => now(), 'ends_at' => now()->addHour(),
    ]);
    [$one, $two, $three] = [$there(), $there(), $there()];
    $stranger = SignIn::query()->create([
        'user_id' => $this->fitter('Else')->id, 'from' => 'x', 'device' => 'x', 'seen_at' => now(), 'ends_at' => now()->addHour(),
    ]);
    $this->actingAs($this->owner);
    expect($this->getJson('api/account')->json('signIns'))->toHaveCount(4);
    $this->deleteJson("api/account/sign-ins/{$one->id}")->assertOk();
    $this->deleteJson("api/account/sign-ins/{$stranger->id}")->assertNotFound();
    $this->deleteJson('api/account/sign-ins')->assertOk()->assertExactJson(['ended' => 2]);
    expect(SignIn::query()->whereNull('ended_at')->where('user_id', $this->owner->id)->count())->toBe(1)
        ->and($stranger->fresh()->ended_at)->toBeNull();
});

it('ends a session that was ended elsewhere, is past its time, or is of nobody who works here', function (Closure $end): void {
    ($this->try)($this->owner->email, 'a long password')->assertOk();
    $this->getJson('api/fittings')->assertOk();
    $end->call($this, SignIn::query()->latest('id')->firstOrFail());
    $this->app['auth']->forgetGuards();
    $this->getJson('api/fittings')->assertUnauthorized();
    $this->getJson('api/session')->assertOk()->assertJsonPath('user', null);
})->with([
    'ended' => [fn (SignIn $s) => $s->update(['ended_at' => now()])],
    'after twelve hours, however busy' => [function (): void {
        foreach (range(1, 12) as $hour) {
            $this->travel(59)->minutes();
            $this->getJson('api/fittings')->assertOk();
        }
        $this->travel(13)->minutes();
    }],
    'removed' => [fn () => $this->owner->update(['removed_at' => now()])],
    'a session of another' => [fn (SignIn $s) => $s->update(['user_id' => $this->fitter('Else')->id])],
]);

it('locks a screen that was left alone, says so, and opens it with the password alone', function (): void {
    $this->owner->studio->update(['lock_minutes' => 20]);
    ($this->try)($this->owner->email, 'a long password')->assertOk()->assertJsonPath('user.lockMinutes', 20);
    $this->travel(15)->minutes();
    $this->getJson('api/fittings')->assertOk();
    $this->travel(15)->minutes();
    $this->getJson('api/fittings')->assertOk();
    $this->travel(21)->minutes();
    $this->getJson('api/fittings')->assertStatus(423);
    $this->getJson('api/session')->assertOk()->assertJsonPath('locked', true)->assertJsonPath('user.name', 'A fitter');
    $this->getJson('api/fittings')->assertStatus(423);
    $this->postJson('api/session/unlock', ['password' => 'wrong'])->assertUnprocessable();
    $this->postJson('api/session/unlock', ['password' => 'a long password'])->assertOk()->assertJsonPath('locked', false);
    $this->getJson('api/fittings')->assertOk();
    $this->postJson('api/session/lock')->assertOk()->assertJsonPath('locked', true);
    $this->getJson('api/fittings')->assertStatus(423);
});

it('gives each role exactly its routes', function (): void {
    $bay = Bay::query()->create(['studio_id' => $this->owner->studio_id, 'name' => 'Bay 1']);
    $people = [];
    foreach (Role::cases() as $role) {
        $people[$role->value] = User::query()->create([
            'studio_id' => $this->owner->studio_id, 'name' => $role->value, 'email' => "{$role->value}@roles.example", 'password' => 'x',
            'role' => $role, 'bay_id' => $role === Role::Guest ? $bay->id : null, 'password_at' => now(),
        ]);
    }
    $open = ['desk' => [], 'guest' => []];
    foreach (Route::getRoutes()->getRoutes() as $route) {
        if (! in_array(App\Http\Middleware\StandingSignIn::class, $route->gatherMiddleware(), true)) {
            continue;
        }
        foreach (array_diff($route->methods(), ['HEAD']) as $method) {
            foreach ($people as $name => $person) {
                $may = $person->role->may($method, $route->uri());
                $uri = (string) preg_replace('/\{\w+\}/', '999999', $route->uri());
                if ($method !== 'DELETE' || $uri !== 'api/session') {
                    $status = $this->actingAs($person)->json($method, $uri)->getStatusCode();
                    expect($status === 403)->toBe(! $may, "{$name}: {$method} {$uri} answered {$status}");
                }
                if ($may && isset($open[$name])) {
                    $open[$name][] = "{$method} {$route->uri()}";
                }
            }
        }
    }
    $judging = '#judg|comparison|finder|advice|grounds|shots|confirm|files|trials|setups|rack|heads|parts|sleeves|people|rules|data|held|/log#';
    expect(array_filter($open['desk'], fn (string $r): bool => preg_match($judging, $r) === 1))->toBe([])
        ->and(array_filter($open['guest'], fn (string $r): bool => ! str_starts_with($r, 'GET ') && ! str_contains($r, 'session')))->toBe([]);
});

it('shows a guest screen its own bay and nothing else', function (): void {
    $this->actingAs($this->owner);
    [$mine, $other] = [$this->fitting($this->owner), $this->fitting($this->owner)];
    [$bayId] = $this->bay($this->owner, $mine);
    $link = $this->postJson('api/people', ['name' => 'Wall', 'role' => 'guest', 'bayId' => $bayId])->assertCreated();
    $this->deleteJson('api/session');
    $token = basename($link->json('path'));
    $this->postJson('api/welcome/look', ['token' => $token])->assertOk()->assertJsonPath('kind', 'screen');
    $this->postJson('api/welcome', ['token' => $token])->assertOk()->assertJsonPath('user.role', 'guest');
    $this->getJson('api/screen')->assertOk()->assertJsonPath('fitting.id', $mine->id);
    $this->getJson("api/fittings/{$mine->id}/bay")->assertOk();
    $this->getJson("api/fittings/{$other->id}/bay")->assertNotFound();
    $this->getJson("api/fittings/{$mine->id}/shots")->assertForbidden();
    $this->postJson("api/fittings/{$mine->id}/trials", ['setupId' => 1])->assertForbidden();
    Bay::query()->whereKey($bayId)->update(['fitting_id' => null]);
    $this->getJson("api/fittings/{$mine->id}/bay")->assertNotFound();
    $this->getJson('api/screen')->assertOk()->assertJsonPath('fitting', null);
    $this->travel(31)->days();
    $this->getJson('api/screen')->assertUnauthorized();
});

it('invites by a link that opens once, is replaced by the next, and gets old', function (): void {
    $said = [];
    Log::listen(function (MessageLogged $m) use (&$said): void {
        $said[] = $m->message.json_encode($m->context);
    });
    $this->actingAs($this->owner);
    $asked = ['name' => 'Nia', 'role' => 'desk', 'email' => 'Nia@Test.example'];
    $first = $this->postJson('api/people', $asked)->assertCreated()->assertJsonPath('mailed', false);
    $this->postJson('api/people', $asked)->assertUnprocessable()->assertJsonValidationErrors('email');
    $id = $first->json('person.id');
    $second = $this->postJson("api/people/{$id}/link")->assertCreated();
    $token = basename($second->json('path'));
    $this->deleteJson('api/session');
    $open = fn (string $token, string $password = 'seven quiet owls') => $this->postJson('api/welcome', [
        'token' => $token, 'password' => $password,
    ]);
    $open(basename($first->json('path')))->assertUnprocessable();
    $open($token, 'short')->assertUnprocessable()->assertJsonValidationErrors('password');
    $open($token)->assertOk()->assertJsonPath('user.role', 'desk');
    $this->deleteJson('api/session');
    $open($token)->assertUnprocessable();
    ($this->try)('nia@test.example', 'seven quiet owls')->assertOk();
    // A reset ends what is open; and an old link opens nothing.
    $this->actingAs($this->owner);
    $reset = basename($this->postJson("api/people/{$id}/link")->assertCreated()->json('path'));
    $this->travel(3)->hours();
    $this->postJson('api/welcome/look', ['token' => $reset])->assertUnprocessable();
    $reset = basename($this->postJson("api/people/{$id}/link")->json('path'));
    $open($reset, 'eight quiet owls')->assertOk();
    expect(SignIn::query()->where('user_id', $id)->where('ended_why', 'password changed')->count())->toBe(1)
        ->and(implode("\n", $said))->not->toContain($token)->not->toContain($reset)->not->toContain('nia@');
    expect(json_encode(WelcomeLink::query()->get()))->not->toContain($reset);
});

it('sends the link by mail where a server is configured, in plain text', function (): void {
    config(['mintcarry.mails' => true, 'mail.default' => 'array']);
    $link = $this->actingAs($this->owner)->postJson('api/people', ['name' => 'Nia', 'role' => 'fitter', 'email' => 'nia@test.example'])
        ->assertCreated()->assertJsonPath('mailed', true);
    $sent = Mail::mailer('array')->getSymfonyTransport()->messages();
    expect($sent)->toHaveCount(1);
    $mail = $sent[0]->getOriginalMessage();
    expect($mail->getTextBody())->toContain(basename($link->json('path')))->and($mail->getHtmlBody())->toBeNull();
});

it('removes a fitter and keeps what they did', function (): void {
    $fitter = User::query()->create([
        'studio_id' => $this->owner->studio_id, 'name' => 'Gone soon', 'email' => 'gone@test.example', 'password' => 'a long password',
        'password_at' => now(), 'role' => Role::Fitter,
    ]);
    $fitting = $this->fitting($fitter);
    $setup = $this->addSetup($fitting);
    $this->hitAbout($fitter, $setup, n: 2);
    $this->patchJson('api/shots/'.Shot::query()->firstOrFail()->id, ['leftOut' => ['reason' => 'warm-up']])->assertOk();
    $this->deleteJson("api/people/{$fitter->id}")->assertForbidden();
    $this->actingAs($this->owner)->deleteJson("api/people/{$fitter->id}")->assertOk();
    expect(collect($this->getJson("api/fittings/{$fitting->id}/log")->json())->pluck('by')->all())->toContain('Gone soon')
        ->and(collect($this->getJson('api/people')->json())->firstWhere('id', $fitter->id)['removedAt'])->not->toBeNull();
    $this->deleteJson('api/session');
    ($this->try)('gone@test.example', 'a long password')->assertUnprocessable();
    // They may come back under the same address.
    $this->actingAs($this->owner)->postJson('api/people', ['name' => 'Gone soon', 'role' => 'fitter', 'email' => 'gone@test.example'])
        ->assertCreated()->assertJsonPath('person.id', $fitter->id);
});

it('never leaves a studio without an owner', function (): void {
    $this->actingAs($this->owner);
    $this->deleteJson("api/people/{$this->owner->id}")->assertUnprocessable();
    $this->patchJson("api/people/{$this->owner->id}", ['role' => 'desk'])->assertUnprocessable();
    // An owner who never came in does not count.
    $this->postJson('api/people', ['name' => 'Second', 'role' => 'owner', 'email' => 'second@test.example'])->assertCreated();
    $this->patchJson("api/people/{$this->owner->id}", ['role' => 'desk'])->assertUnprocessable();
    User::query()->where('email', 'second@test.example')->update(['password_at' => now()]);
    $this->patchJson("api/people/{$this->owner->id}", ['role' => 'desk'])->assertOk();
});

it('joins no studio by a name that only looks like it', function (): void {
    $add = fn (string $studio, string $email) => $this->artisan('mint:fitter', ['studio' => $studio, 'name' => 'N', 'email' => $email]);
    $add('Corner Bay', 'one@corner.example')->assertSuccessful();
    $add('Corner Bay', 'two@corner.example')->assertSuccessful();
    foreach (['Córner Bay', 'corner bay', 'CORNER BAY'] as $i => $like) {
        $add($like, "like{$i}@corner.example")->assertFailed()->expectsOutputToContain('only looks like');
    }
    expect(User::query()->where('email', 'one@corner.example')->firstOrFail()->role)->toBe(Role::Owner)
        ->and(User::query()->where('email', 'two@corner.example')->firstOrFail()->role)->toBe(Role::Fitter);
});

it('lets somebody in again from the command line, who lost password and second factor', function (): void {
    secondFactor($this);
    $this->artisan('mint:rescue', ['email' => 'nobody@test.example'])->assertFailed();
    Illuminate\Support\Facades\Artisan::call('mint:rescue', ['email' => strtoupper($this->owner->email), '--drop-factor' => true]);
    preg_match('~/#/welcome/([\w-]+)~', Illuminate\Support\Facades\Artisan::output(), $link);
    $this->postJson('api/welcome', ['token' => $link[1], 'password' => 'seven quiet owls'])->assertOk()->assertJsonPath('user.role', 'owner');
    expect($this->owner->fresh()->totp_at)->toBeNull();
});

it('reads secrets with the key of before, and writes them with the one of now', function (): void {
    [$secret] = secondFactor($this);
    $before = (string) config('app.key');
    $now = 'base64:'.base64_encode(random_bytes(32));
    $raw = fn (): string => (string) Illuminate\Support\Facades\DB::table('users')->where('id', $this->owner->id)->value('totp_secret');
    $written = $raw();
    $key = fn (string $k): string => (string) base64_decode(substr($k, 7));
    $with = function (array $keys) use ($key): void {
        $encrypter = new Illuminate\Encryption\Encrypter($key($keys[0]), 'AES-256-CBC');
        $this->app->instance('encrypter', $encrypter->previousKeys(array_map($key, array_slice($keys, 1))));
        Illuminate\Support\Facades\Crypt::clearResolvedInstances();
    };
    $with([$now, $before]);
    $this->artisan('mint:reencrypt')->assertSuccessful();
    expect($raw())->not->toBe($written);
    $with([$now]);
    expect(User::query()->findOrFail($this->owner->id)->totp_secret)->toBe($secret);
});
