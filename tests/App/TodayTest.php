<?php

declare(strict_types=1);

use App\Access\Role;
use App\Models\Appointment;
use App\Models\Order;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use MintCarry\Core\Fitting\Brief;

// What the studio has to do today: who comes next, and what waits for a decision, an order or a word about rounds.

beforeEach(function (): void {
    $this->owner = $this->fitter();
    $this->actingAs($this->owner);
    $this->made = $this->fitting($this->owner, 'right', new Brief(currency: 'EUR'));
    $this->own = $this->addSetup($this->made);
    $this->hitAbout($this->owner, $this->own, 148, 6);
    $this->other = $this->addSetup($this->made, ['head' => 'Tern 460']);
    $this->today = fn (?User $as = null): array => $this->actingAs($as ?? $this->owner)->getJson('api/today')->assertOk()->json();
    $this->decide = fn () => $this->postJson("api/fittings/{$this->made->id}/decisions", ['setupId' => $this->other->id, 'reason' => 'Straight'])
        ->assertCreated();
});

it('tells of a fitting once two setups were hit, until it is decided or thrown away', function (): void {
    expect(($this->today)()['decisions'])->toBe([]);
    $this->hitAbout($this->owner, $this->other, 150, 6);
    expect(array_column(($this->today)()['decisions'], 'fittingId'))->toBe([$this->made->id]);
    $this->made->update(['binned_at' => now()]);
    expect(($this->today)()['decisions'])->toBe([]);
    $this->made->update(['binned_at' => null]);
    ($this->decide)();
    expect(($this->today)()['decisions'])->toBe([]);
});

it('tells of orders that the studio can see to, of those on the way only the late, and asks for rounds a week after', function (): void {
    $this->hitAbout($this->owner, $this->other, 150, 6);
    ($this->decide)();
    $id = $this->postJson("api/fittings/{$this->made->id}/orders", [])->assertCreated()->json('id');
    $state = fn (string $state, array $more = []) => DB::table('orders')->where('id', $id)->update(['state' => $state] + $more);
    expect(($this->today)()['orders'][0])->toMatchArray(['orderId' => $id, 'isLate' => false]);
    $state('ordered', ['due_on' => now()->addDays(3)->format('Y-m-d')]);
    expect(($this->today)()['orders'])->toBe([]);
    $state('ordered', ['due_on' => now()->subDays(3)->format('Y-m-d')]);
    expect(($this->today)()['orders'][0]['isLate'])->toBeTrue();
    $state('handed over', ['updated_at' => now()->subDays(2)]);
    expect(($this->today)()['rounds'])->toBe([]);
    $state('handed over', ['updated_at' => now()->subDays(9)]);
    expect(($this->today)())->toMatchArray(['orders' => []])->and(array_column(($this->today)()['rounds'], 'fittingId'))->toBe([$this->made->id]);
    Order::query()->findOrFail($id)->player->update(['binned_at' => now()]);
    expect(($this->today)()['rounds'])->toBe([]);
});

it('tells who comes next by the clock on the wall, and nothing of another studio; the desk hears of no judging', function (): void {
    $this->hitAbout($this->owner, $this->other, 150, 6);
    $day = now()->addDays(2);
    $book = fn (string $day, string $name) => $this->postJson('api/appointments', [
        'day' => $day, 'time' => '10:00', 'minutes' => 90, 'kind' => 'Driver fitting', 'swings' => 60, 'fitterId' => $this->owner->id,
        'name' => $name, 'hand' => 'left', 'outside' => true,
    ])->assertCreated();
    $book($day->format('Y-m-d'), 'Corin Aldery');
    $book($day->subDays(30)->format('Y-m-d'), 'Long Gone');
    expect(array_column(array_column(($this->today)()['next'], 'player'), 'name'))->toBe(['Corin Aldery']);
    Appointment::query()->where('state', 'booked')->update(['state' => 'cancelled']);
    expect(($this->today)()['next'])->toBe([]);
    $desk = User::query()->create([
        'studio_id' => $this->owner->studio_id, 'name' => 'Desk', 'email' => 'desk@x.example', 'password' => 'x', 'role' => Role::Desk,
        'password_at' => now(),
    ]);
    expect(($this->today)($desk)['decisions'])->toBe([])->and(($this->today)()['decisions'])->not->toBe([])
        ->and(($this->today)($this->fitter())['decisions'])->toBe([]);
});
