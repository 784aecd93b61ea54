<?php

declare(strict_types=1);

namespace App\Shop\Http;

use App\Http\Controller;
use App\Shop\Models\Picture;
use Dithermic\Core\Calculator\InputError;
use GdImage;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use OpenApi\Attributes as OA;

/** Photographs of swatches and trial pieces: drawn anew from their pixels, so that nothing else in the file is kept. */
final class PictureController extends Controller
{
    private const MAX_BYTES = 12_000_000;

    private const MAX_PIXELS = 60_000_000;

    private const KEPT_PX = 1280;

    #[OA\Post(
        path: '/pictures',
        operationId: 'postPicture',
        summary: 'Upload a photograph, JPEG, PNG or WebP of at most 12 MB',
        tags: ['lots'],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\MediaType(
                mediaType: 'multipart/form-data',
                schema: new OA\Schema(
                    required: ['file'],
                    properties: [new OA\Property(property: 'file', type: 'string', format: 'binary')],
                ),
            ),
        ),
        responses: [new OA\Response(
            response: 201,
            description: 'kept',
            content: new OA\JsonContent(
                required: ['id'],
                properties: [new OA\Property(property: 'id', type: 'string')],
            ),
        )],
    )]
    public function store(Request $request): JsonResponse
    {
        $this->authorize('create', Picture::class);
        $file = $request->file('file');
        if (! $file instanceof UploadedFile || ! $file->isValid() || $file->getSize() > self::MAX_BYTES) {
            throw new InputError('file', 'is required: a photograph of at most 12 MB');
        }
        $size = @getimagesize($file->getRealPath());
        if (
            $size === false
            || ! in_array($size[2], [IMAGETYPE_JPEG, IMAGETYPE_PNG, IMAGETYPE_WEBP], true)
            || $size[0] * $size[1] > self::MAX_PIXELS
        ) {
            throw new InputError('file', 'is not a photograph: JPEG, PNG or WebP of at most 60 megapixels');
        }
        $image = @imagecreatefromstring((string) file_get_contents($file->getRealPath()));
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
            [$id, base64_encode($jpeg), $this->actor($request)->id],
        );

        return new JsonResponse(['id' => $id], 201);
    }

    #[OA\Get(
        path: '/pictures/{picture}',
        operationId: 'getPicture',
        summary: 'A photograph',
        tags: ['lots'],
        parameters: [new OA\Parameter(
            name: 'picture',
            in: 'path',
            required: true,
            schema: new OA\Schema(type: 'string'),
        )],
        responses: [new OA\Response(response: 200, description: 'a JPEG')],
    )]
    public function show(string $picture): Response
    {
        $this->authorize('viewAny', Picture::class);
        $row = DB::selectOne(
            "select encode(jpeg, 'base64') as jpeg from pictures where id = ?",
            [$picture],
        ) ?? abort(404);

        return new Response(
            (string) base64_decode($row->jpeg, true),
            200,
            [
                'Content-Type' => 'image/jpeg',
                'Cache-Control' => 'private, max-age=31536000, immutable',
                'X-Content-Type-Options' => 'nosniff',
            ],
        );
    }
}
