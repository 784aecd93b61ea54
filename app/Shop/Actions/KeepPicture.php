<?php

declare(strict_types=1);

namespace App\Shop\Actions;

use App\People\Models\User;
use Dithermic\Core\Calculator\InputError;
use GdImage;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** A photograph drawn anew from its pixels, so that nothing else in the file is kept. */
final readonly class KeepPicture
{
    private const MAX_PIXELS = 60_000_000;

    private const KEPT_PX = 1280;

    /**
     * @return string its id
     *
     * @throws InputError file
     */
    public function __invoke(string $path, User $by): string
    {
        $size = @getimagesize($path);
        if (
            $size === false
            || ! in_array($size[2], [IMAGETYPE_JPEG, IMAGETYPE_PNG, IMAGETYPE_WEBP], true)
            || $size[0] * $size[1] > self::MAX_PIXELS
        ) {
            throw new InputError('file', 'is not a photograph: JPEG, PNG or WebP of at most 60 megapixels');
        }
        $image = @imagecreatefromstring((string) file_get_contents($path));
        if (! $image instanceof GdImage) {
            throw new InputError('file', 'is damaged');
        }
        $scale = min(1.0, self::KEPT_PX / max(imagesx($image), imagesy($image)));
        $small = imagescale(
            $image,
            max(1, (int) round(imagesx($image) * $scale)),
            max(1, (int) round(imagesy($image) * $scale)),
        );
        ob_start();
        imagejpeg($small ?: $image, null, 85);
        $jpeg = (string) ob_get_clean();
        $id = (string) Str::uuid7();
        DB::insert(
            "insert into pictures (id, jpeg, by_id) values (?, decode(?, 'base64'), ?)",
            [$id, base64_encode($jpeg), $by->id],
        );

        return $id;
    }
}
