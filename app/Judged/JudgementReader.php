<?php

declare(strict_types=1);

namespace App\Judged;

use App\Models\Blind;
use App\Models\Fitting;
use App\Support\HeavyPlaces;
use App\Support\Slots;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Record\FittingRecord;
use Symfony\Component\HttpFoundation\Response as Answer;

/**
 * Answers a part of a fitting's judgement: that of its state; while the worker makes it the newest there is, with its age; and where there
 * is no worker, or nothing was judged yet, one that the request makes itself.
 */
final class JudgementReader
{
    public function __construct(
        private readonly JudgementStore $store, private readonly FittingJudge $judge, private readonly JudgingAhead $ahead,
        private readonly HeavyPlaces $places, private readonly Slots $slots,
    ) {
    }

    /**
     * @param  array<string, string>  $options  what was asked beside it
     * @param  (Closure(FittingRecord): array<string, mixed>)|null  $make  of what was asked; null where nothing was
     */
    public function answer(
        Request $request, Fitting $fitting, JudgedPart $part, Viewpoint $from = new Viewpoint, array $options = [],
        ?Closure $make = null,
    ): Answer {
        if ($part->waitsForReveal() && Blind::open($fitting) !== null) {
            throw ValidationException::withMessages(['blind' => 'A blind trial is going on: nothing is told of the setups before the reveal.']);
        }
        $this->ahead->look($fitting);
        $asked = $from->key($options);
        $state = FittingState::of($fitting);
        $kept = $this->store->of($fitting, $part, $asked, $state->key);
        if ($kept === null && $asked === '' && $this->ahead->isWorked()) {
            $this->ahead->ask($fitting, $part->isFurther());
            $kept = $this->store->newest($fitting, $part, $asked);
        }

        if ($kept !== null) {
            return self::respond($kept, $state);
        }
        // Who comes second waits for the first, and finds what was made: only who makes something takes a heavy place.
        $place = $make === null ? $this->slots->wait(JudgeFitting::placeOf($fitting)) : null;
        try {
            $state = FittingState::of($fitting);
            $kept = $this->store->of($fitting, $part, $asked, $state->key);

            return $kept !== null ? self::respond($kept, $state) : $this->places->within($request, fn (): Response => self::respond(
                $make === null
                    ? $this->judge->judge($fitting, $part->isFurther(), $from)[$part->value]
                    : $this->judge->answer($fitting, $part, $options, $from, $make),
                $state,
            ));
        } finally {
            $this->slots->free($place);
        }
    }

    /**
     * Figures of the fitting as it stands now: what a decision keeps.
     *
     * @return array<string, mixed>
     *
     * @throws InvalidInput where the part is refused
     */
    public function now(Fitting $fitting, JudgedPart $part, Viewpoint $from = new Viewpoint): array
    {
        $state = FittingState::of($fitting);
        $asked = $from->key();
        $kept = $this->store->of($fitting, $part, $asked, $state->key)
            ?? $this->judge->judge($fitting, $part->isFurther(), $from)[$part->value];
        $figures = json_decode($kept->json, true, flags: JSON_THROW_ON_ERROR);

        return $kept->isRefusal ? throw InvalidInput::of($figures['field'], $figures['message']) : $figures;
    }

    private static function respond(KeptPart $kept, FittingState $now): Response
    {
        if ($kept->isRefusal) {
            ['field' => $field, 'message' => $message] = json_decode($kept->json, true, flags: JSON_THROW_ON_ERROR);
            throw InvalidInput::of($field, $message);
        }
        $age = json_encode([
            'shots' => $kept->shots, 'of' => $now->shots, 'isCurrent' => $kept->state === $now->key, 'at' => "{$kept->madeAt}Z",
        ], JSON_THROW_ON_ERROR);

        return new Response('{"age":'.$age.($kept->json === '{}' ? '' : ',').substr($kept->json, 1), 200, ['Content-Type' => 'application/json']);
    }
}
