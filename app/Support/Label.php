<?php

declare(strict_types=1);

namespace App\Support;

use App\Material\Data\LotData;
use Illuminate\Support\Facades\Process;
use RuntimeException;

/**
 * Labels, 100 × 70 mm, readable at two metres: what it is in the largest letters, how it may be used, and a QR code
 * with the address that opens it. The code is drawn by qrencode, the PDF by dompdf.
 */
final class Label
{
    private const POINTS_PER_MM = 72 / 25.4;

    public function __construct(private readonly ShopClock $clock)
    {
    }

    public function ofLot(LotData $lot): string
    {
        $address = self::address("l/{$lot->code}");

        return view('labels.label', [
            'address' => $address,
            'qr' => $this->qr($address),
            'code' => $lot->code,
            'large' => $lot->polymer === 'UNKNOWN' ? 'UNKNOWN' : $lot->polymer,
            'swatches' => [$lot->swatch],
            'lines' => [
                mb_strimwidth("{$lot->colour} {$lot->form}", 0, 30, '…').(
                    $lot->generation > 0 ? " · pass {$lot->generation}" : ''
                ),
                $lot->source->name,
                $this->clock->today()->format('Y-m-d'),
            ],
            'mass' => $lot->mass_g,
            'never' => $lot->never_hot,
        ])->render();
    }

    /** @param  list<string>  $swatches */
    public function ofCharge(
        string $path,
        string $code,
        string $polymer,
        array $swatches,
        string $about,
        string $by,
        float $mass,
    ): string {
        $address = self::address($path);

        return view(
            'labels.label',
            [
                'address' => $address,
                'qr' => $this->qr($address),
                'code' => $code,
                'large' => $polymer,
                'swatches' => $swatches,
                'lines' => [
                    mb_strimwidth($about, 0, 32, '…'),
                    'charge, weighed by '.$by,
                    $this->clock->today()->format('Y-m-d'),
                ],
                'mass' => $mass,
                'never' => false,
            ],
        )->render();
    }

    /**
     * Of what was made: scanned, it opens its record, also weeks later.
     *
     * @param  list<string>  $swatches  of the lots that it is of
     * @param  list<string>  $lines  what it is, when, of which run
     */
    public function ofPiece(
        string $path,
        string $code,
        string $polymer,
        array $swatches,
        array $lines,
        ?float $mass,
    ): string {
        $address = self::address($path);

        return view('labels.label', [
            'address' => $address,
            'qr' => $this->qr($address),
            'code' => $code,
            'large' => $polymer,
            'swatches' => $swatches,
            'lines' => array_map(static fn (string $line): string => mb_strimwidth($line, 0, 32, '…'), $lines),
            'mass' => $mass,
            'never' => false,
            'made' => true,
        ])->render();
    }

    /** To go out with a part: what it is of, and the address that shows what its maker lets be seen. */
    public function ofPassport(string $address, string $mark): string
    {
        return view('labels.label', [
            'address' => '',
            'qr' => $this->qr($address),
            'code' => '',
            'large' => $mark,
            'swatches' => [],
            'lines' => ['How this part was made'],
            'mass' => null,
            'never' => false,
            'made' => true,
        ])->render();
    }

    /** Where a code leads: the shop's address, and what of it. */
    public static function address(string $path): string
    {
        return rtrim((string) config('app.url'), '/').'/'.$path;
    }

    public function pdf(string $svg): string
    {
        // dompdf scales a drawing whose size is in plain units.
        $svg = str_replace(['width="100mm"', 'height="70mm"'], ['width="1000"', 'height="700"'], $svg);

        return Pdf::of(
            '<style>@page{margin:0}body{margin:0}</style><img style="width:100mm;height:70mm" src="data:image/svg+xml;base64,'
                .base64_encode($svg)
                .'">',
            [0.0, 0.0, 100 * self::POINTS_PER_MM, 70 * self::POINTS_PER_MM],
        );
    }

    /**
     * The code's dark squares as one path in a grid of unit squares, and the grid's size.
     *
     * @return array{size: int, path: string}
     */
    private function qr(string $text): array
    {
        $made = Process::timeout(5)->run(['qrencode', '-t', 'ASCII', '-m', '0', '-l', 'M', '-o', '-', $text]);
        if ($made->failed()) {
            throw new RuntimeException('qrencode could not draw the code: '.$made->errorOutput());
        }
        // Two characters to a square.
        $rows = array_values(array_filter(explode("\n", $made->output()), static fn (string $r): bool => $r !== ''));
        $path = '';
        foreach ($rows as $y => $row) {
            for ($x = 0; 2 * $x < strlen($row); $x++) {
                if ($row[2 * $x] === '#') {
                    $path .= "M{$x} {$y}h1v1h-1z";
                }
            }
        }

        return ['size' => count($rows), 'path' => $path];
    }
}
