<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\TakeDelivered;
use App\Contract\Answer;
use App\Contract\Takes;
use App\Devices\Device;
use App\Exchange\CsvDownload;
use App\Fittings\FittingLoader;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Input\Quantity;
use App\Http\Requests\OrderRequest;
use App\Http\Resources\OrderResource;
use App\Journal\Journal;
use App\Models\Acceptance;
use App\Models\Decision;
use App\Models\Fitting;
use App\Models\Order;
use App\Models\Setup;
use App\Models\Studio;
use App\Models\User;
use Closure;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\SwingWeight;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Order\Acceptance as Held;
use MintCarry\Core\Order\ClubFigures;
use MintCarry\Core\Order\OrderState;
use MintCarry\Core\Report\DeliveredReport;
use MintCarry\Core\Units\Unit;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** What was ordered after a decision: where it is, what it costs, and whether it came as ordered. */
final class OrderController
{
    private const FIGURES = [
        'loftDeg' => 'Loft', 'lieDeg' => 'Lie', 'faceOpenDeg' => 'Face', 'length' => 'Length', 'lengthMm' => 'Length', 'swingWeight' => 'Swing weight',
        'swingWeightPoints' => 'Swing weight', 'massG' => 'Weight',
    ];

    private const TYPED_AS = ['lengthMm' => 'length', 'swingWeightPoints' => 'swingWeight'];

    use NamesUser;

    /** What is done with is shown for so long. */
    private const SHOWN_DAYS = 120;

    private const WITH = ['player', 'setup', 'acceptances.fitter'];

    private const SAID = [
        'lines?' => '{ what: string; label: string; price: number | null }[]', 'labour?' => 'number', 'currency?' => 'string | null',
        'days?' => 'integer | null', 'dueOn?' => 'string | null', 'note?' => 'string | null', 'massG?' => 'number | null',
        'tolerances?' => 'Record<string, number>',
    ];

    public function __construct(private readonly Journal $journal)
    {
    }

    #[OA\Get(path: '/api/orders', operationId: 'order.index', summary: 'Orders: all that are open, and what was done with of late',
        responses: [new Answer('Order[]')])]
    public function index(Request $request): JsonResponse
    {
        $user = self::user($request);

        return response()->json($this->shown($user->studio)->get()->map(fn (Order $o): array => self::describe($o, $user))->all());
    }

    /** @return Builder<Order> */
    private function shown(Studio $studio): Builder
    {
        return Order::query()->where('studio_id', $studio->id)->with(self::WITH)->whereHas('player', fn ($q) => $q->whereNull('binned_at'))
            ->whereHas('fitting', fn ($q) => $q->whereNull('binned_at'))
            ->where(fn (Builder $q) => $q->whereNotIn('state', [OrderState::HandedOver->value, OrderState::Cancelled->value])
                ->orWhere('updated_at', '>', now()->subDays(self::SHOWN_DAYS)))
            ->orderBy('due_on')->orderBy('id');
    }

    #[OA\Get(path: '/api/orders.csv', operationId: 'order.csv', summary: 'The same as a table, a line a thing that is bought: for the till',
        responses: [new Answer('text/csv')])]
    public function csv(Request $request): StreamedResponse
    {
        $orders = $this->shown(self::user($request)->studio)->get();

        return CsvDownload::of('orders.csv', (static function () use ($orders): iterable {
            yield ['order', 'player', 'state', 'due', 'what', 'label', 'price', 'currency'];
            foreach ($orders as $order) {
                foreach ([...$order->lines, ['what' => 'labour', 'label' => 'fitting and building', 'price' => $order->labour]] as $line) {
                    yield [
                        (string) $order->id, $order->player->name, $order->state->value, $order->due_on ?? '', $line['what'],
                        $line['label'], $line['price'] === null ? '' : sprintf('%.2f', $line['price']), $order->currency,
                    ];
                }
            }
        })());
    }

    /** From the decision as it stands: what the setup is made of, at the rack's prices, and what gauge and balance shall read. */
    #[OA\Post(path: '/api/fittings/{fitting}/orders', operationId: 'order.store', summary: 'Asks for the club that was decided for',
        requestBody: new Takes(self::SAID), responses: [new Answer('Order', 201)])]
    public function store(OrderRequest $request, Fitting $fitting): JsonResponse
    {
        $user = self::user($request);
        $order = $this->journal->record(
            $user->studio, $user, fn (Order $o): string => 'asked for '.self::words($o), function () use ($request,
                $fitting, $user): Order {
                $decision = $fitting->decisions()->first()
                    ?? throw ValidationException::withMessages(['decision' => 'Nothing was decided yet: decide first, then order.']);
                $open = Order::query()->where('fitting_id', $fitting->id)->whereNotIn('state', [OrderState::Cancelled->value])->first();
                if ($open !== null) {
                    throw ValidationException::withMessages(['order' => "A club of this fitting is {$open->state->value} already: it stands under Orders."]);
                }
                $setup = Setup::query()->with(Setup::MADE_OF)->findOrFail($decision->setup_id);
                $order = new Order([
                    'studio_id' => $fitting->studio_id, 'player_id' => $fitting->player_id, 'fitting_id' => $fitting->id,
                    'decision_id' => $decision->id,
                    'setup_id' => $setup->id, 'tolerances' => [],
                    'steps' => [['state' => 'asked', 'at' => now()->toIso8601String(), 'by' => $user->name]],
                    ...self::priced($setup, $fitting),
                    'figures' => DeliveredReport::ordered($setup->record(), (new FittingLoader($fitting))->record(), $setup->plan())->toArray(),
                ]);

                return $this->keep($order, $request);
            });

        return response()->json(self::describe($order, $user), 201);
    }

    /** Somebody else's newer version is never overwritten: the answer is 409 with what stands now. */
    #[OA\Patch(path: '/api/orders/{order}', operationId: 'order.update', summary: 'Goes on with an order, or changes what it says',
        requestBody: new Takes(['version' => 'integer', 'state?' => 'string', 'why?' => 'string | null'] + self::SAID),
        responses: [new Answer('Order')])]
    public function update(OrderRequest $request, Order $order): JsonResponse
    {
        $to = $request->validated('state') === null ? null : OrderState::from($request->string('state')->value());

        return $this->change(
            $request, $order, (int) $request->validated('version'), ($to === null ? 'changed' : "noted as {$to->value}").' ',
            function (Order $now) use ($request, $to): void {
                if ($to === OrderState::Checked && $now->state !== OrderState::Checked) {
                    throw InvalidInput::of('state', 'A club is checked by its readings on gauge and balance. Nothing was changed.');
                }
                $why = trim((string) $request->validated('why'));
                if (in_array($to, [OrderState::Cancelled, OrderState::Returned], true) && $why === '') {
                    throw ValidationException::withMessages(['why' => 'Say in a few words why; the record keeps it. Nothing was changed.']);
                }
                if ($to !== null) {
                    $now->goTo($to, self::user($request));
                    $now->why = $why !== '' ? $why : $now->why;
                }
                $this->keep($now, $request);
            });
    }

    /**
     * Read on gauge and balance; in tolerance it is taken at once, else it is said what that does to this player's
     * ball and how it is mended.
     */
    #[OA\Post(path: '/api/orders/{order}/acceptances', operationId: 'order.accept', summary: 'The delivered club on gauge and balance',
        requestBody: new Takes([
            'version' => 'integer', 'hand' => 'Hand', 'loftDeg?' => 'number | null', 'lieDeg?' => 'number | null',
            'faceOpenDeg?' => 'number | null',
            'lengthMm?' => 'number | null', 'swingWeightPoints?' => 'number | null', 'massG?' => 'number | null',
            'length?' => '{ value: string; unit: string } | null', 'swingWeight?' => 'string | null', 'source?' => 'string',
        ]),
        responses: [new Answer('Order')])]
    public function accept(Request $request, Order $order, TakeDelivered $take): JsonResponse
    {
        $given = $request->validate([
            'version' => ['required', 'integer'], 'hand' => ['required', Rule::enum(Hand::class)],
            ...array_fill_keys(array_keys(ClubFigures::BOUNDS), ['sometimes', 'nullable', 'numeric']),
            'length' => ['sometimes', 'nullable', 'array'], 'swingWeight' => ['sometimes', 'nullable', 'string', 'max:8'],
            'source' => ['sometimes', 'in:measured,simulated'],
        ]);

        return $this->change($request, $order, (int) $given['version'], 'read ', function (Order $now) use ($given, $request, $take): void {
            if (! in_array($now->state, [OrderState::Built, OrderState::Checked], true)) {
                throw InvalidInput::of('state', 'A club is read once it is built: mark it as built first. Nothing was changed.');
            }
            $read = self::readFigures($given, $now->player->hand);
            if (array_filter(array_diff_key($read->toArray(), ['hand' => 1]), static fn (mixed $v): bool => $v !== null) === []) {
                throw InvalidInput::of('loftDeg', 'There is no reading yet: type what gauge, ruler and balance say. Nothing was changed.');
            }
            $setup = Setup::query()->with(Setup::MADE_OF)->findOrFail($now->setup_id);
            $held = Held::of($now->wanted(), $read, $now->tolerances);
            $report = DeliveredReport::of((new FittingLoader($now->fitting))->record(), $setup->record(), $read, $held);
            $acceptance = Acceptance::query()->create([
                'studio_id' => $now->studio_id, 'order_id' => $now->id, 'figures' => $read->toArray(),
                'typed' => array_intersect_key($given, ['length' => 1, 'swingWeight' => 1]),
                'source' => $given['source'] ?? 'measured', 'read_by' => self::user($request)->id,
                'report' => ['checks' => $held->checks, 'isHandRight' => $held->isHandRight, 'isGood' => $held->isGood()] + $report,
            ]);
            if ($held->isGood() && $now->state === OrderState::Built) {
                $take($now, $acceptance, self::user($request), '');
            }
            $now->version++;
            $now->save();
        });
    }

    /**
     * What gauge, ruler and balance say, length and swing weight as they are typed. All that cannot be read is told at once.
     *
     * @param  array<string, mixed>  $given
     *
     * @throws ValidationException by field
     */
    private static function readFigures(array $given, Hand $hand): ClubFigures
    {
        $wrong = $typed = [];
        foreach ([
            'lengthMm' => static fn (mixed $said): ?float => Quantity::read('lengthMm', 'Length', $said, Unit::Millimetres),
            'swingWeightPoints' => SwingWeight::pointsOf(...),
        ] as $name => $read) {
            $field = self::TYPED_AS[$name];
            try {
                $typed[$name] = isset($given[$field]) ? $read($given[$field]) : null;
            } catch (InvalidInput $e) {
                $wrong[$field] = [self::named($field, $e)];
            }
        }
        $all = array_filter($typed, is_float(...)) + $given;
        foreach (ClubFigures::outOfBounds($all) as $name => $e) {
            $field = isset($given[self::TYPED_AS[$name] ?? '']) ? self::TYPED_AS[$name] : $name;
            $wrong[$field] ??= [self::named($field, $e)];
        }
        if ($wrong !== []) {
            $last = array_key_last($wrong);
            $wrong[$last][0] .= ' Nothing was kept of this reading.';
            throw ValidationException::withMessages($wrong);
        }

        return ClubFigures::fromArray($all, $hand);
    }

    /** What cannot be read, with the figure as it is called. */
    private static function named(string $field, InvalidInput $e): string
    {
        return (string) preg_replace('/^[a-zA-Z]+(?= is )/', self::FIGURES[$field], $e->getMessage());
    }

    #[OA\Post(path: '/api/orders/{order}/take', operationId: 'order.take', summary: 'Takes the club as it was read last, although something is off',
        requestBody: new Takes(['version' => 'integer', 'why' => 'string']), responses: [new Answer('Order')])]
    public function take(Request $request, Order $order, TakeDelivered $take): JsonResponse
    {
        $given = $request->validate(
            ['version' => ['required', 'integer'], 'why' => ['required', 'string', 'max:300']],
            ['why.required' => 'Say in a few words why it is taken as it is; the record keeps it.'],
        );

        return $this->change($request, $order, (int) $given['version'], 'took as it is ',
            function (Order $now) use ($given, $request, $take): void {
                $last = $now->acceptances()->first() ?? throw InvalidInput::of('state',
                    'It was not read on gauge and balance yet. Nothing was changed.');
                if (! ($last->report['isHandRight'] ?? false)) {
                    throw InvalidInput::of('hand', 'This club is for the other hand: send it back. Nothing was changed.');
                }
                $take($now, $last, self::user($request), $given['why']);
                $now->version++;
                $now->save();
            });
    }

    /**
     * One reading by gauge or balance of the club that lies on it; the stand-in is given the ordered club, a little
     * off. Nothing is stored.
     */
    #[OA\Post(path: '/api/orders/{order}/read/{device}', operationId: 'order.read', summary: 'One reading by a device; nothing is stored',
        responses: [new Answer('{ values: Record<string, number>; source: string }')])]
    public function read(Request $request, Order $order, string $device): JsonResponse
    {
        $wanted = $order->load('player')->figures;
        $off = static fn (string $what): float => (crc32("{$order->id}/{$what}") % 2001) / 1000 - 1;
        $piece = $device === 'balance'
            ? ['massG' => (float) ($wanted['massG'] ?? 310) + 2 * $off('mass')]
            : [
                'loftDeg' => (float) $wanted['loftDeg'] + 0.6 * $off('loft'), 'lieDeg' => (float) $wanted['lieDeg'] + 0.6 * $off('lie'),
                'faceOpenDeg' => (float) $wanted['faceOpenDeg'] + 0.5 * $off('face'),
            ];

        return response()->json(Device::of(self::user($request)->studio, $device)->reading($piece));
    }

    /** @param  Closure(Order): void  $do  within the transaction, with the row locked */
    private function change(Request $request, Order $order, int $version, string $verb, Closure $do): JsonResponse
    {
        $user = self::user($request);
        [$now, $isNewer] = $this->journal->record(
            $user->studio, $user, fn (array $r): string => $r[1] ? 'changed nothing' : $verb.self::words($r[0]),
            function () use ($order, $version, $do): array {
                $now = Order::query()->with(self::WITH)->lockForUpdate()->findOrFail($order->id);
                if ($now->version !== $version) {
                    return [$now, true];
                }
                $do($now);

                return [$now, false];
            },
        );
        $body = self::describe($now->load(self::WITH), $user);

        return $isNewer
            ? response()->json(['message' => 'It was changed on another screen meanwhile. Look at both and do it again.',
                'current' => $body], 409)
            : response()->json($body);
    }

    private function keep(Order $order, OrderRequest $request): Order
    {
        $said = $request->validated();
        foreach (['lines' => 'lines', 'labour' => 'labour', 'days' => 'days', 'dueOn' => 'due_on',
            'tolerances' => 'tolerances'] as $name => $column) {
            if (array_key_exists($name, $said)) {
                $order->setAttribute($column, $said[$name]);
            }
        }
        foreach (['currency', 'note'] as $name) {
            if (array_key_exists($name, $said)) {
                $order->setAttribute($name, (string) $said[$name]);
            }
        }
        if (array_key_exists('massG', $said)) {
            $order->figures = ['massG' => $said['massG'] === null ? null : (float) $said['massG']] + $order->figures;
            $order->setRelation('player', $order->player()->firstOrFail());
            $order->wanted();
        }
        if ($order->exists) {
            $order->version++;
        }
        $order->save();

        return $order->load(self::WITH);
    }

    /**
     * @return array{lines: list<array{what: string, label: string, price: float|null}>, labour: float,
     *   currency: string, days: int|null}
     */
    private static function priced(Setup $setup, Fitting $fitting): array
    {
        $supply = $setup->rackHead->supply ?? [];
        $head = ['what' => 'head', 'label' => $setup->head, 'price' => isset($supply['price']) ? (float) $supply['price'] : null];
        $parts = array_map(
            static fn (array $p): array => ['what' => $p['what'], 'label' => $p['label'], 'price' => $p['price']], $setup->record()->parts,
        );
        $currency = (string) ($supply['currency'] ?? '');

        return [
            'lines' => [...($setup->is_baseline ? [] : [$head]), ...$parts], 'labour' => (float) ($fitting->brief()->labour ?? 0),
            'currency' => $currency !== '' ? $currency : $fitting->brief()->currency,
            'days' => isset($supply['leadDays']) ? (int) $supply['leadDays'] : null,
        ];
    }

    private static function words(Order $order): string
    {
        return "the {$order->setup->head} of {$order->player->name}";
    }

    /** @return array<string, mixed> */
    private static function describe(Order $order, User $user): array
    {
        $isFitter = $user->role->isFitter();

        return OrderResource::of($order, now()->setTimezone($user->studio->zone())->format('Y-m-d'), $isFitter);
    }
}
