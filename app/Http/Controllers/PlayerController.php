<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\JoinPlayers;
use App\Contract\Answer;
use App\Contract\Asks;
use App\Contract\Takes;
use App\Data\PersonFile;
use App\Fittings\PlayerStory;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Resources\EarlierFitting;
use App\Models\Consent;
use App\Models\Fitting;
use App\Models\Player;
use App\Models\Studio;
use App\Support\Transaction;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;

final class PlayerController
{
    use NamesUser;

    private const SHOWN = 20;

    private const EARLIER = 5;

    /** Players of the studio by name, each with the newest fittings and the clubs of those. */
    #[OA\Get(path: '/api/players', operationId: 'player.index', summary: 'Players of the studio by name',
        parameters: [new Asks('q', 'string')], responses: [new Answer('KnownPlayer[]')])]
    public function index(Request $request): JsonResponse
    {
        $user = self::user($request);
        $wanted = trim($request->string('q')->limit(80, '')->value());
        $players = Player::query()->where('studio_id', $user->studio_id)
            ->when($wanted !== '', fn ($q) => $q->where('name', 'like', '%'.addcslashes($wanted, '%_\\').'%'))
            ->orderBy('name')->orderBy('id')->limit(self::SHOWN)->get();
        $fittings = Fitting::query()->whereIn('player_id', $players->modelKeys())->with(['setups', 'decisions'])
            ->orderByDesc('created_at')->orderByDesc('id')->get()->groupBy('player_id');

        return response()->json($players->map(fn (Player $p): array => [
            'id' => $p->id, 'name' => $p->name, 'hand' => $p->hand->value, 'units' => $p->units,
            'fittings' => ($fittings[$p->id] ?? collect())->take(self::EARLIER)->map(EarlierFitting::of(...))->values()->all(),
        ])->all());
    }

    #[OA\Get(path: '/api/players/{player}', operationId: 'player.show', summary: 'A player of the studio, and what they agreed to',
        responses: [new Answer('PlayerRecord')])]
    public function show(Request $request, Player $player): JsonResponse
    {
        $isFitter = self::user($request)->role->isFitter();

        return response()->json([
            'language' => $player->language, 'units' => $player->units, 'story' => PlayerStory::of($player),
            'clubs' => PlayerStory::clubs($player),
            'known' => $isFitter ? PlayerStory::known($player) : null,
            'id' => $player->id, 'name' => $player->name, 'hand' => $player->hand->value, 'isErased' => $player->erased_at !== null,
            'fittings' => Fitting::query()->where('player_id', $player->id)->orderByDesc('id')->get(['id', 'created_at'])
                ->map(fn (Fitting $f): array => ['id' => $f->id, 'at' => $f->created_at->toIso8601String()])->all(),
            'consents' => PersonFile::consents($player),
            'consentText' => $player->studio->consent_text ?? Studio::CONSENT,
        ]);
    }

    /** All that belongs to the other record goes over; it can be taken back. */
    #[OA\Post(path: '/api/players/{player}/join', operationId: 'player.join', summary: 'Joins another record of the same person into this one',
        requestBody: new Takes(['otherId' => 'integer']), responses: [new Answer('PlayerRecord')])]
    public function join(Request $request, Player $player, JoinPlayers $join): JsonResponse
    {
        $given = $request->validate(['otherId' => ['required', 'integer']]);
        $user = self::user($request);
        $other = Player::query()->where('studio_id', $user->studio_id)->find((int) $given['otherId'])
            ?? throw ValidationException::withMessages(['otherId' => 'There is no such player in this studio. Nothing was changed.']);
        $join($player, $other, $user);

        return $this->show($request, $player->refresh());
    }

    /** What was agreed to is kept in the words that were shown; taking it back keeps that it was given. */
    #[OA\Patch(path: '/api/players/{player}/consent', operationId: 'player.consent', summary: 'Takes down a consent, or takes it back',
        requestBody: new Takes(['given' => 'boolean', 'text?' => 'string', 'isMinor?' => 'boolean', 'guardian?' => 'string | null']),
        responses: [new Answer('PlayerRecord')])]
    public function consent(Request $request, Player $player): JsonResponse
    {
        $given = $request->validate([
            'given' => ['required', 'boolean'], 'text' => ['required_if:given,true', 'string', 'max:4000'],
            'isMinor' => ['sometimes', 'boolean'],
            'guardian' => [Rule::requiredIf($request->boolean('isMinor') && $request->boolean('given')), 'nullable', 'string', 'max:120'],
        ], ['guardian.required' => 'For a minor, a parent or guardian agrees: write their name.']);
        Transaction::run(function () use ($player, $given, $request): void {
            Consent::query()->where('player_id', $player->id)->whereNull('withdrawn_at')->update(['withdrawn_at' => now()]);
            if ($given['given']) {
                Consent::query()->create([
                    'studio_id' => $player->studio_id, 'player_id' => $player->id, 'text' => $given['text'],
                    'guardian' => ($given['isMinor'] ?? false) ? $given['guardian'] : null, 'taken_by' => self::user($request)->id,
                    'given_at' => now(),
                ]);
            }
        });

        return $this->show($request, $player);
    }
}
