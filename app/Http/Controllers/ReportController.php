<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Contract\Asks;
use App\Http\Controllers\Concerns\NamesUser;
use App\Models\Fitting;
use App\Reports\BuildPage;
use App\Reports\Pdf;
use App\Reports\PlayerPage;
use App\Words\PlayersLanguage;
use App\Words\Words;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;

/** What is printed: the report for the player, and the build page for the workshop. */
final class ReportController
{
    use NamesUser;

    #[OA\Get(path: '/api/fittings/{fitting}/report', operationId: 'report.page', summary: 'The player’s report, as they will read it',
        parameters: [new Asks('language', 'string', 'the player’s where it is left out')],
        responses: [new Answer('{ language: string; page: ReportPage }')])]
    public function page(Request $request, Fitting $fitting): JsonResponse
    {
        $words = self::words($request, $fitting);

        return response()->json(['language' => $words->language, 'page' => PlayerPage::of($fitting, $words)->toArray(isWide: true)]);
    }

    #[OA\Get(path: '/api/fittings/{fitting}/report.pdf', operationId: 'report.player', summary: 'The player’s report on paper',
        parameters: [new Asks('paper', 'string', 'A4 or Letter'), new Asks('language', 'string', 'the player’s where it is left out')],
        responses: [new Answer('application/pdf')])]
    public function player(Request $request, Fitting $fitting): Response
    {
        $given = $request->validate(['paper' => ['sometimes', Rule::in(Pdf::PAPERS)]]);
        $page = PlayerPage::of($fitting, self::words($request, $fitting));
        $link = PlayerPage::roundsLink($fitting, self::user($request));

        return self::pdf($page->pdf($given['paper'] ?? 'A4', $request->getSchemeAndHttpHost().(string) $link->path()), $fitting, 'report');
    }

    #[OA\Get(path: '/api/fittings/{fitting}/build.pdf', operationId: 'report.build', summary: 'The build page for the workshop',
        parameters: [new Asks('paper', 'string', 'A4 or Letter')], responses: [new Answer('application/pdf')])]
    public function build(Request $request, Fitting $fitting): Response
    {
        $given = $request->validate(['paper' => ['sometimes', Rule::in(Pdf::PAPERS)]]);

        return self::pdf(BuildPage::pdf($fitting, $given['paper'] ?? 'A4'), $fitting, 'build');
    }

    private static function words(Request $request, Fitting $fitting): Words
    {
        $given = $request->validate(['language' => ['sometimes', Rule::in(Words::languages())]]);

        return isset($given['language']) ? Words::in($given['language']) : PlayersLanguage::printed($fitting->player);
    }

    public static function pdf(string $bytes, Fitting $fitting, string $what): Response
    {
        $name = (Str::slug($fitting->player->name) ?: 'fitting')."-{$what}.pdf";

        return response($bytes, 200, [
            'Content-Type' => 'application/pdf', 'Content-Disposition' => "inline; filename=\"{$name}\"",
            'Cache-Control' => 'private, no-store',
        ]);
    }
}
