<?php

declare(strict_types=1);

namespace App\Reports;

use Dompdf\Dompdf;
use Dompdf\Options;
use Illuminate\Support\Facades\File;

/**
 * A page of ours as PDF, made here by dompdf: nothing is fetched, no PHP and no script of a page is run, and files are read from the shipped fonts
 * alone. Why dompdf: docs/decisions/024.
 */
final class Pdf
{
    public const PAPERS = ['A4', 'Letter'];

    public static function of(string $html, string $paper): string
    {
        return self::made($html, $paper)[0];
    }

    /** @return array{string, int} the bytes, and how many pages they are */
    public static function made(string $html, string $paper): array
    {
        $fonts = storage_path('framework/fonts');
        File::ensureDirectoryExists($fonts);
        $options = new Options([
            'isRemoteEnabled' => false, 'isPhpEnabled' => false, 'isJavascriptEnabled' => false, 'chroot' => [resource_path('fonts')],
            'fontDir' => $fonts,
            'fontCache' => $fonts, 'tempDir' => $fonts, 'defaultFont' => 'Hanken', 'isFontSubsettingEnabled' => true, 'dpi' => 72,
        ]);
        $options->setAllowedProtocols(['file://' => ['rules' => [fn (string $uri): array => self::isFont($uri)]], 'data://' => ['rules' => []]]);
        $pdf = new Dompdf($options);
        $pdf->setPaper($paper === 'Letter' ? 'letter' : 'a4');
        $pdf->loadHtml($html, 'UTF-8');
        $pdf->render();
        $pdf->addInfo('Producer', 'Mint Carry');

        return [(string) $pdf->output(), $pdf->getCanvas()->get_page_count()];
    }

    /** @return array{bool, string|null} */
    private static function isFont(string $uri): array
    {
        $path = realpath((string) preg_replace('#^file://#', '', $uri));

        return $path !== false && str_starts_with($path, resource_path('fonts').DIRECTORY_SEPARATOR) ? [true, null] : [false, 'It is no shipped font.'];
    }
}
