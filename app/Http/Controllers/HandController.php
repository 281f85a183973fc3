<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\TurnSetup;
use App\Contract\Answer;
use App\Contract\Asks;
use App\Contract\Takes;
use App\Fittings\FittingLoader;
use App\Models\Blind;
use App\Models\Fitting;
use App\Models\Setup;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Club\ChangeOver;
use MintCarry\Core\Record\SetupItem;
use MintCarry\Core\Report\Expected;
use MintCarry\Core\Report\InHand;
use OpenApi\Attributes as OA;

/** What is in the hand, and what it can be turned to: told before anybody takes the wrench. Nothing is stored. */
final class HandController
{
    #[OA\Get(path: '/api/fittings/{fitting}/hand', operationId: 'hand', summary: 'What the head of a setup can be turned to and weighted with',
        parameters: [new Asks('setupId', 'integer')], responses: [new Answer('HandView')])]
    public function show(Request $request, Fitting $fitting): JsonResponse
    {
        $given = $request->validate(['setupId' => ['required', 'integer', self::ofFitting($fitting)]]);
        $setup = Setup::query()->with(Setup::MADE_OF)->findOrFail((int) $given['setupId']);
        $seen = InHand::of($setup->record(), $fitting->brief()->squaringShare());
        $seen ??= ['head' => $setup->head, 'sleeve' => $setup->sleeve_label, 'home' => '', 'masses' => [], 'positions' => [], 'arrangements' => []];
        $plain = static fn (array $a): array => ['masses' => (object) $a['masses']] + $a;

        return response()->json(['arrangements' => array_map($plain, $seen['arrangements'])] + $plain($seen));
    }

    /** A setup turned and weighted otherwise, or as it is: what it changes against what is in the hand, and what is to be done. */
    #[OA\Post(path: '/api/fittings/{fitting}/hand/turned', operationId: 'hand.turned', summary: 'What turning a setup would change; stores nothing',
        requestBody: new Takes(['setupId' => 'integer', 'heldId' => 'integer', 'sleeve?' => 'string', 'masses?' => 'Record<string, number>']),
        responses: [new Answer('Turned')])]
    public function turned(Request $request, Fitting $fitting, TurnSetup $turn): JsonResponse
    {
        $given = $request->validate([
            'setupId' => ['required', 'integer', self::ofFitting($fitting)], 'heldId' => ['required', 'integer', self::ofFitting($fitting)],
        ] + self::TURNED);
        if (Blind::open($fitting) !== null) {
            throw ValidationException::withMessages(['setupId' => 'A blind trial is going on: nothing of the hand is told before the reveal.']);
        }
        $from = Setup::query()->with(Setup::MADE_OF)->findOrFail((int) $given['setupId']);
        $held = Setup::query()->with(Setup::MADE_OF)->findOrFail((int) $given['heldId']);
        $to = $from;
        $there = $from;
        if (isset($given['sleeve'])) {
            $masses = array_map(floatval(...), $given['masses'] ?? []);
            $there = $turn->there($from, (string) $given['sleeve'], $masses)?->load(Setup::MADE_OF);
            $to = $there ?? $turn->unsaved($from, (string) $given['sleeve'], $masses);
        }
        $over = ChangeOver::between($held->parts(), $to->parts());
        $share = $fitting->brief()->squaringShare();
        $playing = $to->playing($share);

        return response()->json([
            'setupId' => $there?->id, 'steps' => $over->steps, 'wrenchChanges' => $over->wrenchChanges,
            'loftDeg' => $playing->loftDeg, 'faceOpenDeg' => $playing->faceOpenDeg,
            'expected' => $held->is($to) ? null : Expected::of((new FittingLoader($fitting))->record(), $held->tag, $to->record()),
        ]);
    }

    /** Where a sleeve stands and what sits in the slots. */
    public const TURNED = [
        'sleeve' => ['sometimes', 'string', 'max:40'], 'masses' => ['sometimes', 'array', 'max:12'],
        'masses.*' => ['numeric', 'between:'.SetupItem::SLOT_G[0].','.SetupItem::SLOT_G[1]],
    ];

    private static function ofFitting(Fitting $fitting): \Illuminate\Validation\Rules\Exists
    {
        return Rule::exists('setups', 'id')->where('fitting_id', $fitting->id);
    }
}
