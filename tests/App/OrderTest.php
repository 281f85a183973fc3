<?php

declare(strict_types=1);

use App\Access\Role;
use App\Devices\Device;
use App\Models\Acceptance;
use App\Models\LogEntry;
use App\Models\Order;
use App\Models\RackHead;
use App\Models\Setup;
use App\Models\User;
use Illuminate\Support\Facades\Http;
use MintCarry\Core\Fitting\Brief;

// What is ordered after a decision, where it is, and whether it came as ordered.

beforeEach(function (): void {
    $this->owner = $this->fitter();
    $this->actingAs($this->owner);
    $this->made = $this->fitting($this->owner, 'right', new Brief(labour: 40.0, currency: 'EUR'));
    $this->own = $this->addSetup($this->made);
    $this->hitAbout($this->owner, $this->own, 148, 6);
    $head = $this->rackHead($this->owner, ['supply' => ['inStock' => false, 'leadDays' => 9, 'price' => 420.5, 'currency' => 'EUR']]);
    $this->setup = $this->build($this->made, $head, ['length' => ['value' => '1143', 'unit' => 'mm'], 'swingWeight' => 'D2']);
    $this->hitAbout($this->owner, $this->setup, 150, 6);
    $this->postJson("api/fittings/{$this->made->id}/decisions", ['setupId' => $this->setup->id, 'reason' => 'Straight'])->assertCreated();
    $this->ask = fn (array $more = []) => $this->postJson("api/fittings/{$this->made->id}/orders", $more);
    $this->go = fn (array $order, array $what) => $this->patchJson("api/orders/{$order['id']}", ['version' => $order['version']] + $what);
    $this->built = function (): array {
        $order = ($this->ask)()->assertCreated()->json();
        foreach (['ordered', 'arrived', 'built'] as $state) {
            $order = ($this->go)($order, ['state' => $state])->assertOk()->json();
        }

        return $order;
    };
    $this->read = function (array $order, array $off = [], array $more = []) {
        $figures = array_diff_key($order['figures'], ['hand' => 1]);
        foreach ($off as $name => $by) {
            $figures[$name] += $by;
        }

        return $this->postJson("api/orders/{$order['id']}/acceptances",
            $more + ['version' => $order['version'], 'hand' => 'right'] + $figures);
    };
});

it('asks at the rack’s prices, goes on step by step, and says what it waits for', function (): void {
    $order = ($this->ask)()->assertCreated()->assertJsonPath('waitsFor', 'to be ordered')->json();
    expect($order['lines'][0])->toEqual(['what' => 'head', 'label' => $this->setup->head, 'price' => 420.5])
        ->and($order['labour'])->toEqual(40)
        ->and($order['total'])->toEqual(460.5)->and($order['days'])->toBe(9);
    ($this->ask)()->assertUnprocessable()->assertSee('is asked already');
    $this->travelTo('2026-11-30 12:00:00');
    $order = ($this->go)($order, ['state' => 'ordered'])->assertOk()->assertJsonPath('dueOn', '2026-12-09')
        ->assertJsonPath('isLate', false)->json();
    expect($this->getJson('api/fittings')->json('0.order'))->toBe(['state' => 'ordered', 'waitsFor' => 'for the parts',
        'dueOn' => '2026-12-09', 'isLate' => false]);
    $this->travelTo('2026-12-10 12:00:00');
    expect($this->getJson('api/orders')->json('0.isLate'))->toBeTrue();
    ($this->go)($order, ['state' => 'handed over'])->assertUnprocessable()->assertSee('once it was checked');
    $order = ($this->go)($order, ['state' => 'arrived'])->assertOk()->json();
    ($this->go)($order, ['state' => 'cancelled', 'why' => 'no money'])->assertUnprocessable()
        ->assertSee('It has arrived, so it cannot be cancelled');
    ($this->go)($order, ['state' => 'returned'])->assertUnprocessable()->assertJsonValidationErrors('why');
    ($this->go)(['version' => 1] + $order, ['state' => 'built'])->assertConflict()->assertJsonPath('current.state', 'arrived');
    $order = ($this->go)($order, ['state' => 'built'])->json();
    ($this->go)($order, ['state' => 'checked'])->assertUnprocessable()->assertSee('gauge and balance');
    expect(array_column($order['steps'], 'state'))->toBe(['asked', 'ordered', 'arrived', 'built']);
});

it('takes back a step, and notes who did what', function (): void {
    $order = ($this->ask)()->json();
    ($this->go)($order, ['state' => 'ordered'])->assertOk();
    $entry = LogEntry::query()->whereNull('fitting_id')->latest('id')->firstOrFail();
    expect($entry->words)->toBe("noted as ordered the {$this->setup->head} of {$this->made->player->name}");
    $this->postJson("api/studio-log/{$entry->id}/undo")->assertOk();
    expect(Order::query()->sole()->state->value)->toBe('asked')->and(Order::query()->sole()->due_on)->toBeNull();
});

it('takes a club that is in tolerance at once, and what comes after uses what was built', function (): void {
    $order = ($this->built)();
    $order = ($this->read)($order, ['loftDeg' => 0.4, 'swingWeightPoints' => -0.8])->assertOk()->assertJsonPath('state', 'checked')
        ->assertJsonPath('acceptances.0.report.isGood', true)->json();
    $order = ($this->go)($order, ['state' => 'handed over'])->assertOk()->assertJsonPath('waitsFor', '')->json();
    $built = $this->getJson("api/fittings/{$this->made->id}")->json('order.built');
    expect($built['loftDeg'])->toEqualWithDelta($order['figures']['loftDeg'] + 0.4, 1e-9);
    // A second fitting starts from the club as it was built; the rack offers its head to nobody else.
    $next = $this->postJson('api/fittings', [
        'playerId' => $this->made->player_id, 'fromFittingId' => $this->made->id, 'setupId' => $this->setup->id,
    ])->assertCreated()->json();
    $own = Setup::query()->with(Setup::MADE_OF)->where('fitting_id', $next['id'])->sole();
    expect($own->playing(0.0)->loftDeg)->toEqualWithDelta($built['loftDeg'], 0.011)
        ->and($own->playing(0.0)->faceOpenDeg)->toEqualWithDelta($built['faceOpenDeg'], 0.011)
        ->and($own->playing(0.0)->lieDeg)->toEqualWithDelta($built['lieDeg'], 0.011)
        ->and($own->swing_weight_points)->toEqualWithDelta($built['swingWeightPoints'], 1e-9)
        ->and(RackHead::query()->whereNull('retired_at')->count())->toBe(1)
        ->and(count($this->getJson('api/rack')->json('heads')))->toBe(1);
    ($this->go)($order, ['state' => 'returned', 'why' => 'the paint came off'])->assertOk()
        ->assertJsonPath('waitsFor', 'for its replacement');
});

it('says what a club out of tolerance does to this player’s ball and how it is mended, and takes it only with a reason', function (): void {
    $order = ($this->built)();
    $order = ($this->read)($order, ['faceOpenDeg' => 1.6, 'swingWeightPoints' => 2.5])->assertOk()
        ->assertJsonPath('state', 'built')->json();
    $report = $order['acceptances'][0]['report'];
    expect($report['isGood'])->toBeFalse()->and(array_column(array_filter($report['checks'],
        fn (array $c): bool => $c['isWithin'] === false), 'name'))
        ->toBe(['faceOpenDeg', 'swingWeightPoints'])
        ->and($report['gramsAtHead'])->toBeLessThan(-3)->and($report['effect']['sideM']['value'])->toBeGreaterThan(0.5)
        ->and($report['effect']['sideM']['interval']['low'])->toBeLessThan($report['effect']['sideM']['value']);
    $this->postJson("api/orders/{$order['id']}/take", ['version' => $order['version'], 'why' => ''])->assertUnprocessable();
    $this->postJson("api/orders/{$order['id']}/take", ['version' => $order['version'], 'why' => 'He likes it open'])->assertOk()
        ->assertJsonPath('state', 'checked')->assertJsonPath('acceptances.0.why', 'He likes it open');
    expect(Acceptance::query()->count())->toBe(1);
});

it('sends back a club of the other hand, and reads nothing before it is built', function (): void {
    $asked = ($this->ask)()->json();
    ($this->read)($asked)->assertUnprocessable()->assertSee('mark it as built first');
    foreach (['ordered', 'arrived', 'built'] as $state) {
        $asked = ($this->go)($asked, ['state' => $state])->json();
    }
    $this->postJson("api/orders/{$asked['id']}/acceptances", ['version' => $asked['version'], 'hand' => 'right'])
        ->assertUnprocessable()->assertSee('There is no reading yet');
    ($this->read)($asked, [], ['swingWeight' => 'heavy'])->assertUnprocessable()->assertJsonValidationErrors('swingWeight');
    ($this->read)($asked, [], ['length' => ['value' => '44.5', 'unit' => 'in'], 'swingWeight' => 'D1'])->assertOk()
        ->assertJsonPath('acceptances.0.figures.lengthMm', fn (mixed $mm): bool => abs($mm - 1130.3) < 1e-6)
        ->assertJsonPath('acceptances.0.figures.swingWeightPoints', fn (mixed $p): bool => abs($p - 31) < 1e-9)
        ->assertJsonPath('acceptances.0.report.sendBack', true);
    $asked['version']++;
    // All that is off is told, and what was typed is named as it is called.
    $told = ($this->read)($asked, [], ['loftDeg' => 99, 'length' => ['value' => '-3', 'unit' => 'in'], 'swingWeight' => 'Z99'])
        ->assertUnprocessable()->assertJsonValidationErrors(['loftDeg', 'length', 'swingWeight']);
    expect($told->json('errors.loftDeg.0'))->toStartWith('Loft is 99 °; it must lie between 5 and 20')
        ->and(implode(' ', $told->json('errors.*.0')))->toContain('Nothing was kept of this reading');
    ($this->read)($asked, [], ['loftDeg' => 31])->assertUnprocessable()->assertJsonValidationErrors('loftDeg');
    $order = ($this->read)($asked, [], ['hand' => 'left'])->assertOk()->assertJsonPath('state', 'built')
        ->assertJsonPath('acceptances.0.report.sendBack', true)->json();
    $this->postJson("api/orders/{$order['id']}/take", ['version' => $order['version'], 'why' => 'x'])->assertUnprocessable()
        ->assertSee('other hand');
});

it('gives the till a table whose cells run nothing, and the front desk no judging', function (): void {
    $this->made->player->update(['name' => '=1+1']);
    ($this->ask)()->assertCreated();
    $csv = $this->get('api/orders.csv')->assertOk()->streamedContent();
    expect($csv)->toContain("'=1+1,asked")->toContain('420.50,EUR')->toContain('labour,"fitting and building",40.00,EUR');
    $order = $this->getJson('api/orders')->json('0');
    foreach (['ordered', 'arrived', 'built'] as $state) {
        $order = ($this->go)($order, ['state' => $state])->json();
    }
    ($this->read)($order, ['faceOpenDeg' => 1.6])->assertOk();
    $desk = User::query()->create([
        'studio_id' => $this->owner->studio_id, 'name' => 'Desk', 'email' => 'desk@x.example', 'password' => 'x', 'role' => Role::Desk,
        'password_at' => now(),
    ]);
    $this->actingAs($desk)->getJson('api/orders')->assertOk()->assertJsonPath('0.acceptances', []);
});

it('reads the club by a device where one is connected', function (): void {
    config(['mintcarry.devices.gauge' => 'http://127.0.0.1:9', 'mintcarry.devices_of' => null]);
    $order = ($this->built)();
    Http::fake(['*/reading' => Http::response(['values' => ['loftDeg' => 10.9, 'lieDeg' => 58.2, 'faceOpenDeg' => 0.3]]),
        '*' => Http::response(['standIn' => false])]);
    $this->postJson("api/orders/{$order['id']}/read/gauge")->assertOk()->assertJsonPath('values.loftDeg', 10.9)
        ->assertJsonPath('source', 'measured');
    $this->postJson("api/orders/{$order['id']}/read/scales")->assertUnprocessable();
    expect(Device::NAMES)->toBe(['gauge', 'balance']);
});

it('orders nothing before something was decided', function (): void {
    $other = $this->fitting($this->owner);
    $this->postJson("api/fittings/{$other->id}/orders")->assertUnprocessable()->assertSee('Nothing was decided yet');
});
