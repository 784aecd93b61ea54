<?php

declare(strict_types=1);

namespace App\Shop\Support;

use App\Support\Pdf;
use Dithermic\Core\Process\Outline;

/**
 * What a part is cut along, on paper at its true size: tiles that are laid over one another, each with a rule to prove
 * it.
 */
final class TrimTemplate
{
    /** of A4, that every printer reaches, mm */
    private const PAPER = [190.0, 270.0];

    private const MARGIN_MM = 8.0;

    private const OVERLAP_MM = 10.0;

    private const RULE_MM = 100;

    /** more than that nobody glues together */
    public const MOST_TILES = 24;

    /** @return list<array{row: int, column: int, x: float, y: float}> */
    public static function tiles(Outline $of): array
    {
        return $of->tiles(self::PAPER[0], self::PAPER[1], self::MARGIN_MM, self::OVERLAP_MM);
    }

    public static function pdf(string $name, Outline $of): string
    {
        $pages = '';
        foreach (self::tiles($of) as $tile) {
            $pages .= '<div class="tile"><img src="data:image/svg+xml;base64,'
                .base64_encode(self::svg($name, $of, $tile)).'"></div>';
        }
        [$wide, $high] = self::PAPER;

        return Pdf::of("<style>@page{margin:10mm}body{margin:0}.tile{page-break-after:always}.tile:last-child{page-break-after:avoid}
            img{width:{$wide}mm;height:{$high}mm}</style>{$pages}");
    }

    /** @param  array{row: int, column: int, x: float, y: float}  $tile */
    public static function svg(string $name, Outline $of, array $tile): string
    {
        [$wide, $high] = self::PAPER;
        // dompdf scales a drawing whose size is in plain units: ten of them to a millimetre.
        $size = sprintf(
            'width="%d" height="%d" viewBox="%s %s %s %s"',
            10 * $wide,
            10 * $high,
            $tile['x'],
            $tile['y'],
            $wide,
            $high,
        );
        $label = htmlspecialchars(sprintf(
            '%s, row %d, column %d; %s. Print at 100 %%, not fitted to the page.',
            $name,
            $tile['row'],
            $tile['column'],
            $of->cornerMm > 0 ? sprintf('corners of %.0f mm', $of->cornerMm) : 'square corners',
        ));
        [$x, $y] = [$tile['x'] + 12, $tile['y'] + $high - 14];
        $rule = '';
        for ($mm = 0; $mm <= self::RULE_MM; $mm += 10) {
            $rule .= sprintf('M%s %sv%d', $x + $mm, $y, $mm % 50 === 0 ? -6 : -3);
        }
        $corners = '';
        foreach ([[0, 0], [$wide, 0], [0, $high], [$wide, $high]] as [$dx, $dy]) {
            $to = self::OVERLAP_MM;
            $corners .= sprintf(
                'M%s %sh%sM%s %sv%s',
                $tile['x'] + $dx, $tile['y'] + abs($dy - $to), $dx > 0 ? -$to : $to,
                $tile['x'] + abs($dx - $to), $tile['y'] + $dy, $dy > 0 ? -$to : $to,
            );
        }

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" {$size}>"
            .sprintf(
                '<rect x="0" y="0" width="%s" height="%s" rx="%s" fill="none" stroke="#000" stroke-width="0.4"/>',
                $of->lengthMm, $of->widthMm, $of->cornerMm,
            )
            .sprintf(
                '<path d="M%s 0V%sM0 %sH%s" stroke="#666" stroke-width="0.2" stroke-dasharray="6 2 1 2" fill="none"/>',
                $of->lengthMm / 2, $of->widthMm, $of->widthMm / 2, $of->lengthMm,
            )
            ."<path d=\"{$corners}\" stroke=\"#999\" stroke-width=\"0.2\" fill=\"none\"/>"
            .sprintf('<path d="M%s %sh%d%s" stroke="#000" stroke-width="0.3" fill="none"/>', $x, $y, self::RULE_MM, $rule)
            .sprintf('<text x="%s" y="%s" font-size="4" font-family="DejaVu Sans">100 mm when it is right</text>', $x, $y + 5)
            .sprintf('<text x="%s" y="%s" font-size="4" font-family="DejaVu Sans">%s</text>', $x, $y + 10, $label)
            .'</svg>';
    }
}
