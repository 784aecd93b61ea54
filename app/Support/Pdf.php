<?php

declare(strict_types=1);

namespace App\Support;

use Dompdf\Dompdf;
use Dompdf\Options;

/** HTML of our own onto paper; nothing is fetched and nothing in it runs. */
final class Pdf
{
    /** @param  string|array{float, float, float, float}  $paper  a format's name, or a box in points */
    public static function of(string $html, string|array $paper = 'A4'): string
    {
        $options = new Options;
        $options->setIsRemoteEnabled(false);
        $options->setIsPhpEnabled(false);
        $options->setDefaultFont('DejaVu Sans');
        $fonts = storage_path('framework/cache/fonts');
        if (! is_dir($fonts)) {
            mkdir($fonts, 0775, true);
        }
        $options->setFontCache($fonts);
        $pdf = new Dompdf($options);
        $pdf->loadHtml($html);
        $pdf->setPaper($paper);
        $pdf->render();

        return (string) $pdf->output();
    }
}
