<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Contract\Asks;
use App\Judged\JudgedPart;
use App\Judged\JudgementReader;
use App\Judged\Viewpoint;
use App\Models\Fitting;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use MintCarry\Core\Finder\RackCandidates;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Report\CompareReport;
use MintCarry\Core\Report\FinderReport;
use MintCarry\Core\Report\LoftLadder;
use MintCarry\Core\Report\SpeedLadder;
use MintCarry\Core\Report\StrikeMover;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\Response;

/** The parts of a fitting's judgement, each with its age. */
final class JudgementController
{
    public function __construct(private readonly JudgementReader $reader)
    {
    }

    #[OA\Get(path: '/api/fittings/{fitting}/comparison', operationId: 'compare', summary: 'The setups side by side',
        parameters: [new Asks('visit', 'integer'), new Asks('swing', 'string'), new Asks('memory', "'without'")], responses: [new Answer('Comparison')])]
    public function comparison(Request $request, Fitting $fitting): Response
    {
        $given = $request->validate(['visit' => ['sometimes', 'integer']]);

        return $this->asked($request, $fitting, JudgedPart::Comparison, 'visit', $given, static function (FittingRecord $record, string $visit): array {
            $sets = array_filter(array_map(static fn (ShotSet $s): ?ShotSet => $s->byVisit()[(int) $visit] ?? null, $record->sets()));

            return CompareReport::of($record, array_values($sets));
        });
    }

    #[OA\Get(path: '/api/fittings/{fitting}/judging', operationId: 'judging', summary: 'What the shots do and do not say',
        parameters: [new Asks('swing', 'string'), new Asks('memory', "'without'")], responses: [new Answer('Judging')])]
    public function judging(Request $request, Fitting $fitting): Response
    {
        return $this->reader->answer($request, $fitting, JudgedPart::Judging, Viewpoint::asked($request));
    }

    #[OA\Get(path: '/api/fittings/{fitting}/advice', operationId: 'decision.advice', summary: 'The advice among the setups that were hit',
        parameters: [new Asks('swing', 'string'), new Asks('memory', "'without'")], responses: [new Answer('Advice')])]
    public function advice(Request $request, Fitting $fitting): Response
    {
        return $this->reader->answer($request, $fitting, JudgedPart::Advice, Viewpoint::asked($request));
    }

    #[OA\Get(path: '/api/fittings/{fitting}/answer', operationId: 'answer', summary: 'Take, keep or hit first, and what it does for the brief',
        parameters: [new Asks('swing', 'string'), new Asks('memory', "'without'")], responses: [new Answer('FittingAnswer')])]
    public function fittingAnswer(Request $request, Fitting $fitting): Response
    {
        return $this->reader->answer($request, $fitting, JudgedPart::Answer, Viewpoint::asked($request));
    }

    #[OA\Get(path: '/api/fittings/{fitting}/finder', operationId: 'finder', summary: 'Every legal setup on the rack, predicted for this player',
        parameters: [new Asks('only', "'all' | 'stock' | 'order' | 'own'"), new Asks('swing', 'string'), new Asks('memory', "'without'")], responses: [new Answer('Found')])]
    public function finder(Request $request, Fitting $fitting): Response
    {
        $given = $request->validate(['only' => ['sometimes', Rule::in(RackCandidates::WHICH)]]);

        return $this->asked($request, $fitting, JudgedPart::Finder, 'only', $given, FinderReport::of(...));
    }

    #[OA\Get(path: '/api/fittings/{fitting}/judge', operationId: 'judge', summary: 'The judge’s figures and the one next thing to do',
        responses: [new Answer('Judge')])]
    public function judge(Request $request, Fitting $fitting): Response
    {
        return $this->reader->answer($request, $fitting, JudgedPart::Judge);
    }

    #[OA\Get(path: '/api/fittings/{fitting}/grounds', operationId: 'decision.grounds', summary: 'The advice with all that it rests on, and the confirm run',
        parameters: [new Asks('swing', 'string'), new Asks('memory', "'without'")], responses: [new Answer('Grounds')])]
    public function grounds(Request $request, Fitting $fitting): Response
    {
        return $this->reader->answer($request, $fitting, JudgedPart::Grounds, Viewpoint::asked($request));
    }

    #[OA\Get(path: '/api/fittings/{fitting}/schools', operationId: 'decision.schools', summary: 'The pick under each school and screening policy',
        parameters: [new Asks('swing', 'string'), new Asks('memory', "'without'")], responses: [new Answer('Schools')])]
    public function schools(Request $request, Fitting $fitting): Response
    {
        return $this->reader->answer($request, $fitting, JudgedPart::Schools, Viewpoint::asked($request));
    }

    #[OA\Get(path: '/api/fittings/{fitting}/questions', operationId: 'reach.questions',
        summary: 'Is more loft straighter, and what to do in wind, for this player', responses: [new Answer('LoftAndWind')])]
    public function questions(Request $request, Fitting $fitting): Response
    {
        return $this->reader->answer($request, $fitting, JudgedPart::Questions);
    }

    #[OA\Get(path: '/api/fittings/{fitting}/loft-ladder', operationId: 'reach.lofts', summary: 'This player’s swing with a head in each of its lofts',
        parameters: [new Asks('head', 'string')], responses: [new Answer('LoftLadder')])]
    public function lofts(Request $request, Fitting $fitting): Response
    {
        $given = $request->validate(['head' => ['sometimes', 'string', 'max:80']]);

        return $this->asked($request, $fitting, JudgedPart::Lofts, 'head', $given, LoftLadder::of(...));
    }

    #[OA\Get(path: '/api/fittings/{fitting}/speed-ladder', operationId: 'reach.speeds',
        summary: 'What the shots did at each speed, and the loft wanted there', parameters: [new Asks('setup', 'string')],
        responses: [new Answer('SpeedLadder')])]
    public function speeds(Request $request, Fitting $fitting): Response
    {
        $given = $request->validate(['setup' => ['sometimes', 'string', 'max:3']]);

        return $this->asked($request, $fitting, JudgedPart::Speeds, 'setup', $given, SpeedLadder::of(...));
    }

    #[OA\Get(path: '/api/fittings/{fitting}/strikes', operationId: 'reach.strikes',
        summary: 'How strikes and the line of the CG can be brought together', parameters: [new Asks('setup', 'string')],
        responses: [new Answer('StrikeMoves')])]
    public function strikes(Request $request, Fitting $fitting): Response
    {
        $given = $request->validate(['setup' => ['sometimes', 'string', 'max:3']]);

        return $this->asked($request, $fitting, JudgedPart::Strikes, 'setup', $given, StrikeMover::of(...));
    }

    /**
     * A part with one thing asked beside it, or without.
     *
     * @param  array<string, mixed>  $given
     * @param  Closure(FittingRecord, string): array<string, mixed>  $make
     */
    private function asked(Request $request, Fitting $fitting, JudgedPart $part, string $name, array $given, Closure $make): Response
    {
        $from = Viewpoint::asked($request);
        $value = isset($given[$name]) ? (string) $given[$name] : null;

        return $value === null
            ? $this->reader->answer($request, $fitting, $part, $from)
            : $this->reader->answer(
                $request, $fitting, $part, $from, [$name => $value], static fn (FittingRecord $record): array => $make($record, $value),
            );
    }
}
